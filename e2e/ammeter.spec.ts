import { allIsFetched, expect, figure, openJob, saved, test } from './demo-page.ts';
import { axe } from './workshop.ts';

/** Current into the arm of R3 and R4, with so many ohms in series with it. */
function upperFloat(ohms: number): number {
  const arm = 42_000 + ohms;
  const below = 1 / (1 / 39_000 + 1 / arm);
  return (24 * below) / (56_001.8 + below) / arm;
}

test('put an ammeter into a break, choose the lifted ends, read, reload, restart: all is still there', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await page.getByRole('menuitem', { name: 'Ammeter into a break' }).click();
  const meter = page.getByRole('region', { name: 'Meter A1' });
  // Its leads were placed so that it reads the supply's current as positive: into the break at E1.
  await expect.poll(() => figure(page, 'indicated')).toBeGreaterThan(0);
  await meter.getByRole('button', { name: 'Swap leads' }).click();
  await meter.getByRole('radio', { name: '500 µA', exact: true }).click();
  await meter.getByRole('button', { name: /Break at/ }).click();
  await page.getByRole('option', { name: 'B' }).click();
  await page.getByRole('checkbox', { name: 'Lift R3 off B' }).click();
  await page.getByRole('checkbox', { name: 'Lift R1 off B' }).focus();
  await page.keyboard.press('Enter');

  await expect.poll(() => figure(page, 'true')).toBeCloseTo(upperFloat(0), 7);
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(upperFloat(500), 7);
  await expect.poll(() => figure(page, 'error')).toBeCloseTo(100 * (upperFloat(500) / upperFloat(0) - 1), 2);
  await expect(meter.getByRole('checkbox', { name: 'R3' })).toBeChecked();
  await expect(meter.getByText('fuse 500\u00a0mA')).toBeVisible();

  await meter.getByRole('checkbox', { name: 'R2' }).check();
  const both = 24 / (56_001.8 + 1 / (1 / 39_000 + 1 / 42_000));
  await expect.poll(() => figure(page, 'true')).toBeCloseTo(both, 7);
  await page.keyboard.press('Control+z');
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(upperFloat(500), 7);

  await saved(page);
  await allIsFetched(page);
  await server.stop('SIGKILL');
  await server.start();
  await page.reload();
  await expect(page.getByTestId('indicated')).toBeVisible();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(upperFloat(500), 7);
  expect(faults).toEqual([]);
});

test('several meters in one set-up move each other, and the formula says so', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'S-3', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Meter V1' })).toContainText('change the true 6.367');
  await page.getByRole('button', { name: 'A1', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Meter A1' })).toContainText('meter resistance 500');
});

test('a current loop beyond its compliance is a caution, and only with the old meter in', async ({ page, server }) => {
  await openJob(page, server, 'Level loop', 'Set-ups');
  await expect(page.getByTestId('formula')).toContainText('A current source drives this line');
  await expect(page.getByRole('note')).toHaveCount(0);
  await page.getByRole('button', { name: 'old', exact: true }).click();
  await expect(page.getByRole('note')).toContainText('compliance ends at 22');
});

test('the break shows which ends go through the meter, and the voltmeter is connected the other way by name', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Resistor by voltmeter and ammeter', 'Set-ups');
  await page.getByText('A1', { exact: true }).last().click();
  const wires = page.getByRole('group', { name: 'Wires that go through the meter' });
  await expect(wires.getByRole('checkbox', { name: 'W1' })).toBeChecked();
  await expect(wires.getByRole('checkbox', { name: 'E1' })).not.toBeChecked();
  await wires.getByText('E1').click();
  await expect(wires.getByRole('checkbox', { name: 'E1' })).toBeChecked();
  await wires.getByRole('checkbox', { name: 'E1' }).press('Space');
  await expect(wires.getByRole('checkbox', { name: 'E1' })).not.toBeChecked();

  await page.getByRole('tab', { name: 'R from V and I' }).click();
  const found = page.getByRole('region', { name: 'Resistance by voltmeter and ammeter' });
  await expect(found).toContainText('657.6 Ω, corrected 680 Ω');
  await found.getByRole('button', { name: 'Connect the voltmeter across part and ammeter' }).click();
  await expect(found).toContainText('690 Ω, corrected 680 Ω');
  await axe(page);
  await found.getByRole('button', { name: 'Connect the voltmeter across the part alone' }).click();
  await expect(found).toContainText('657.6 Ω, corrected 680 Ω');
  expect(faults).toEqual([]);
});
