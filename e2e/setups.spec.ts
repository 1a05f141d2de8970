import { readFileSync } from 'node:fs';
import { expect, openJob, test } from './demo-page.ts';
import { violations } from './axe.ts';

test('a set-up is copied, renamed and compared with the others, and the new name is kept', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await page.getByRole('menuitem', { name: /^Copy of / }).click();
  await expect(page.getByRole('button', { name: 'S-4', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Meters' }).click();
  await page.getByRole('menuitem', { name: 'Rename set-up S-4' }).click();
  const name = page.getByRole('textbox', { name: 'Name of the set-up' });
  await expect(name).toBeFocused();
  await name.fill('S-1');
  await name.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'There is a set-up S-1 already.' })).toBeVisible();
  await name.fill('20k on 50 V');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: '20k-on-50-V', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect(page).toHaveURL(/setups\/20k-on-50-V$/);
  await page.getByRole('region', { name: 'Meter V1' }).getByRole('radio', { name: '50 V', exact: true }).click();

  await page.getByRole('tab', { name: 'Compare' }).click();
  const table = page.getByRole('table', { name: 'Set-ups' });
  const rowOf = (setup: string) => table.getByRole('row').filter({ hasText: setup });
  await expect(rowOf('20k-on-50-V')).toContainText(/, 50 V.*V.*−\d.*%.*V ±/);
  await expect(rowOf('S-1')).toContainText(/V ±/);
  expect(await violations(page)).toEqual([]);
  await table.getByRole('button', { name: /^S-1/ }).click();
  await expect(page.getByRole('button', { name: 'S-1', exact: true })).toHaveAttribute('aria-pressed', 'true');
  expect(faults).toEqual([]);
});

test('over range the meter shows no number, and the value at its terminals has a name of its own', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('region', { name: 'Meter V1' }).getByRole('radio', { name: '2.5 V', exact: true }).click();
  await expect(page.getByTestId('display')).toHaveText(/^display /);
  await page.getByRole('button', { name: /^Red lead/ }).click();
  await page.getByRole('option', { name: 'A', exact: true }).click();
  await expect(page.getByTestId('indicated')).toHaveText('over range');
  await expect(page.getByTestId('display')).toContainText(/at the terminals 2\d\.\d+\sV/);
});

test('the export has the meters, their figures and leads; the ranges are saved as a table', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const save = async (act: () => Promise<void>): Promise<string> => {
    const download = page.waitForEvent('download');
    await act();
    return readFileSync(await (await download).path(), 'utf8');
  };
  await expect(page.getByTestId('indicated')).toContainText(/\d/);
  const svg = await save(async () => {
    await page.getByRole('button', { name: 'Export the drawing' }).click();
    await page.getByRole('menuitem', { name: 'Export as SVG' }).click();
  });
  expect(svg).toMatch(/>V1<.*>\d+\.\d+\sV<.*>\+<.*>−<.*/s);
  expect(svg).toMatch(/>−\d.*\sV</);
  const csv = await save(() => page.getByRole('button', { name: 'CSV', exact: true }).click());
  expect(csv.split('\r\n')[0]).toMatch(/^instrument,range,.*display.*U of the corrected value/);
  expect(csv).toMatch(/"Old analogue multimeter, 2 kΩ\/V",10 V,20000,3\.65\d+,3\.64 V,,-0\.426/);
});
