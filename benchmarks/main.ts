// npm run bench: every figure is a ratio of two things timed in this run; times beside them are for orientation only.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { readJob } from '@usual-drag/contract';
import { parseLine, writeLine, type Network } from '@usual-drag/core/network';
import { circuitOf, networkValues, solveCircuit } from '@usual-drag/core/solver';
import { reduceNet, resistanceNet, sourcesOf } from '@usual-drag/core/reduction';
import { solveUnloaded } from '@usual-drag/core/loading';
import { drawRails, type Arrangement } from '@usual-drag/core/drawing';
import { solveJob } from '@usual-drag/core/job';
import { lusolve } from 'mathjs';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { benchKeystroke } from './keystroke.ts';
import { duration, line, secondsOf } from './measure.ts';
import { benchDiagnosis } from './diagnosis.ts';
import { benchGrid } from './grid.ts';
import { benchPractice } from './practice.ts';
import { benchReadings } from './readings.ts';
import { benchSampling } from './sampling.ts';
import { benchRangeTable } from './range-table.ts';
import { benchLoadingMap } from './loading-map.ts';
import { benchLuMisses } from './lu-misses.ts';
import { benchTechnicians } from './technicians.ts';
import { benchWorkshop } from './workshop.ts';
import { sketchedNetwork } from '../packages/core/src/test/sketched-network.ts';
import { benchJob, mesh, nodeEquations } from './networks.ts';

console.log('A whole job file, 12 parts, three set-ups');
const job = benchJob();
const text = JSON.stringify(job);
const parse = secondsOf(() => JSON.parse(text));
const read = secondsOf(() => readJob(text));
const solve = secondsOf(() => solveJob(job));
line(`  read and checked (${duration(read)})`, `${(read / parse).toFixed(1)} × JSON.parse alone`);
line(`  solved, set-ups and all (${duration(solve)})`, `${(solve / 0.0002).toFixed(2)} of 0.2 ms`);

console.log('\nSolving a network, against LU on its node equations (theirs/ours: above 1 we are faster)');
for (const nodes of [10, 100, 1000]) {
  const network = mesh(nodes);
  const { matrix, right } = nodeEquations(network, nodes);
  const named = circuitOf(network);
  const ours = secondsOf(() => {
    const solved = solveCircuit(named.circuit);
    return solved.ok && networkValues(network, named, solved.value);
  });
  const dense = new Matrix(matrix);
  const column = Matrix.columnVector(right);
  const lu = secondsOf(() => new LuDecomposition(dense).solve(column));
  const mathjs = secondsOf(() => lusolve(matrix, right));
  const solved = solveCircuit(named.circuit);
  const reference = new LuDecomposition(dense).solve(column).get(0, 0);
  const value = solved.ok ? (solved.value.potential(named.nodeNumber.get('N1')!)?.hi ?? NaN) : NaN;
  const agree = Math.abs(value / reference - 1).toExponential(0);
  line(
    `  ${nodes} nodes, ${network.elements.length} parts (${duration(ours)})`,
    `ml-matrix ${(lu / ours).toFixed(2)}   mathjs ${(mathjs / ours).toFixed(2)}   (apart by ${agree})`,
  );
}

benchLuMisses();

const frame = 0.016;
const sketched = sketchedNetwork(12, 60);
const line60 = writeLine(sketched, { brief: true });
const parts = sketched.elements.length;
const drawn = (network: Network, previous?: Arrangement) => {
  const unloaded = solveUnloaded(network);
  const truth = unloaded.ok ? unloaded.value.values : null;
  return drawRails({ network, truth, spacing: 'even', height: 480, width: 750, ...(previous && { previous }) });
};
console.log(`\nA network of ${parts} parts, its line of ${line60.length} characters`);
const arranged = drawn(sketched).arrangement;
const solved60 = secondsOf(() => solveUnloaded(sketched), 0.5);
for (const [what, work] of [
  ['laid out anew', () => drawn(sketched)],
  ['laid out after an edit', () => drawn(sketched, arranged)],
  ['line read', () => parseLine(line60, sketched)],
  ['line written', () => writeLine(sketched, { brief: true })],
  ['broken down to one resistance', () => reduceNet(resistanceNet(sketched, sourcesOf(sketched)[0]!))],
] as const) {
  const time = secondsOf(work, 0.5);
  line(
    `  ${what} (${duration(time)})`,
    `${(time / solved60).toFixed(2)} × solving it   ${(time / frame).toFixed(2)} of a frame`,
  );
}
let flip = false;
let last = arranged;
const keystroke = secondsOf(() => {
  flip = !flip;
  const typed = parseLine(flip ? line60.replace(/\b4\.7k/, '47k') : line60, sketched);
  const network = typed.ok ? typed.value : sketched;
  last = drawn(network, last).arrangement;
  return last;
}, 0.5);
line(
  `  a keystroke: read, solved, laid out (${duration(keystroke)})`,
  `${(keystroke / frame).toFixed(2)} of a frame of 16 ms`,
);
await benchKeystroke(line60, keystroke);

benchRangeTable();
benchLoadingMap();
benchReadings();
benchPractice();
benchDiagnosis();
benchGrid();
benchSampling();
benchWorkshop();
if (existsSync(join(process.cwd(), 'apps/server/dist/main.js'))) await benchTechnicians();
else line('\nMany technicians at once', 'not built yet: npm run build');

console.log('\nThe first load');
const assets = join(process.cwd(), 'apps/web/dist/assets');
const page = join(process.cwd(), 'apps/web/dist/index.html');
if (existsSync(page)) {
  const entry = [...readFileSync(page, 'utf8').matchAll(/assets\/([\w-]+\.js)/g)].map(([, name]) => name!);
  for (const [what, first] of [
    ['the list of jobs', /^jobs-page-/],
    ['a job on the bench', /^bench-page-/],
  ] as const) {
    const scripts = withImports([...entry, readdirSync(assets).find((name) => first.test(name))!]);
    const bytes = scripts.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0);
    line(`  ${what}: script, gzip: ${bytes} bytes`, `${(bytes / 250_000).toFixed(2)} of 250 kB`);
  }
} else {
  line('  script', 'not built yet: npm run build');
}

/** Scripts with all that they import at once. */
function withImports(names: readonly string[]): string[] {
  const all = new Set(names);
  for (const name of all)
    for (const [, other] of readFileSync(join(assets, name), 'utf8').matchAll(
      /(?:from|import)\s*["']\.\/([\w-]+\.js)["']/g,
    ))
      all.add(other!);
  return [...all];
}
