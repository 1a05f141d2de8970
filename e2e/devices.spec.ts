import type { StoredDocument } from '@usual-drag/contract';
import type { KitInstrument } from '@usual-drag/core/instrument';
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { violations } from './axe.ts';
import {
  expect,
  hearNothing,
  openJob,
  openUnread,
  readNext,
  saved,
  stored,
  test,
  type DemoServer,
} from './demo-page.ts';

const logRow = (page: Page, id: string) =>
  page.getByRole('table', { name: 'Log of readings' }).getByRole('row', { name: new RegExp(`^${id} `) });

/** A phone with the readings of a job open: a browser of its own, as another device is. */
async function phoneWith(browser: Browser, address: string): Promise<{ phone: Page; context: BrowserContext }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    serviceWorkers: 'block',
  });
  const phone = await context.newPage();
  await phone.goto(address);
  await expect(stepInHand(phone)).toBeVisible();
  return { phone, context };
}

const stepInHand = (page: Page) => page.getByRole('region', { name: 'Open step' });

/** The displays of the job that was to be read, in the order of its log. */
const log = async (server: DemoServer): Promise<string[]> =>
  ((await stored(server, 'Divider to be read')).document.readings ?? []).map(
    ({ id, observations }) => `${id} ${observations[0]!.shown}`,
  );

test('a reading that is taken on a phone is on the bench within a second, and says who took it', async ({
  page,
  server,
  browser,
  faults,
}) => {
  await openUnread(page, server);
  const { phone, context } = await phoneWith(browser, page.url());
  await phone.evaluate(() =>
    localStorage.setItem('usual-drag-person', JSON.stringify({ state: { person: 'B. Wader' }, version: 0 })),
  );
  await phone.reload();
  await expect(stepInHand(phone)).toBeVisible();
  const requests: string[] = [];
  page.on('request', (request) => requests.push(`${request.method()} ${new URL(request.url()).pathname}`));
  await readNext(phone, '12.34');
  const taken = Date.now();
  await expect(logRow(page, 'M1')).toContainText('12.34', { timeout: 5000 });
  // Typed to seen, with the pause that lets the letters of a word go together; a busy machine takes longer.
  expect(Date.now() - taken).toBeLessThan(4000);
  await expect(logRow(page, 'M1')).toContainText('B. Wader');
  // The announcement brought it: the job was not fetched again.
  expect(requests.filter((request) => request.includes('/api/jobs/'))).toEqual([]);
  // And the other way; nothing is asked.
  await readNext(page, '6.54');
  await saved(page);
  expect(await log(server)).toEqual(['M1 12.34', 'M2 6.54']);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await context.close();
  expect(faults).toEqual([]);
});

test('undo takes back the own reading, not the one that came from another device', async ({
  page,
  server,
  browser,
}) => {
  await openUnread(page, server);
  await readNext(page, '1.11');
  await saved(page);
  const { phone, context } = await phoneWith(browser, page.url());
  await readNext(phone, '2.22');
  await expect(logRow(page, 'M2')).toContainText('2.22');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('table', { name: 'Log of readings' })).not.toContainText('1.11');
  await expect(page.getByRole('table', { name: 'Log of readings' })).toContainText('2.22');
  await expect.poll(() => log(server)).toEqual(['M2 2.22']);
  await context.close();
});

test('readings that two devices take at the same moment are both there, the later one renumbered and told so', async ({
  page,
  server,
  browser,
}) => {
  await openUnread(page, server);
  const { phone, context } = await phoneWith(browser, page.url());
  // The phone gets no events and its save is delayed until the bench has saved.
  await hearNothing(phone);
  await phone.reload();
  await expect(stepInHand(phone)).toBeVisible();
  let go: () => void = () => undefined;
  const held = new Promise<void>((free) => (go = free));
  await phone.route('**/api/jobs/*/readings', async (route) => {
    await held;
    await route.continue();
  });
  await readNext(phone, '2.22');
  await readNext(page, '1.11');
  await saved(page);
  go();
  await expect(phone.getByText('M1 is now M2')).toBeVisible();
  await expect(logRow(page, 'M2')).toContainText('2.22');
  expect(await log(server)).toEqual(['M1 1.11', 'M2 2.22']);
  await context.close();
});

test('an edit of the network comes to the other device, and two at once are asked about', async ({
  page,
  server,
  browser,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const other = await context.newPage();
  await other.goto(page.url());
  const resistance = (on: Page) =>
    on.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: 'Resistance of R2' });
  await resistance(other).fill('47k');
  await resistance(other).press('Enter');
  await expect(resistance(page)).toHaveValue(/^47.kΩ$/);
  await expect(page.getByText('Changed on another device or in another window')).toBeVisible();
  // The other one's line is gone for a while; both edit.
  await context.setOffline(true);
  await resistance(other).fill('33k');
  await resistance(other).press('Enter');
  await resistance(page).fill('22k');
  await resistance(page).press('Enter');
  await saved(page);
  await context.setOffline(false);
  await expect(other.getByRole('alert')).toContainText('changed in another window or on another device');
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await expect(resistance(page)).toHaveValue(/^33.kΩ$/);
  await context.close();
  expect(faults).toEqual([]);
});

test('on the computer alone the devices’ page says how to let others in', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await page.getByRole('link', { name: 'Devices' }).click();
  await expect(page.getByText('Only this computer can connect.')).toBeVisible();
  await page.getByLabel('Your name').fill('A. Sluice');
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(page.getByLabel('Your name')).toHaveValue('A. Sluice');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('what is being typed into a form stays when the document comes anew from another device', async ({
  page,
  server,
  faults,
}) => {
  const notes = page.getByRole('textbox', { name: /^Own notes/ });
  const kit = (await server.ask('GET', '/instruments')).json as StoredDocument<KitInstrument>[];
  const { id, revision, document } = kit.find((one) => one.document.name?.startsWith('Old analogue'))!;
  await page.goto(`${server.address}/kit/${encodeURIComponent(id)}`);
  await notes.fill('half a sentence');
  await server.ask('PUT', `/instruments/${id}`, { revision, document: { ...document, name: 'Old analogue, renamed' } });
  await expect(page.getByRole('button', { name: /^Old analogue, renamed/ })).toBeVisible();
  await expect(notes).toHaveValue('half a sentence');
  await notes.press('Tab');
  await expect
    .poll(async () => {
      const list = (await server.ask('GET', '/instruments')).json as StoredDocument<KitInstrument>[];
      const now = list.find((one) => one.id === id)!.document;
      return [now.name, now.notes];
    })
    .toEqual(['Old analogue, renamed', 'half a sentence']);
  expect(faults).toEqual([]);
});
