import { readFileSync } from 'node:fs';
import { violations } from './axe.ts';
import { expect, figure, openJob, test } from './demo-page.ts';
import type { Page } from '@playwright/test';

const openKit = (page: Page) =>
  page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Kit' }).click();
const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

/** Opens an instrument; every instrument has the same fields, so its name is waited for. */
async function choose(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('button', { name }).click();
  await expect(cell(page, 'Name of the instrument')).toHaveValue(name);
}

async function type(page: Page, name: string, value: string): Promise<void> {
  await cell(page, name).fill(value);
  await cell(page, name).press('Enter');
}

test('an edited instrument stays in a job as it was, until its new version is taken', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const below = (39_000 * 42_000) / 81_000;
  const truth = (24 * below) / (56_001.8 + below);
  const rs = (56_001.8 * below) / (56_001.8 + below);
  await openKit(page);
  await choose(page, /^Old analogue/);
  await type(page, '10 V, Ω for 1 V', '4k');
  await expect(cell(page, '10 V, resistance')).toHaveValue('40\u00a0kΩ');
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible();
  await page.getByRole('link', { name: 'Bench' }).click();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo((truth * 20_000) / (20_000 + rs), 3);
  await page.getByRole('button', { name: 'Update from the kit' }).click();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo((truth * 40_000) / (40_000 + rs), 3);
  expect(faults).toEqual([]);
});

test('a new meter with leads and contacts is offered on the bench, its burden grown by them', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await openKit(page);
  await page.getByRole('button', { name: 'Analogue', exact: true }).click();
  await expect(cell(page, 'Name of the instrument')).toHaveValue('New analogue multimeter');
  await type(page, 'Name of the instrument', 'Gatehouse ammeter');
  await type(page, 'Both leads', '0.3');
  await type(page, 'Both contacts', '0.2');
  await page.getByRole('button', { name: 'Range for DC current' }).click();
  await type(page, '10 mA, full scale', '20mA');
  await type(page, '20 mA, burden', '0.25');
  await expect(cell(page, '20 mA, resistance')).toHaveValue('12.5\u00a0Ω');
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible();
  await openJob(page, server, 'Resistor by voltmeter and ammeter', 'Set-ups');
  await page.getByRole('button', { name: 'A1', exact: true }).click();
  await page.getByRole('button', { name: /Instrument of A1/ }).click();
  await page.getByRole('option', { name: 'Gatehouse ammeter' }).click();
  await expect(page.getByRole('region', { name: 'Meter A1' })).toContainText('13\u00a0Ω');
  expect(faults).toEqual([]);
});

test('copy, archive and restore; a calibration that runs out is reminded of', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await openKit(page);
  const kit = page.getByRole('list', { name: 'Instruments', exact: true });
  await expect(kit.getByRole('button', { name: /^Old analogue.*overdue/ })).toBeVisible();
  await expect(kit.getByRole('button', { name: /^Handheld.*in 15 days/ })).toBeVisible();
  await choose(page, /^Panel ammeter/);
  await page.getByRole('button', { name: 'Copy' }).click();
  await expect(kit.getByRole('button', { name: /75 mV \(copy\)/ })).toBeVisible();
  await page.getByRole('button', { name: 'Archive' }).click();
  await expect(page.getByRole('list', { name: 'Archived instruments' }).getByRole('button')).toHaveCount(1);
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(kit.getByRole('button')).toHaveCount(8);
  await page.getByRole('textbox', { name: 'Calibration interval' }).fill('soon');
  await page.getByRole('textbox', { name: 'Calibration interval' }).press('Enter');
  await expect(page.getByRole('alert')).toContainText('A whole number');
  await page.getByRole('textbox', { name: 'Calibration interval' }).press('Escape');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('the kit out as JSON and CSV, and in again', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await openKit(page);
  const save = async (name: string): Promise<string> => {
    await page.getByRole('button', { name: 'Import/export' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('menuitem', { name }).click();
    return readFileSync(await (await download).path(), 'utf8');
  };
  const json = await save('Export as JSON');
  const csv = await save('Export as CSV');
  await choose(page, /^Panel ammeter/);
  await type(page, 'Asset tag', 'SL-999');
  await expect(page.getByRole('button', { name: /^Panel ammeter.*SL-999/ })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible();
  const give = (name: string, text: string) =>
    page.getByLabel('Kit file to import').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await give('kit.csv', csv);
  await expect(page.getByText(/An instrument of this file differs from the kit's: Panel ammeter/)).toBeVisible();
  await expect(cell(page, 'Asset tag')).toHaveValue('SL-999');
  await page.getByRole('button', { name: 'Replace mine' }).click();
  await expect(page.getByText('1 of 7 instruments of kit.csv')).toBeVisible();
  await expect(cell(page, 'Asset tag')).toHaveValue('');
  await give('kit.kit.json', json.replace('"fullScale": 5,', '"fullscale": 5,'));
  await expect(page.getByText(/fullscale is not a key of this format/)).toBeVisible();
  expect(JSON.parse(await save('Export as JSON'))).toEqual(JSON.parse(json));
  // The question came by a refusal, which the browser notes in its console.
  expect(faults.filter((fault) => !fault.includes('409'))).toEqual([]);
  faults.length = 0;
});

test('an edit made while the server is away is kept and saved when it answers again', async ({ page, server }) => {
  await page.goto(server.address);
  await openKit(page);
  await choose(page, /^Panel ammeter/);
  await server.stop();
  await type(page, 'Asset tag', 'SL-410');
  await expect(page.getByText('Not saved: the server does not answer. Stored in this browser, retrying')).toBeVisible();
  await server.start();
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible({ timeout: 15_000 });
  await page.reload();
  await expect(cell(page, 'Asset tag')).toHaveValue('SL-410');
});
