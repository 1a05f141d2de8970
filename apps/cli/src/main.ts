import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Depth } from '@usual-drag/core/plan';
import type { ResistorSymbol } from '@usual-drag/core/drawing';
import { perFile } from './commands.ts';
import { Failure, Misuse } from './failure.ts';
import { readInput } from './input.ts';
import { refused, type Output } from './output.ts';
import type { ReportOptions } from './report.ts';

const usage = `Usage: npm run -s cli -- solve FILE…     true values and every set-up's readings
       npm run -s cli -- compare [--budget] FILE…   readings and their expected values
       npm run -s cli -- plan [--depth least|parts|checks] FILE…
       npm run -s cli -- diagnose [--faults 1|2] FILE…  faults that explain the readings
       npm run -s cli -- fit --free NAME [--free NAME…] [--together] FILE…
       npm run -s cli -- reduce FILE…    the steps down to one resistance
       npm run -s cli -- design FILE…    shunts and multipliers for a movement
       npm run -s cli -- worksheet FILE…  what follows from what is given
       npm run -s cli -- practice --kind KIND [--level 1|2|3] [--seed N] [--solution]
       npm run -s cli -- mark FILE…      the answers to a problem, the mistake named
       npm run -s cli -- draw FILE [--out FILE.svg] [--scale] [--zigzag]
       npm run -s cli -- report FILE [--out FILE.html] [--kit FILE.kit.json] [--section NAME…] [--zigzag]
       npm run -s cli -- report --order FILE… [--out FILE.html] [--kit FILE.kit.json] [--zigzag]
       npm run -s cli -- --help          this text
solve, compare, plan, diagnose, fit, reduce, design, worksheet and mark print one compact JSON result a line, in the order given;
draw writes an SVG file and report an HTML file, to standard output if none is named. - reads one file from standard input. The
status is 2 if a file gave an error or the command could not be run.`;

const depths: readonly Depth[] = ['least', 'parts', 'checks'];

async function main(): Promise<number> {
  const { values, positionals } = parsed();
  if (values.help) {
    process.stdout.write(`${usage}\n`);
    return 0;
  }
  const [name = '', ...files] = positionals;
  if (name === 'draw' && files.length === 1)
    return draw(files[0]!, values.out, values.scale ?? false, symbolOf(values.zigzag));
  if (values.order && (name !== 'report' || files.length === 0))
    throw new Misuse('--order belongs to report, with its files.');
  if (name === 'report' && (values.order || files.length === 1)) {
    const kit = values.kit === undefined ? null : readInput(values.kit);
    const options = { kit, sections: values.section ?? [], resistor: symbolOf(values.zigzag) };
    if (values.order && options.sections.length > 0) throw new Misuse('--section belongs to the report of one file.');
    return report(files, values.order, values.out, options);
  }
  if (name === 'practice' && files.length === 0) {
    const { practiceProblem } = await import('./practice.ts');
    const { kind, level, seed, solution } = values;
    return print(practiceProblem({ kind, level, seed, solution }));
  }
  const command = Object.hasOwn(perFile, name) ? perFile[name] : undefined;
  if (!command) throw new Misuse(name === '' ? 'No command is named.' : `There is no command ${name} of this form.`);
  if (files.length === 0) throw new Misuse(`${name} needs the name of a file, or - for standard input.`);
  const depth = depths.find((one) => one === (values.depth ?? 'parts'));
  if (!depth) throw new Misuse(`--depth must be one of ${depths.join(', ')}.`);
  const faults = ([1, 2] as const).find((one) => String(one) === values.faults);
  if (!faults) throw new Misuse('--faults must be 1 or 2.');
  if (values.together && name !== 'fit') throw new Misuse('--together belongs to fit.');
  if (values.together) {
    const { fitFiles } = await import('./diagnose.ts');
    return print(onTexts(files, (texts) => fitFiles(texts, values.free ?? [])));
  }
  const run = await command({ depth, faults, free: values.free ?? [], budget: values.budget });
  let status = 0;
  for (const file of files) status = Math.max(status, print(onText(file, run)));
  return status;
}

function parsed() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        help: { type: 'boolean', short: 'h', default: false },
        depth: { type: 'string' },
        free: { type: 'string', multiple: true },
        together: { type: 'boolean', default: false },
        budget: { type: 'boolean', default: false },
        faults: { type: 'string', default: '1' },
        order: { type: 'boolean', default: false },
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
  } catch (error) {
    throw new Misuse(/^[^.]*\./.exec((error as Error).message)?.[0] ?? (error as Error).message);
  }
}

/** Prints one result on a line; 2 if it is an error. */
function print({ output, solved }: Output): number {
  process.stdout.write(`${JSON.stringify(output)}\n`);
  return solved ? 0 : 2;
}

const symbolOf = (zigzag = false): ResistorSymbol => (zigzag ? 'zigzag' : 'box');

async function draw(
  file: string,
  out: string | undefined,
  toScale: boolean,
  resistor: ResistorSymbol,
): Promise<number> {
  const { drawFile } = await import('./draw.ts');
  const { output, svg } = onText(file, (text) => drawFile(text, { toScale, resistor }));
  if (svg === undefined) return print({ output, solved: false });
  if (out === undefined) process.stdout.write(svg);
  else write(out, svg);
  return 0;
}

/** Writes the report of a job, or of the circuits of an order; the hash of its document goes to standard output if the report itself does not. */
async function report(
  files: readonly string[],
  isOrder: boolean,
  out: string | undefined,
  options: ReportOptions,
): Promise<number> {
  const { reportOfFile, reportOfOrder } = await import('./report.ts');
  const { output, html } = onTexts(files, (texts) =>
    isOrder ? reportOfOrder(texts, options) : reportOfFile(texts[0]!, options),
  );
  if (html === undefined) return print({ output, solved: false });
  if (out === undefined) process.stdout.write(html);
  else {
    write(out, html);
    print({ output, solved: true });
  }
  return 0;
}

function write(file: string, text: string): void {
  try {
    writeFileSync(file, text);
  } catch (error) {
    throw new Failure(`${file} cannot be written: ${(error as Error).message}`);
  }
}

/** Runs a command on a file's text; one that cannot be read is an error in the published format, like one with a fault. */
const onText = <T extends Output>(
  file: string,
  run: (text: string) => T,
): T | (Output & { svg?: undefined; html?: undefined }) => onTexts([file], ([text]) => run(text!));

/** The same with several files. */
function onTexts<T extends Output>(
  files: readonly string[],
  run: (texts: readonly string[]) => T,
): T | (Output & { svg?: undefined; html?: undefined }) {
  const texts: string[] = [];
  for (const file of files)
    try {
      texts.push(readInput(file));
    } catch (error) {
      return refused({ code: 'invalid-file', message: (error as Error).message, where: [file] });
    }
  return run(texts);
}

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(2);
}

process.stdout.on('error', ({ code, message }: NodeJS.ErrnoException) =>
  fail(
    code === 'EPIPE'
      ? 'The output was closed before all of it was written.'
      : `The output cannot be written: ${message}.`,
  ),
);
process.stderr.on('error', () => process.exit(2));

try {
  process.exitCode = await main();
} catch (error) {
  const hint = error instanceof Misuse ? ' See npm run -s cli -- --help.' : '';
  fail(`${(error as Error).message}${hint}`);
}
