import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openJob, saved, test } from './demo-page.ts';

test('the list: duplicate, rename, archive and undo, export and import', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await expect(page.getByRole('listitem').filter({ hasText: 'parts' })).toHaveCount(5);
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

async function axe(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' | ')}`)).toEqual([]);
}

for (const theme of ['light', 'dark'] as const)
  test(`axe finds nothing on any screen, ${theme}`, async ({ page, server }) => {
    await page.emulateMedia({ colorScheme: theme });
    await page.goto(server.address);
    await expect(page.getByRole('link', { name: /^Level loop/ })).toBeVisible();
    await axe(page);
    await openJob(page, server, 'Float-level divider', 'Network');
    await page.getByRole('button', { name: /^R3 15/ }).click();
    await axe(page);
    await page.getByRole('link', { name: 'Set-ups' }).click();
    await axe(page);
    await page.getByRole('button', { name: 'S-2', exact: true }).click();
    await axe(page);
    await page.getByRole('button', { name: /Instrument of A1/ }).click();
    await axe(page);
  });
