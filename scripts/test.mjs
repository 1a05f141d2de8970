// npm test: unit tests, then the interface in Chromium, then one line of totals.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath } from './chromium.mjs';
import { build, install, root, run } from './steps.mjs';

/** Minutes that all tests may take on two cores; told, and not a failure: machines are noisy. */
const budget = 10;
const begun = Date.now();

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
const minutes = (Date.now() - begun) / 60_000;
process.stdout.write(
  `Took ${minutes.toFixed(1)} of ${budget} minutes${minutes > budget ? ': more than they should on two cores' : ''}.\n`,
);
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

/** Debian's, where there is none that was named and no other. */
function installChromium() {
  if (chromiumPath() || playwrightHasOne()) return;
  run('Reading the list of packages', 'apt-get', ['update']);
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
