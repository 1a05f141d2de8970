import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openJob, saved, test } from './demo-page.ts';

test('the list: duplicate, rename, archive and undo, export and import', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')).toHaveCount(5);
  await page.getByRole('button', { name: 'Duplicate Level loop' }).click();
  await page.getByRole('link', { name: /^Level loop \(copy\)/ }).click();
  const title = page.getByRole('textbox', { name: 'Title of the job' });
  await expect(title).toHaveValue('Level loop (copy)');
  await title.fill('Level loop, spare');
  await title.press('Enter');
  await saved(page);
  await page.getByRole('link', { name: 'Jobs' }).click();

  await page.getByRole('button', { name: 'Archive Level loop, spare' }).click();
  await expect(page.getByRole('link', { name: /^Level loop, spare/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /^Level loop, spare/ })).toBeVisible();
  await expect(page.getByText('archived job')).toHaveCount(0);

  await page.getByRole('button', { name: 'Archive Level loop, spare' }).click();
  await page.reload();
  await page.getByText('1 archived job').click();
  await page.getByRole('button', { name: 'Restore Level loop, spare' }).click();
  await expect(page.getByRole('link', { name: /^Level loop, spare/ })).toBeVisible();
  await expect(page.getByText('archived job')).toHaveCount(0);

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export Level loop, spare' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('level-loop-spare.job.json');
  const text = readFileSync(await file.path(), 'utf8');
  await page
    .getByLabel('Job file to import')
    .setInputFiles({ name: 'again.job.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Level loop, spare');

  await page.getByRole('link', { name: 'Jobs' }).click();
  const bad = text.replace('"resistance"', '"resistence"');
  await page
    .getByLabel('Job file to import')
    .setInputFiles({ name: 'bad.job.json', mimeType: 'application/json', buffer: Buffer.from(bad) });
  await expect(
    page.getByText(/bad\.job\.json: network\.elements\[\d\]\.resistence is not a key of this format/),
  ).toBeVisible();
  expect(faults).toEqual([]);
});

test('a new job begins with a supply and a resistor, and leads to its first set-up', async ({ page, server }) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'New job' }).click();
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('2 parts, 2 nodes');
  await page.getByRole('link', { name: 'Set-ups' }).click();
  await page.getByRole('button', { name: 'Voltmeter across two nodes' }).click();
  await expect(page.getByTestId('indicated')).toContainText('12.00');
  await saved(page);
});

test('a job that is not there says so and leads back', async ({ page, server }) => {
  await page.goto(`${server.address}/bench/none/setups`);
  await expect(page.getByText('There is no job none')).toBeVisible();
  await page.getByRole('link', { name: 'To the list of jobs' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
});

const samples = [
  'Float-level divider',
  'Beacon and sounder panel',
  'Sluice-gate strain bridge',
  'Level loop',
  'Resistor by voltmeter and ammeter',
];

for (const title of samples)
  test(`${title}: every set-up reads, and the page needs no scrolling`, async ({ page, server, faults }) => {
    await openJob(page, server, title, 'Set-ups');
    const setups = page.getByRole('group', { name: 'Set-ups' }).locator('[aria-pressed=false]');
    for (let rest = await setups.count(); rest >= 0; rest -= 1) {
      await expect(page.getByTestId('indicated').first()).toContainText(/\d/);
      if (rest > 0) await setups.nth(rest - 1).click();
    }
    const overflow = await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight);
    expect(overflow).toBeLessThanOrEqual(0);
    expect(faults).toEqual([]);
  });

/** Opens every tab of the step's panel, and returns how many px each is too tall. */
const tooTall = (page: Page): Promise<{ readonly tab: string; readonly by: number }[]> =>
  page.evaluate(async () => {
    const frame = (): Promise<unknown> => new Promise((done) => requestAnimationFrame(done));
    const panel = document.querySelector('aside[aria-label="Step"]')!;
    const found: { tab: string; by: number }[] = [];
    const tabs = [...panel.querySelectorAll<HTMLElement>('[role="tab"]')];
    for (const tab of tabs) {
      tab.click();
      do {
        await frame();
        await frame();
      } while (panel.textContent.includes('Fetching'));
      const by = panel.scrollHeight - panel.clientHeight;
      if (by > 0) found.push({ tab: tab.innerText, by });
    }
    tabs[0]?.click();
    return found;
  });

test('no panel of the bench scrolls at 1280 × 800 for the sample jobs', async ({ page, server, faults }) => {
  test.slow();
  const found: object[] = [];
  let looks = 0;
  const look = async (where: string): Promise<void> => {
    looks += 1;
    found.push(...(await tooTall(page)).map((tab) => ({ where, ...tab })));
  };
  for (const title of samples) {
    await openJob(page, server, title, 'Set-ups');
    const setups = page.getByRole('group', { name: 'Set-ups' }).locator('button[aria-pressed]');
    for (let at = 0; at < (await setups.count()); at += 1) {
      await setups.nth(at).click();
      const meters = page.getByRole('group', { name: /^Meters of/ }).locator('button[aria-pressed]');
      for (let meter = 0; meter < (await meters.count()); meter += 1) {
        await meters.nth(meter).click();
        await look(`${title}, ${await setups.nth(at).innerText()}, ${await meters.nth(meter).innerText()}`);
      }
    }
    for (const step of ['True values', 'Network'] as const) {
      await openJob(page, server, title, step);
      await look(`${title}, ${step}`);
    }
  }
  expect(looks).toBeGreaterThan(3 * samples.length);
  expect(found).toEqual([]);
  expect(faults).toEqual([]);
});

test('a job begins from a starting circuit; the list is searched, sorted and filtered, as cards or a table', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Begin a job from' }).click();
  await page.getByRole('menuitem', { name: /^Bridge/ }).click();
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('6 parts, 4 nodes');
  await saved(page);
  await page.getByRole('link', { name: 'Jobs' }).click();
  const cards = page.getByRole('list', { name: 'Jobs' }).getByRole('listitem');
  await expect(cards).toHaveCount(6);
  const picture = cards.filter({ hasText: 'Float-level' }).locator('img');
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
  await expect(cards.filter({ hasText: 'Float-level' })).toContainText('worst error −42.6\u00a0%');
  await page.getByRole('button', { name: /^Asset/ }).click();
  await page.getByRole('option', { name: 'SL-031' }).click();
  await expect(cards).toHaveCount(1);
  await page.getByRole('button', { name: /^Asset/ }).click();
  await page.getByRole('option', { name: 'all' }).click();
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('panel wo-2219');
  await expect(cards).toHaveCount(1);
  await expect(cards.first()).toContainText('Beacon and sounder panel');
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('');
  await page.getByRole('radio', { name: 'Table' }).click();
  const table = page.getByRole('table', { name: 'Jobs' });
  await table.getByRole('button', { name: 'Worst error' }).click();
  await expect(table.getByRole('row').nth(1)).toContainText('Float-level divider');
  await expect(table.getByRole('columnheader', { name: 'Worst error' })).toHaveAttribute('aria-sort', 'descending');
  expect(faults).toEqual([]);
});
