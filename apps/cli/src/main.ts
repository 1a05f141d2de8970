import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Depth, ResistorSymbol } from '@usual-drag/core';
import { compareFile } from './compare.ts';
import { designFile } from './design.ts';
import { diagnoseFile, fitFile } from './diagnose.ts';
import { drawFile } from './draw.ts';
import { refused, type Output } from './output.ts';
import { planFile } from './plan.ts';
import { markFile, practiceProblem } from './practice.ts';
import { reduceFile } from './reduce.ts';
import { reportOfFile, type ReportOptions } from './report.ts';
import { solveFile } from './solve.ts';
import { worksheetFile } from './worksheet.ts';

const usage = `Usage: npm run -s cli -- solve FILE…     true values and every set-up's readings
       npm run -s cli -- compare [--budget] FILE…   readings and their expected values
       npm run -s cli -- plan [--depth least|parts|checks] FILE…
       npm run -s cli -- diagnose [--faults 1|2] FILE…  faults that explain the readings
       npm run -s cli -- fit --free NAME [--free NAME…] FILE…
       npm run -s cli -- reduce FILE…    the steps down to one resistance
       npm run -s cli -- design FILE…    shunts and multipliers for a movement
       npm run -s cli -- worksheet FILE…  what follows from what is given
       npm run -s cli -- practice --kind KIND [--level 1|2|3] [--seed N] [--solution]
       npm run -s cli -- mark FILE…      the answers to a problem, the slip named
       npm run -s cli -- draw FILE [--out FILE.svg] [--scale] [--zigzag]
       npm run -s cli -- report FILE [--out FILE.html] [--kit FILE.kit.json] [--section NAME…] [--zigzag]
solve, compare, plan, diagnose, fit, reduce, design, worksheet and mark print one compact JSON result a line, in the order given; draw writes an SVG file and report an
HTML file, to standard output where none is named. - reads one file from standard input. Status 2 where any file gave an error.`;

interface Options {
  readonly depth: Depth;
  readonly free: readonly string[];
  readonly faults: 1 | 2;
  readonly budget: boolean;
}

const depths: readonly Depth[] = ['least', 'parts', 'checks'];

const perFile: Readonly<Record<string, (text: string, options: Options) => Output>> = {
  solve: solveFile,
  compare: (text, { budget }) => compareFile(text, budget),
  plan: (text, { depth }) => planFile(text, depth),
  diagnose: (text, { faults }) => diagnoseFile(text, faults),
  fit: (text, { free }) => fitFile(text, free),
  reduce: reduceFile,
  design: designFile,
  worksheet: worksheetFile,
  mark: markFile,
};

function main(): number {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      depth: { type: 'string' },
      free: { type: 'string', multiple: true },
      budget: { type: 'boolean', default: false },
      faults: { type: 'string', default: '1' },
      out: { type: 'string' },
      kit: { type: 'string' },
      section: { type: 'string', multiple: true },
      scale: { type: 'boolean' },
      zigzag: { type: 'boolean' },
      kind: { type: 'string' },
      level: { type: 'string', default: '1' },
      seed: { type: 'string', default: '1' },
      solution: { type: 'boolean', default: false },
    },
  });
  const [name = '', ...files] = positionals;
  if (name === 'draw' && files.length === 1)
    return draw(files[0]!, values.out, values.scale ?? false, symbolOf(values.zigzag));
  if (name === 'report' && files.length === 1) {
    const kit = values.kit === undefined ? null : readFileSync(values.kit, 'utf8');
    return report(files[0]!, values.out, { kit, sections: values.section ?? [], resistor: symbolOf(values.zigzag) });
  }
  if (name === 'practice' && files.length === 0) {
    const { kind, level, seed, solution } = values;
    return print(practiceProblem({ kind, level, seed, solution }));
  }
  const run = perFile[name];
  const depth = depths.find((one) => one === (values.depth ?? 'parts'));
  const faults = ([1, 2] as const).find((one) => String(one) === values.faults);
  if (!run || files.length === 0 || !depth || !faults) return misused(usage);
  let status = 0;
  for (const file of files) {
    status = Math.max(
      status,
      print(onText(file, (text) => run(text, { depth, faults, free: values.free ?? [], budget: values.budget }))),
    );
  }
  return status;
}

/** Prints one result on a line; 2 where it is an error. */
function print({ output, solved }: Output): number {
  process.stdout.write(`${JSON.stringify(output)}\n`);
  return solved ? 0 : 2;
}

const symbolOf = (zigzag = false): ResistorSymbol => (zigzag ? 'zigzag' : 'box');

function draw(file: string, out: string | undefined, toScale: boolean, resistor: ResistorSymbol): number {
  const { output, svg } = onText(file, (text) => drawFile(text, { toScale, resistor }));
  if (svg === undefined) return print({ output, solved: false });
  if (out === undefined) process.stdout.write(svg);
  else writeFileSync(out, svg);
  return 0;
}

/** Writes the report of a job; which document it is of goes to standard output where the report itself does not. */
function report(file: string, out: string | undefined, options: ReportOptions): number {
  const { output, html } = onText(file, (text) => reportOfFile(text, options));
  if (html === undefined) return print({ output, solved: false });
  if (out === undefined) process.stdout.write(html);
  else {
    writeFileSync(out, html);
    print({ output, solved: true });
  }
  return 0;
}

function onText<T extends Output>(
  file: string,
  run: (text: string) => T,
): T | (Output & { svg?: undefined; html?: undefined }) {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    const message = `${file} cannot be read: ${(error as Error).message}`;
    return refused({ code: 'invalid-file', message, where: [file] });
  }
  return run(text);
}

function misused(message: string): number {
  process.stderr.write(`${message}\n`);
  return 1;
}

try {
  process.exitCode = main();
} catch (error) {
  process.exitCode = misused(`${(error as Error).message}\n${usage}`);
}
