import { violations } from './axe.ts';
import { expect, figure, openJob, test } from './demo-page.ts';
import type { Page } from '@playwright/test';

async function connect(page: Page, how: string): Promise<void> {
  await page.getByRole('tab', { name: 'Wrong connection' }).click();
  await page.getByRole('radio', { name: how }).click();
}

test('a wrong connection of a voltmeter is tried: what it indicates, what it does, and the way out', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const before = await figure(page, 'indicated');
  const meter = page.getByRole('region', { name: 'Meter V1' });

  await connect(page, 'both leads on one point');
  await expect.poll(() => figure(page, 'indicated')).toBe(0);
  await expect(meter.getByRole('note')).toContainText('both leads are on B');
  await expect(page.getByRole('slider', { name: 'V1, black lead' })).toHaveAttribute('aria-valuetext', 'on node B');

  await connect(page, 'one lead in no circuit');
  await expect(meter.getByTestId('indicated')).toHaveText('no circuit between the leads');
  await expect(meter.getByRole('note')).toContainText('no proof that the circuit is dead');
  await expect(page.getByRole('slider', { name: 'V1, red lead' })).toHaveCount(0);

  await connect(page, 'leads swapped');
  await expect(meter.getByTestId('indicated')).toHaveText('reversed');
  await expect(meter.getByTestId('display')).toContainText(`at the terminals −${before.toFixed(3)}`);
  await expect(meter.getByRole('note')).toContainText('driven against its stop');

  // The 0.5 A range of the old meter has 1 Ω, so 24 V behind 56 kΩ give their 429 µA: the fuse holds.
  await connect(page, 'red lead still in the current jack');
  await expect(meter.getByRole('note')).toContainText('429\u00a0µA run through it: its fuse of 1\u00a0A holds');
  await expect.poll(() => figure(page, 'indicated')).toBe(0);
  expect(await violations(page)).toEqual([]);

  await connect(page, 'correct connection');
  await expect.poll(() => figure(page, 'indicated')).toBe(before);
  expect(faults).toEqual([]);
});

test('an ammeter across the battery blows its fuse, and the others see the circuit whole again', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder panel', 'Set-ups');
  await page.getByRole('button', { name: /^Break at/ }).click();
  await page.getByRole('option', { name: 'A' }).click();
  await expect(page.getByRole('checkbox', { name: 'E1', exact: true })).toBeChecked();
  await connect(page, 'across the part instead of in series');
  const meter = page.getByRole('region', { name: 'Meter A1' });
  await expect(meter.getByRole('note')).toContainText('its fuse of 630\u00a0mA blows');
  await expect(meter.getByRole('note')).toContainText('never goes across a supply');
  await expect(meter.getByTestId('indicated')).toHaveText('fuse blown');
  // Moving the meter takes the wrong connection off: the job has kept the right one.
  await page.getByRole('checkbox', { name: 'S1', exact: true }).check();
  await expect(page.getByRole('radio', { name: 'correct connection' })).toBeChecked();
  expect(faults).toEqual([]);
});

test('the jack to begin in, and the display of the bench supply as what it is', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'True values');
  await page.getByRole('tab', { name: 'Supplies' }).click();
  await expect(page.getByRole('region', { name: 'Display of E1' })).toContainText('24.0 V · 0.00 A');
  await expect(page.getByRole('region', { name: 'Display of E1' })).toContainText('Set the supply by the meter');
  await openJob(page, server, 'Beacon and sounder panel', 'Set-ups');
  await expect(page.getByRole('region', { name: 'Meter A1' })).toContainText(
    'Start with jack 10 A, range 10 A; then jack mA, range 500 mA',
  );
  expect(faults).toEqual([]);
});

test('an ohmmeter in circuit reads what lies beside the part, with the supply on nothing that means anything', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Ohmmeter' }).click();
  const table = page.getByRole('table', { name: 'Ohmmeter readings at R4' });
  const rest = 15_000 + 1 / (1 / 39_000 + 1 / 56_001.8);
  const seen = 1 / (1 / 27_000 + 1 / rest);
  await expect(table.getByRole('row', { name: /^out of circuit/ })).toContainText('27.0\u00a0kΩ');
  await expect(table.getByRole('row', { name: /supply off/ })).toContainText(`${(seen / 1000).toFixed(1)}\u00a0kΩ`);
  await expect(table.getByRole('row', { name: /supply on/ })).toContainText('OL');
  await expect(page.getByRole('note').filter({ hasText: 'proved dead' })).toContainText('4.09\u00a0V across R4');
  expect(faults).toEqual([]);
});
