// npm test: unit tests, then the interface in Chromium, then one line of totals.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { chromiumPath, hasHeadlessShell } from './chromium.mjs';
import { build, install, root, run } from './steps.mjs';

const started = Date.now();

/** Seconds between two lines of progress. */
const progressEvery = 20;

const results = join(root, 'test-results');
install();
installChromium();
for (const [program, path] of [
  ['PostgreSQL', '/usr/lib/postgresql'],
  ['nginx', '/usr/sbin/nginx'],
])
  if (!existsSync(path)) process.stdout.write(`${program} is not installed: tests with it are left out.\n`);
build();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

const unit = await runSuite({
  name: 'Unit tests',
  args: ['jest', '--json', '--silent', `--outputFile=${results}/jest.json`],
  report: 'jest.json',
  isDone: /^(PASS|FAIL) /,
  unit: 'files',
  count: (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  }),
  times: ({ testResults }) =>
    testResults.map(({ name, startTime, endTime }) => ({
      name: relative(root, name),
      seconds: (endTime - startTime) / 1000,
    })),
});
const screen = await runSuite({
  name: 'Interface tests',
  args: ['playwright', 'test'],
  report: 'playwright.json',
  isDone: /^\[\d+\/\d+\]/,
  unit: 'tests',
  count: ({ stats, errors }) => ({
    passed: stats.expected,
    failed: stats.unexpected + stats.flaky + (errors?.length ?? 0),
  }),
  times: ({ suites }) => suites.flatMap(interfaceTimes),
});

const slowest = [...unit.times, ...screen.times].sort((a, b) => b.seconds - a.seconds).slice(0, 10);
process.stdout.write('The ten slowest:\n');
for (const { name, seconds } of slowest) process.stdout.write(`${seconds.toFixed(0).padStart(5)} s  ${name}\n`);
process.stdout.write(`Took ${((Date.now() - started) / 60_000).toFixed(1)} minutes.\n`);
const passed = unit.passed + screen.passed;
const failed = unit.failed + screen.failed;
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);

/** Runs one suite and prints its progress; a suite that ends without its report counts as a failure. */
async function runSuite({ name, args, report, isDone, unit, count, times }) {
  process.stdout.write(`${name} …\n`);
  const child = spawn('npx', args, { cwd: root, env: { ...process.env, CI: 'true' } });
  let output = '';
  let done = 0;
  const hear = (chunk) => {
    const text = String(chunk);
    output += text;
    done += text.split(/[\r\n]+/).filter((line) => isDone.test(line)).length;
  };
  child.stdout.on('data', hear);
  child.stderr.on('data', hear);
  const progress = setInterval(() => process.stdout.write(`  ${done} ${unit}\n`), progressEvery * 1000);
  const status = await new Promise((ended) => child.on('close', ended));
  clearInterval(progress);
  const file = join(results, report);
  const read = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
  const counted = read ? count(read) : { passed: 0, failed: 1 };
  const failed = status !== 0 && counted.failed === 0 ? 1 : counted.failed;
  if (failed > 0) process.stdout.write(`${output}\n`);
  return { passed: counted.passed, failed, times: read ? times(read) : [] };
}

/** The duration of each interface test of a suite and of the suites in it. */
function interfaceTimes({ file, specs = [], suites = [] }) {
  return [
    ...specs.flatMap(({ title, tests }) =>
      tests.map((test) => ({
        name: `${file}: ${title}`,
        seconds: test.results.reduce((sum, { duration }) => sum + duration, 0) / 1000,
      })),
    ),
    ...suites.flatMap(interfaceTimes),
  ];
}

/** Installs Debian's headless browser if it is missing; the full one if there is no other, and no headless one to be had. */
function installChromium() {
  if (hasHeadlessShell()) return;
  const isInstalled = (name) =>
    spawnSync('apt-get', ['install', '-y', '--no-install-recommends', name], { stdio: 'ignore' }).status === 0;
  process.stdout.write('Installing a headless Chromium …\n');
  if (isInstalled('chromium-headless-shell')) return;
  spawnSync('apt-get', ['update'], { stdio: 'ignore' });
  if (isInstalled('chromium-headless-shell') || chromiumPath() || playwrightHasOne()) return;
  run('Installing Chromium', 'apt-get', ['install', '-y', '--no-install-recommends', 'chromium']);
}

function playwrightHasOne() {
  const { status } = spawnSync(
    process.execPath,
    ['-e', "process.exit(require('fs').existsSync(require('@playwright/test').chromium.executablePath()) ? 0 : 1)"],
    { cwd: root },
  );
  return status === 0;
}
