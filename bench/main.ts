// npm run bench: every figure is a ratio of two things timed in this run; times beside them are for orientation only.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { readJob } from '@usual-drag/contract';
import {
  circuitOf,
  drawRails,
  editElement,
  networkValues,
  solveCircuit,
  solveJob,
  solveUnloaded,
} from '@usual-drag/core';
import { lusolve } from 'mathjs';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { duration, secondsOf } from './measure.ts';
import { benchJob, mesh, nodeEquations } from './networks.ts';

const line = (what: string, text: string): void => console.log(`${what.padEnd(52)} ${text}`);

console.log('Solving a network, against LU on its node equations (theirs/ours: above 1 we are faster)');
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

console.log('\nA whole job file, 12 parts, three set-ups');
const job = benchJob();
const text = JSON.stringify(job);
const parse = secondsOf(() => JSON.parse(text));
const read = secondsOf(() => readJob(text));
const solve = secondsOf(() => solveJob(job));
line(`  read and checked (${duration(read)})`, `${(read / parse).toFixed(1)} × JSON.parse alone`);
line(`  solved, set-ups and all (${duration(solve)})`, `${(solve / 0.0002).toFixed(2)} of 0.2 ms`);

console.log('\nAn edit of a 60-part network, solved and laid out again');
const large = { ...job, network: mesh(31, 7), setups: [] };
const parts = large.network.elements.length;
let flip = false;
const redraw = secondsOf(() => {
  flip = !flip;
  const first = large.network.elements[5]!;
  const edited = editElement(large, first.id, { ...first, resistance: flip ? 1234 : 1300 } as typeof first);
  const unloaded = solveUnloaded(edited.network);
  return drawRails({
    network: edited.network,
    truth: unloaded.ok ? unloaded.value.values : null,
    spacing: 'scale',
    height: 480,
    width: 750,
  });
}, 0.5);
line(`  ${parts} parts (${duration(redraw)})`, `${(redraw / 0.016).toFixed(2)} of a frame of 16 ms`);

console.log('\nThe first load');
const assets = join(import.meta.dirname, '../apps/web/dist/assets');
const page = join(import.meta.dirname, '../apps/web/dist/index.html');
if (existsSync(page)) {
  const html = readFileSync(page, 'utf8');
  const scripts = readdirSync(assets).filter((name) => name.endsWith('.js') && html.includes(name));
  const bytes = scripts.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0);
  line(`  script, gzip: ${bytes} bytes`, `${(bytes / 250_000).toFixed(2)} of 250 kB`);
} else {
  line('  script', 'not built yet: npm run build');
}
