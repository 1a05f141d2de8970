// npm test: unit tests, then the interface in Chromium, then one line of totals.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, root, run } from './steps.mjs';

const results = join(root, 'test-results');
install();
installChromium();
build();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

const unit = runSuite(
  'Unit tests',
  ['jest', '--silent', '--json', `--outputFile=${results}/jest.json`],
  'jest.json',
  (report) => ({
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  }),
);
const screen = runSuite('Interface tests', ['playwright', 'test'], 'playwright.json', ({ stats, errors }) => ({
  passed: stats.expected,
  failed: stats.unexpected + stats.flaky + (errors?.length ?? 0),
}));

const passed = unit.passed + screen.passed;
const failed = unit.failed + screen.failed;
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);

/** Runs one suite; one that ends without its report counts as a failure. */
function runSuite(name, args, report, count) {
  process.stdout.write(`${name} …\n`);
  const { stdout, stderr, status } = spawnSync('npx', args, {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    env: { ...process.env, CI: 'true' },
  });
  const file = join(results, report);
  const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 };
  const failed = status !== 0 && counted.failed === 0 ? 1 : counted.failed;
  if (failed > 0) process.stdout.write(`${stdout}${stderr}\n`);
  return { passed: counted.passed, failed };
}

function installChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  run('Reading the list of packages', 'apt-get', ['update']);
  run('Installing Chromium', 'apt-get', ['install', '-y', '--no-install-recommends', 'chromium']);
}
