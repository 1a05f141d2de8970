// npm run check: types, lint, format, dead code and words, as many at a time as there are cores. Quiet if all is well.
// `node scripts/check.mjs types` runs one kind.
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { root } from './steps.mjs';

/** Commands by kind. The longest come first, so that none of them is left alone at the end. */
const kinds = {
  lint: [
    ['eslint', '--max-warnings', '0', '.'],
    ['oxlint', '--type-aware', '--deny-warnings'],
    ['depcruise', '--config', '.dependency-cruiser.mjs', 'packages', 'apps', 'e2e', 'scripts', 'benchmarks'],
  ],
  format: [['prettier', '--log-level', 'warn', '--check', '.']],
  dead: [['knip']],
  types: ['apps/web', '.', 'e2e', 'benchmarks', 'packages/core'].map((project) => ['tsc', '-p', project]),
  words: [['node', 'scripts/words.mjs']],
  derived: [['node', 'scripts/derived-figures.mjs']],
};

/** Programs that are not the command of a package. `tsc` is the native compiler: the other one serves the linter. */
const programs = {
  node: [process.execPath],
  tsc: [process.execPath, 'node_modules/typescript7/bin/tsc', '--noEmit'],
};

const asked = process.argv.slice(2);
const waiting = (asked.length > 0 ? asked : Object.keys(kinds)).flatMap((kind) => kinds[kind]);
let failed = 0;
await Promise.all(Array.from({ length: availableParallelism() }, runWaiting));
process.exit(failed === 0 ? 0 : 1);

async function runWaiting() {
  for (let task = waiting.shift(); task; task = waiting.shift()) {
    const { status, output } = await run(task);
    if (status === 0) continue;
    failed += 1;
    process.stdout.write(`${task.join(' ')}\n${output}\n`);
  }
}

/** Runs a command of the project's packages; resolves with its status and its output. */
function run([command, ...args]) {
  return new Promise((done) => {
    const [program, ...first] = programs[command] ?? ['npx', command];
    const child = spawn(program, [...first, ...args], { cwd: root });
    let output = '';
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk) => {
        output += String(chunk);
      });
    child.on('close', (status) => done({ status, output }));
  });
}
