import type { Reading } from '@usual-drag/core/readings';
import { violations } from './axe.ts';
import { expect, figure, openJob, stored, test } from './demo-page.ts';

test('a fault is tried in Set-ups: drawing and meter follow, the job stays as it is', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const before = await figure(page, 'indicated');
  await page.getByRole('tab', { name: 'Fault', exact: true }).click();
  await page.getByRole('button', { name: /^Fault of R1/ }).click();
  await page.getByRole('option', { name: 'wrong decade, × 10', exact: true }).click();
  const bar = page.getByRole('note').filter({ hasText: 'Fault tried' });
  await expect(bar).toContainText('R1 has 10 times its nominal resistance');
  await expect(bar).toContainText('Without it V1 would indicate 3.653\u00a0V');
  await expect.poll(() => figure(page, 'indicated')).toBeLessThan(before / 5);
  await expect(page.getByRole('group', { name: 'Drawing of the network' })).toContainText('560\u00a0kΩ');
  expect(await violations(page)).toEqual([]);
  // Another step shows the sound circuit’s network; true values have the fault as well.
  await page.getByRole('link', { name: 'True values' }).click();
  await expect(bar).toBeVisible();
  await bar.getByRole('button', { name: 'Remove fault' }).click();
  await expect(bar).toHaveCount(0);
  await page.getByRole('link', { name: 'Set-ups' }).click();
  await expect.poll(() => figure(page, 'indicated')).toBe(before);
  expect((await stored(server, 'Float-level divider')).document.network.elements[1]).toMatchObject({
    resistance: 56_000,
  });
  expect(faults).toEqual([]);
});

test('the four voltage readings that mislead, each with the check that exposes it', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Wrong connection' }).click();
  const mislead = page.getByRole('tabpanel', { name: 'Wrong connection' });
  const take = (name: string) => mislead.getByRole('radio', { name }).click();
  await take('both leads on one point');
  await expect.poll(() => figure(page, 'indicated')).toBe(0);
  await expect(mislead).toContainText('Move one lead to another point');
  await take('one lead in no circuit');
  await expect(page.getByRole('region', { name: 'Meter V1' }).getByTestId('indicated')).toHaveText(
    'no circuit between the leads',
  );
  await expect(mislead).toContainText('Prove the meter on a known source');
  await take('across a part in an open circuit');
  await expect.poll(() => figure(page, 'indicated')).toBe(0);
  await expect(mislead).toContainText('R1 is open, so nothing flows');
  await take('across the opening itself');
  await expect(mislead).toContainText('all that drives it');
  await expect.poll(() => figure(page, 'indicated')).toBeGreaterThan(4);
  await take('correct connection');
  await expect(page.getByRole('note').filter({ hasText: 'Fault tried' })).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('a lamp by its curve: chosen beside its values, typed in the line, worked with by its tangent', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder', 'Network');
  await page.getByRole('button', { name: /^L1/ }).locator('text').first().click();
  await page.getByRole('tab', { name: 'All about L1' }).click();
  await page.getByRole('button', { name: 'resistance', exact: true }).click();
  const line = page.getByRole('textbox', { name: 'Type the network' });
  await expect(line).not.toHaveValue(/\^0\.55/);
  await page.getByRole('button', { name: 'filament lamp' }).click();
  await expect(line).toHaveValue(/L1 12V 300mA \^0\.55/);
  const exponent = page.getByRole('textbox', { name: 'Exponent' });
  await exponent.fill('2');
  await exponent.press('Enter');
  await expect(page.getByText('Exponent must be above 0.05 and at most 1.')).toBeVisible();
  await exponent.fill('0.5');
  await exponent.press('Enter');
  await expect(line).toHaveValue(/\^0\.5 /);
  await page.getByRole('link', { name: 'True values' }).click();
  await page
    .getByRole('link', { name: 'Working' })
    .or(page.getByRole('tab', { name: 'Working' }))
    .first()
    .click();
  await expect(page.getByRole('note').filter({ hasText: 'are not ohmic' })).toContainText('L1: V =');
  await page
    .getByRole('link', { name: 'Superposition' })
    .or(page.getByRole('tab', { name: 'Superposition' }))
    .first()
    .click();
  await expect(page.getByRole('columnheader', { name: 'by L1 alone' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('where no single fault explains the readings two are looked for, with progress', async ({
  page,
  server,
  faults,
}) => {
  const { document } = await stored(server, 'Float-level divider');
  const volts = (id: string, red: string, black: string, shown: string, unit = 'V'): Reading => ({
    id,
    quantity: 'dc-voltage',
    instrument: 'digital-2000',
    range: '20 V',
    red,
    black,
    observations: [{ shown, unit }],
  });
  // R1 of another decade, 560 kΩ, and M3 in the wrong unit.
  const readings = [
    volts('M1', 'A', '0', '24.0'),
    volts('M2', 'B', '0', '0.83'),
    volts('M3', 'C', '0', '0.53', 'kV'),
    volts('M4', 'B', 'C', '0.30'),
  ];
  await server.ask('POST', '/jobs', { document: { ...document, title: 'Two at once', readings } });
  await openJob(page, server, 'Two at once', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await page.getByRole('button', { name: 'Look for two faults at once' }).click();
  const pairs = page.getByRole('list', { name: 'Two faults at once, best first' });
  await expect(pairs.getByRole('listitem').filter({ hasText: 'M3' }).filter({ hasText: 'R1' }).first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});
