import type { Job } from '@usual-drag/core/job';
import { test as base, expect, type Page, type Request } from '@playwright/test';
import { takeSnapshot, type DataSnapshot } from '../apps/server/src/test/data-snapshot.ts';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';

/** A demo server that the tests of one worker share; each test finds it running, with the sample data as new. */
export class DemoServer {
  private running: RunningServer | null = null;
  private snapshot: DataSnapshot | null = null;
  readonly folder = newFolder();

  /** Any that is free at the first start, and the same afterwards. */
  private port = 0;

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    this.running = await startServer(this.folder, { demo: true, port: this.port });
    this.port = Number(new URL(this.running.address).port);
    if (this.snapshot) return;
    // The list is complete once its figures are computed.
    await this.ask('GET', '/jobs');
    this.snapshot = await takeSnapshot(this.folder);
  }

  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGKILL'): Promise<void> {
    await this.running?.stop(signal);
    this.running = null;
  }

  /** Undoes what a test did: the server runs, and holds the sample data. */
  async reset(): Promise<void> {
    await this.snapshot!.putBack();
    if (!this.running) await this.start();
  }

  /** Sends a request as a page would. */
  ask(...request: Parameters<RunningServer['ask']>): ReturnType<RunningServer['ask']> {
    return this.running!.ask(...request);
  }
}

interface TestFixtures {
  readonly server: DemoServer;
  readonly faults: string[];
  readonly idlePage: undefined;
}

export const test = base.extend<TestFixtures, { readonly sharedServer: DemoServer }>({
  sharedServer: [
    async ({}, use) => {
      const server = new DemoServer();
      await server.start();
      await use(server);
      await server.stop();
    },
    { scope: 'worker' },
  ],
  server: async ({ sharedServer, context }, use) => {
    await sharedServer.reset();
    const writes = new Set<Request>();
    const isOver = (request: Request): void => void writes.delete(request);
    context.on('request', (request) => request.method() !== 'GET' && writes.add(request));
    context.on('requestfinished', isOver);
    context.on('requestfailed', isOver);
    await use(sharedServer);
    // A save that is still being answered would be stored in the data of the next test.
    await expect
      .poll(() => writes.size, { timeout: 5_000 })
      .toBe(0)
      .catch(() => undefined);
  },
  /** Holds back what the page fetches in its idle time (a second of work a page), until `allIsFetched` lets it go. */
  idlePage: [
    async ({ context }, use) => {
      await context.addInitScript(() => {
        // The usual number of 250 is less than the application has files.
        performance.setResourceTimingBufferSize(2000);
        const held: IdleRequestCallback[] = [];
        const request = window.requestIdleCallback.bind(window);
        window.requestIdleCallback = (callback) => held.push(callback);
        window.addEventListener('let-idle-work-go', () => {
          window.requestIdleCallback = request;
          held.splice(0).forEach((callback) => request(callback));
        });
      });
      await use(undefined);
    },
    { auto: true },
  ],
  /** Errors of the page's console; empty at the end of a test that uses it. */
  faults: async ({ page }, use) => {
    const faults: string[] = [];
    page.on('pageerror', (error) => faults.push(error.message));
    page.on('console', (message) => {
      // A server that is stopped cuts the line of events: that is no fault of the page.
      const isLineCut = message.location().url.includes('/api/events?');
      if (message.type() === 'error' && !isLineCut) faults.push(message.text());
    });
    await use(faults);
    expect(faults).toEqual([]);
  },
});

export { expect };

/** Steps of a job, with their places in the address. */
const steps = {
  Network: 'network',
  'True values': 'true-values',
  'Set-ups': 'setups',
  Readings: 'readings',
  Report: 'report',
} as const;

/** Opens a job at a step; the job is found by the beginning of its title. */
export async function openJob(page: Page, server: DemoServer, title: string, step: keyof typeof steps): Promise<void> {
  const { id } = await stored(server, title);
  await page.goto(`${server.address}/bench/${id}/${steps[step]}`);
  const drawing =
    step === 'Report'
      ? page.getByRole('region', { name: 'Report', exact: true })
      : page.getByRole('group', { name: 'Drawing of the network' });
  await expect(drawing).toBeVisible();
}

/** Blocks events of what others save, as on a broken line. */
export async function hearNothing(page: Page): Promise<void> {
  await page.route('**/api/events?*', () => undefined);
}

/** Lets the page fetch what is not on the screen yet, and waits for it: the server may be stopped afterwards. */
export async function allIsFetched(page: Page): Promise<void> {
  await page.evaluate(() => window.dispatchEvent(new Event('let-idle-work-go')));
  await expect
    .poll(() =>
      page.evaluate(() => {
        const fetched = performance.getEntriesByType('resource');
        const isThere = (name: string): boolean => fetched.some((one) => one.name.includes(name));
        // The last of them, and nothing after it for a while.
        const quiet = performance.now() - Math.max(...fetched.map(({ startTime }) => startTime));
        return isThere('/what-if-') && isThere('/conventions-') && quiet > 1500;
      }),
    )
    .toBe(true);
}

/** Waits until the last edit is shown as saved. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByTestId('save')).toHaveText(/^Saved \d\d:\d\d$/);
}

/** The number in front of a unit's prefix, in the unit: `3.653 V` or `−42.6 %`. */
export async function figure(page: Page, name: 'indicated' | 'true' | 'error'): Promise<number> {
  const text = (await page.getByTestId(name).first().innerText()).replace('−', '-').replace(/\u00a0/g, ' ');
  const [, digits, prefix] = /([-+]?[\d.]+) ?([fpnµmkMGT]?)/.exec(text)!;
  const exponent = { f: -15, p: -12, n: -9, µ: -6, m: -3, '': 0, k: 3, M: 6, G: 9, T: 12 }[prefix!]!;
  return Number(digits) * 10 ** exponent;
}

/** A job as the server has it, by the beginning of its title. */
export async function stored(server: DemoServer, title: string): Promise<{ id: string; document: Job }> {
  const jobs = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  return (await server.ask('GET', `/jobs/${jobs.find((job) => job.title.startsWith(title))!.id}`)).json;
}

/** The divider with nothing read yet, in a job of its own. */
export async function unreadDivider(server: DemoServer): Promise<string> {
  const { document } = await stored(server, 'Float-level divider');
  const { readings: _none, ...job } = document;
  const made = await server.ask('POST', '/jobs', { document: { ...job, title: 'Divider to be read' } });
  return (made.json as { id: string }).id;
}

/** The same, open at its readings. */
export async function openUnread(page: Page, server: DemoServer): Promise<void> {
  await unreadDivider(server);
  await openJob(page, server, 'Divider to be read', 'Readings');
}

/** Reads a display at the next step that has one; what is to be done before is done. */
export async function readNext(page: Page, shown: string): Promise<void> {
  const field = page.getByLabel(/^What the display says/);
  const done = page.getByRole('button', { name: 'Done, go on' });
  for (;;) {
    await expect(field.or(done)).toBeVisible();
    if (await field.isVisible()) break;
    await done.click();
  }
  await field.fill(shown);
  await field.press('Enter');
  // A display that the range cannot have is kept at the second time.
  if (await page.getByText('to store it anyway').isVisible()) await field.press('Enter');
}
