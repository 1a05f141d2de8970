import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { chromium, expect, test, type Browser, type Page } from '@playwright/test';
import { unzipSync, gunzipSync } from 'fflate';
import { newFolder } from '../apps/server/src/test/running-server.ts';
import { chromiumPath } from '../scripts/chromium.mjs';

const version = (JSON.parse(readFileSync('package.json', 'utf8')) as { version: string }).version;

/** Commands that can be run in a network namespace of their own; a machine without this right skips the test. */
const canIsolate = spawnSync('unshare', ['--net', 'ip', 'link', 'set', 'lo', 'up']).status === 0;

/** Builds the archive for this platform and unpacks it, in a folder with spaces and umlauts that cannot be written to. */
function unpacked(): string {
  const built = spawnSync(process.execPath, ['scripts/release/main.mjs', '--here'], { encoding: 'utf8' });
  expect([built.status, built.stderr]).toEqual([0, '']);
  const folder = join(newFolder(), 'Prüfplatz 1');
  const files = unzipSync(readFileSync(`dist/usual-drag-${version}.zip`));
  for (const [name, bytes] of Object.entries(files)) {
    const file = join(folder, name);
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, bytes, { mode: 0o444 });
  }
  const program = join(folder, `usual-drag-${version}`);
  for (const name of readdirSync(program, { recursive: true, encoding: 'utf8' }))
    if (statSync(join(program, name)).isDirectory()) chmodSync(join(program, name), 0o555);
  chmodSync(program, 0o555);
  return program;
}

/** A server that runs from an archive, in a namespace in which there is nothing but the loopback interface. */
class IsolatedServer {
  readonly address = 'http://127.0.0.1:8470';

  private constructor(
    private readonly child: ChildProcess,
    readonly output: () => string,
  ) {}

  static async start(program: string, ...options: string[]): Promise<IsolatedServer> {
    const child = spawn(
      'unshare',
      [
        ...['--net', 'sh', '-c', 'ip link set lo up && exec "$@"', 'sh'],
        ...[process.execPath, join(program, 'usual-drag.mjs'), 'start', '--no-browser', ...options],
      ],
      // Elsewhere than the program and than the project.
      { cwd: newFolder(), stdio: ['ignore', 'pipe', 'pipe'] },
    );
    let output = '';
    await new Promise<void>((ready, failed) => {
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (chunk: Buffer) => {
          output += chunk.toString();
          if (output.includes('answers at')) ready();
        });
      child.once('exit', (code) => failed(new Error(`The program ended with ${code}: ${output}`)));
    });
    return new IsolatedServer(child, () => output);
  }

  /** Runs a command in the server's namespace. */
  command(...words: string[]): { readonly status: number | null; readonly stdout: string } {
    return spawnSync('nsenter', ['--net', '--target', String(this.child.pid), ...words], { encoding: 'utf8' });
  }

  /** A browser in the server's namespace. */
  async browser(): Promise<Browser> {
    const wrapper = join(newFolder(), 'chromium');
    writeFileSync(wrapper, `#!/bin/sh\nexec nsenter --net --target ${this.child.pid} ${chromiumPath()} "$@"\n`, {
      mode: 0o755,
    });
    const { args = [] } = test.info().project.use.launchOptions ?? {};
    return chromium.launch({ executablePath: wrapper, args });
  }

  async stop(): Promise<void> {
    this.child.kill('SIGTERM');
    if (this.child.exitCode === null && this.child.signalCode === null) await once(this.child, 'exit');
  }
}

/** Runs a command of an archive. */
function run(program: string, ...words: string[]): string {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(program, 'usual-drag.mjs'), ...words], {
    encoding: 'utf8',
  });
  expect([status, stderr]).toEqual([0, '']);
  return stdout;
}

const step = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Steps' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();

const isSaved = (page: Page) => expect(page.getByTestId('save')).toHaveText(/^Saved \d\d:\d\d$/);

test.describe('the release archive, without a network', () => {
  test.skip(!canIsolate, 'This machine does not allow network namespaces.');
  test.describe.configure({ mode: 'serial' });
  let program: string;
  test.beforeAll(() => {
    program = unpacked();
  });

  test('a job is typed, measured, signed, printed and copied', async () => {
    const data = newFolder();
    const server = await IsolatedServer.start(program, '--demo', '--data', data);
    const browser = await server.browser();
    try {
      // Nothing but the loopback interface is there.
      expect(server.command('ip', '-o', 'link').stdout.trim().split('\n')).toEqual([expect.stringContaining(' lo: ')]);
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
      const foreign: string[] = [];
      page.on('request', (request) => {
        const { origin, protocol } = new URL(request.url());
        if (/^https?:$/.test(protocol) && origin !== server.address) foreign.push(request.url());
      });
      await page.goto(server.address);
      await page.getByRole('button', { name: 'New job', exact: true }).click();
      const network = page.getByRole('textbox', { name: 'Type the network' });
      await network.fill('E1 24V/1R8: R1 56k + R2 39k');
      await network.press('Enter');
      await step(page, 'Readings');
      await page.getByRole('button', { name: /^Add an instrument of the kit/ }).click();
      await page.getByRole('option', { name: /^Simulated multimeter/ }).click();
      await page.getByRole('button', { name: 'Without the plan' }).click();
      const free = page.getByRole('region', { name: 'Reading without the plan' });
      await free.getByRole('button', { name: 'Take the reading from the instrument' }).click();
      await expect(page.getByRole('table', { name: /log/i }).getByRole('row', { name: /^M1/ })).toContainText(
        /agrees|within tolerance/,
      );
      await isSaved(page);
      await step(page, 'Report');
      await page.getByLabel('Your name').fill('J. Marsh');
      await page.getByRole('button', { name: 'Sign', exact: true }).click();
      await expect(page.getByRole('region', { name: 'Report', exact: true })).toContainText('Signed by J. Marsh');
      const pdf = await page.pdf({ preferCSSPageSize: true });
      expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
      // The guide is there with its pictures.
      await page.getByRole('link', { name: 'Help' }).click();
      await expect(page.getByRole('heading', { name: 'Report', level: 1 })).toBeVisible();
      const picture = page.getByRole('article').getByRole('img').first();
      await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(1000);
      expect(foreign).toEqual([]);
      const copy = join(newFolder(), 'all.backup');
      expect(run(program, 'backup', copy, '--data', data)).toContain('9 jobs');
      expect(statSync(copy).size).toBeGreaterThan(100_000);
    } finally {
      await browser.close();
      await server.stop();
    }
  });

  test('the oldest data are upgraded, used, and the upgrade is undone', async () => {
    const data = newFolder();
    const file = join(data, 'usual-drag.sqlite');
    const before = gunzipSync(
      readFileSync(resolve('apps/server/src/database/dialects/sqlite/fixtures/0000_start.sqlite.gz')),
    );
    writeFileSync(file, before);
    let server = await IsolatedServer.start(program, '--data', data);
    const [, copy] = /To undo the upgrade.*restore (\S+)$/m.exec(server.output())!;
    expect(server.output()).toContain('which also stores: edits of the kit; the workshop;');
    expect(existsSync(copy!)).toBe(true);
    const browser = await server.browser();
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
      await page.goto(server.address);
      await page.getByRole('link', { name: /^Edited with 0000_start/ }).click();
      await expect(page.getByRole('group', { name: 'Drawing of the network' })).toBeVisible();
      const title = page.getByLabel('Title of the job');
      await title.fill('Changed since the upgrade');
      await title.press('Enter');
      await isSaved(page);
      await page.goto(`${server.address}/about`);
      await expect(page.getByText('To undo the upgrade')).toContainText(copy!);
      await server.stop();
      expect(run(program, 'restore', copy!, '--data', data)).toContain('is restored');
      server = await IsolatedServer.start(program, '--data', data);
    } finally {
      await browser.close();
    }
    const again = await server.browser();
    try {
      const page = await again.newPage();
      await page.goto(server.address);
      await expect(page.getByRole('link', { name: /^Edited with 0000_start/ })).toBeVisible();
      await expect(page.getByText('Changed since the upgrade')).toHaveCount(0);
    } finally {
      await again.close();
      await server.stop();
    }
  });
});
