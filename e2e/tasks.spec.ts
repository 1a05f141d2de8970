import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { Actions } from './actions.ts';
import { expect, openJob, saved, test } from './demo-page.ts';

const menuItem = (page: Page, actions: Actions, name: string | RegExp): Promise<void> =>
  actions.click(page.getByRole('menuitem', { name }));

const step = (page: Page, name: string): Locator =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name });

test('a new job and the loading error of a meter in it: at most five actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('button', { name: 'New job', exact: true }));
  await actions.type(page.getByRole('textbox', { name: 'Type the network' }), 'E1 24V/1R8: R1 56k + R2 39k');
  await actions.click(step(page, 'Set-ups'));
  await actions.click(page.getByRole('button', { name: 'Voltmeter across two nodes' }));
  await expect(page.getByTestId('error')).toContainText('%');
  await expect(page.getByTestId('face-corrected')).toContainText('±');
  expect(actions.count).toBeLessThanOrEqual(5);
  // The job begins today.
  await saved(page);
  await page.getByRole('button', { name: /^Job details/ }).click();
  await expect(page.getByRole('textbox', { name: 'Date' })).toHaveValue(/^20\d\d-\d\d-\d\d$/);
  expect(faults).toEqual([]);
});

test('a corrected value without a network: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Correct' }));
  await actions.type(page.getByRole('textbox', { name: 'Read', exact: true }), '3.64');
  await actions.type(page.getByRole('textbox', { name: 'Source resistance' }), '14.86k');
  await expect(page.getByTestId('corrected')).toContainText('±');
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test('a plan with exchanged digits is explained and the reading taken again: at most six actions', async ({
  page,
  server,
  faults,
}) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(step(page, 'Readings'));
  await actions.click(page.getByRole('tab', { name: 'Diagnosis' }));
  const card = page.getByRole('region', { name: 'Explanation', exact: true });
  await actions.click(card.getByRole('button', { name: 'Accept into the record' }));
  await actions.click(card.getByRole('button', { name: 'Strike M8 out and read it again' }));
  await actions.type(page.getByRole('region', { name: 'Reading without the plan' }).getByRole('textbox'), '4.07');
  await expect(page.getByRole('tab', { name: 'Log (10)' })).toBeVisible();
  expect(actions.count).toBeLessThanOrEqual(6);
  await saved(page);
  expect(faults).toEqual([]);
});

test('two set-ups side by side: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(step(page, 'Set-ups'));
  await actions.click(page.getByRole('tab', { name: 'Compare' }));
  await expect(page.getByRole('table', { name: 'Set-ups' }).getByRole('row')).toHaveCount(5);
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test('a record is signed: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await openJob(page, server, 'Beacon and sounder panel', 'Report');
  await actions.type(
    page.getByRole('form', { name: 'Sign' }).getByRole('textbox', { name: 'Your name' }),
    'late shift',
  );
  await expect(page.getByText('Signed by late shift', { exact: true })).toBeVisible();
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test('a meter from a data sheet is in the kit and offered in a job: at most ten actions', async ({
  page,
  server,
  faults,
}) => {
  const actions = new Actions();
  const cell = (name: string): Locator => page.getByRole('textbox', { name, exact: true });
  await page.goto(server.address);
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Kit' }));
  await actions.click(page.getByRole('button', { name: 'Analogue', exact: true }));
  // Nobody types before the new one is there; on a slow machine it takes longer than this test's next key.
  await expect(cell('Name of the instrument')).toHaveValue('New analogue multimeter');
  await actions.type(cell('Name of the instrument'), 'Gatehouse voltmeter');
  await actions.click(page.getByRole('button', { name: 'Range for DC volts' }));
  await actions.type(cell('10 V, Ω for 1 V'), '5k');
  await expect(cell('10 V, resistance')).toHaveValue('50\u00a0kΩ');
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible();
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Jobs' }));
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(page.getByRole('button', { name: /Instrument of V1/ }));
  await actions.click(page.getByRole('option', { name: 'Gatehouse voltmeter' }));
  await expect(page.getByRole('region', { name: 'Meter V1' })).toContainText('50\u00a0kΩ');
  expect(actions.count).toBeLessThanOrEqual(10);
  expect(faults).toEqual([]);
});

test('a universal shunt is made and used in a job: at most twelve actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  const field = (name: string): Locator => page.getByRole('textbox', { name, exact: true });
  await page.goto(server.address);
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Workshop' }));
  await actions.click(page.getByRole('button', { name: 'Design', exact: true }));
  await actions.click(page.getByRole('button', { name: 'make it an ammeter instead' }));
  await actions.type(field('Name of the meter'), 'Sump pump ammeter');
  await actions.type(field('Full-scale current'), '500u');
  await actions.type(field('Coil resistance'), '200');
  await actions.type(field('Current range 1'), '500mA');
  await actions.click(page.getByRole('button', { name: 'Add to the kit' }));
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Jobs' }));
  await actions.click(page.getByRole('link', { name: /^Beacon and sounder panel/ }));
  await actions.click(page.getByRole('button', { name: /Instrument of A1/ }));
  await actions.click(page.getByRole('option', { name: 'Sump pump ammeter' }));
  await expect(page.getByTestId('formula')).toContainText('meter resistance');
  expect(actions.count).toBeLessThanOrEqual(12);
  expect(faults).toEqual([]);
});

test('what a fault of a part would show is tried: at most five actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(page.getByRole('tab', { name: 'Fault', exact: true }));
  await actions.click(page.getByRole('button', { name: /^Fault of R1/ }));
  await actions.click(page.getByRole('option', { name: 'wrong decade, × 10', exact: true }));
  await expect(page.getByRole('note').filter({ hasText: 'Fault tried' })).toContainText('Without it V1 would indicate');
  expect(actions.count).toBeLessThanOrEqual(5);
  expect(faults).toEqual([]);
});

test('readings come from a table of another instrument: at most three actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await openJob(page, server, 'Float-level divider', 'Readings');
  await expect(page.getByRole('tab', { name: 'Log (9)' })).toBeVisible();
  const [log] = await Promise.all([
    page.waitForEvent('download'),
    actions
      .click(page.getByRole('button', { name: 'CSV', exact: true }))
      .then(() => menuItem(page, actions, /^Export/)),
  ]);
  // Under other names: those that are there already are refused.
  const another = readFileSync(await log.path(), 'utf8').replace(/^M/gm, 'X');
  await page
    .getByLabel('Readings to import')
    .setInputFiles({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from(another) });
  actions.count += 1;
  await expect(page.getByRole('tab', { name: 'Log (18)' })).toBeVisible();
  expect(actions.count).toBeLessThanOrEqual(3);
  await saved(page);
  expect(faults).toEqual([]);
});

test('everything is backed up: at most three actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('button', { name: 'Import, export' }));
  await menuItem(page, actions, 'Backup and restore');
  const file = page.waitForEvent('download');
  await actions.click(page.getByRole('button', { name: 'Back up everything' }));
  expect((await file).suggestedFilename()).toMatch(/\.backup$/);
  expect(actions.count).toBeLessThanOrEqual(3);
  expect(faults).toEqual([]);
});

test('the resistance of a part by voltmeter and ammeter, both ways: at most four actions', async ({
  page,
  server,
  faults,
}) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Resistor by voltmeter/ }));
  await actions.click(page.getByRole('tab', { name: 'R from V and I' }));
  const found = page.getByRole('region', { name: 'Resistance by voltmeter and ammeter' });
  await expect(found).toContainText('corrected 680');
  await actions.click(found.getByRole('button', { name: 'Connect the voltmeter across part and ammeter' }));
  await expect(found).toContainText('690');
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a reading is taken in at most four actions, and every digit of the display can be seen', async ({
    page,
    server,
    faults,
  }) => {
    const actions = new Actions();
    await page.goto(server.address);
    await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
    await actions.click(step(page, 'Readings'));
    const large = page.getByRole('dialog', { name: 'Large view' });
    const field = large.getByRole('textbox');
    for (const text of ['27.1', '199.95', '-1999.95', '-123456.789']) {
      await field.fill(text);
      const [whole, seen] = await field.evaluate((input) => [input.scrollWidth, input.clientWidth]);
      expect(whole, text).toBeLessThanOrEqual(seen);
    }
    await actions.type(field, '27.1');
    await expect(large.getByRole('status').first()).toContainText('27.1');
    expect(actions.count).toBeLessThanOrEqual(4);
    await saved(page);
    expect(faults).toEqual([]);
  });
});
