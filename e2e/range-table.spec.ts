import { expect, figure, openJob, test } from './demo-page.ts';

const below = (39_000 * 42_000) / 81_000;
const truth = (24 * below) / (56_001.8 + below);
const rs = (56_001.8 * below) / (56_001.8 + below);

test('with only a 2 kΩ/V meter: which range, what it will show, the corrected value with its uncertainty, on one screen', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const ranges = page.getByRole('region', { name: 'Ranges for V1' });
  const row = (name: string) => ranges.getByRole('row', { name: new RegExp(`^${name} `) });
  await expect(row('50 V')).toContainText('best without correction');
  await expect(row('2.5 V')).toContainText('best with correction');
  await expect(row('10 V')).toContainText(`−${((100 * rs) / (rs + 20_000)).toFixed(1)}\u00a0%`);
  // All of it in sight at once: the choice, what it shows, and the corrected value with its uncertainty.
  const face = page.getByTestId('face-corrected');
  await expect(face).toContainText(`corrected to no meter connected ${truth.toFixed(2)}\u00a0V ±`);
  for (const seen of [row('2.5 V'), row('250 V'), face, page.getByTestId('indicated')])
    await expect(seen).toBeInViewport({ ratio: 0.9 });
  await expect(ranges).toContainText('Best uncorrected: 50 V');
  await row('50 V').click();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo((truth * 100_000) / (100_000 + rs), 3);

  await page.getByRole('tab', { name: 'Correct' }).click();
  const read = page.getByRole('textbox', { name: 'Reading', exact: true });
  await read.fill('5.4');
  await read.press('Enter');
  await expect(page.getByTestId('corrected')).toContainText(`${(5.4 * (1 + rs / 100_000)).toFixed(1)}\u00a0V ±`);
  await page.getByRole('tab', { name: 'Required resistance' }).click();
  await expect(page.getByRole('tabpanel', { name: 'Required resistance' })).toContainText('at least 1.47\u00a0MΩ');
  await expect(page.getByRole('img', { name: /Loading error over/ }).locator('.recharts-line')).toHaveCount(1);

  await page.getByRole('tab', { name: 'Ranges' }).click();
  await page.getByRole('checkbox', { name: 'whole kit' }).check();
  await ranges.getByRole('button', { name: '20 V' }).first().press('Enter');
  await expect(page.getByRole('button', { name: /Instrument of V1/ })).toContainText('Handheld digital multimeter');
  expect(faults).toEqual([]);
});

test('the loading map says where this meter loads most, and moves it there', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Loading map' }).click();
  const map = page.getByRole('region', { name: 'Loading map' });
  await expect(map.getByRole('row')).toHaveCount(7);
  const b = 1 / (1 / 56_001.8 + 1 / 39_000);
  const c = 1 / (1 / 27_000 + 1 / (15_000 + b));
  await expect(map.getByRole('row').nth(2)).toContainText(`−${((100 * c) / (c + 20_000)).toFixed(1)}\u00a0%`);
  await map.getByRole('button', { name: 'True' }).click();
  await expect(map.getByRole('row').nth(1)).toContainText('24.00\u00a0V');
  await map.getByRole('row').filter({ hasText: '4.093' }).getByRole('button', { name: 'move here' }).click();
  await expect(page.getByRole('slider', { name: 'V1, red lead' })).toHaveAttribute('aria-valuetext', 'on node C');
  expect(faults).toEqual([]);
});

test('source resistance not known: two readings give the true value, with its uncertainty', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Correct' }).click();
  await page.getByText('Source resistance not known').click();
  const reading = (n: number) => page.getByRole('textbox', { name: `Reading ${n}` });
  await reading(1).fill('3.65');
  await reading(1).press('Tab');
  await reading(2).fill('5.54');
  await reading(2).press('Enter');
  const value = 1 / (1 / 5.54 - (1 / 3.65 - 1 / 5.54) / 4);
  await expect(page.getByTestId('from-ranges')).toContainText(`${value.toFixed(1)}\u00a0V ±`);
  // What was typed stays while the meter is set to another range.
  await page.getByRole('radio', { name: '250 V', exact: true }).click();
  await expect(reading(1)).toHaveValue('3.65\u00a0V');
  await expect(page.getByTestId('from-ranges')).toContainText(`${value.toFixed(1)}\u00a0V ±`);
  await page.getByText('Source resistance not known').click();
  await expect(reading(1)).toBeHidden();
  await page.getByText('Source resistance not known').click();
  await expect(reading(1)).toHaveValue('3.65\u00a0V');
  const readOnIt = page.getByRole('textbox', { name: 'Reading', exact: true });
  await readOnIt.fill('6.1');
  await readOnIt.press('Enter');
  await page.getByRole('radio', { name: '50 V', exact: true }).click();
  await expect(readOnIt).toHaveValue(/^5\.54/);
  await page.getByRole('radio', { name: '250 V', exact: true }).click();
  await expect(readOnIt).toHaveValue('6.100\u00a0V');
  await reading(2).fill('3.0');
  await reading(2).press('Enter');
  await expect(page.getByRole('alert')).toContainText('No source resistance explains these readings');
  expect(faults).toEqual([]);
});

test('several meters are compared together and one at a time, with the order to read them in', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'S-3', exact: true }).click();
  await page.getByRole('tab', { name: 'Together or apart' }).click();
  const compared = page.getByRole('region', { name: 'Together or apart' });
  await expect(compared.getByRole('row')).toHaveCount(3);
  await expect(compared).toContainText('Read A1 with the others disconnected');
});

test('the branch currents of the beacon panel do not add up to the trunk as read, by how much, and burden explains it', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder', 'Set-ups');
  await page.getByRole('button', { name: 'beacon', exact: true }).click();
  await page.getByRole('tab', { name: 'Sums' }).click();
  const sums = page.getByRole('region', { name: 'Indicated sums' });
  await expect(sums).toContainText('R1 416.1\u00a0mA − L1 299.3\u00a0mA − L2 120.3\u00a0mA');
  await expect(sums).toContainText('Insertion (burden voltage) explains the whole difference');
  expect(faults).toEqual([]);
});

test('a resistor from voltmeter and ammeter: apparent, corrected, and which way is better', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Resistor by voltmeter', 'Set-ups');
  await page.getByRole('tab', { name: 'R from V and I' }).click();
  const found = page.getByRole('region', { name: 'Resistance by voltmeter and ammeter' });
  // 680 Ω beside 20 kΩ is 657.6 Ω; with 10 Ω before it 690 Ω. They cross near √(10 × 20 000) = 447 Ω.
  await expect(found).toContainText('= 657.6\u00a0Ω, corrected 680\u00a0Ω');
  await expect(found).toContainText('voltmeter across part and ammeter ★');
  await page.getByRole('button', { name: 'across-both', exact: true }).click();
  await expect(found).toContainText('= 690\u00a0Ω, corrected 680\u00a0Ω');
  await expect(found).toContainText('voltmeter across part and ammeter ★');
});
