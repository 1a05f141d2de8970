import { violations } from './axe.ts';
import { expect, openJob, stored, test } from './demo-page.ts';

test('readings of a whole plan are pasted: each at its step, what belongs to none listed with the reason', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  const before = (await stored(server, 'Float-level')).document.readings!;
  await page.getByRole('button', { name: 'CSV' }).click();
  await page.getByRole('menuitem', { name: 'Readings of the whole plan …' }).click();
  const list = page.getByRole('region', { name: 'Readings of the whole plan' });
  await list.getByRole('textbox').fill('B to C\t2.27 V\nR4\t27.1 kΩ\nB to X\t1 V\nnothing');
  await expect(list.getByRole('list', { name: 'Rows at their steps' }).getByRole('listitem')).toHaveText([
    'Voltage B to C2.27 V',
    'Resistance of R427.1 kΩ',
  ]);
  await expect(list.getByRole('alert').getByRole('listitem')).toHaveText([
    'Row 3, B to X 1 V: The circuit has no node and no part X.',
    'Row 4, nothing: No value at the end of the row. Write the display last, for example 6.33 V.',
  ]);
  expect(await violations(page)).toEqual([]);
  await list.getByRole('button', { name: 'Keep 2 readings' }).click();
  await expect
    .poll(async () => (await stored(server, 'Float-level')).document.readings!.length)
    .toBe(before.length + 2);
  // What does not match stays to be mended.
  await expect(list.getByRole('textbox')).toHaveValue('B to X 1 V\nnothing');
  expect((await stored(server, 'Float-level')).document.readings!.slice(-2)).toMatchObject([
    { quantity: 'dc-voltage', red: 'B', black: 'C', observations: [{ shown: '2.27', unit: 'V' }] },
    { quantity: 'resistance', element: 'R4', observations: [{ shown: '27.1', unit: 'kΩ' }] },
  ]);
  await list.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('region', { name: 'Open step' })).toBeVisible();
  expect(faults).toEqual([]);
});
