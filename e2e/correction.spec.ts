import { violations } from './axe.ts';
import { expect, test } from './demo-page.ts';
import type { Page } from '@playwright/test';

async function type(page: Page, name: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(value);
  await field.press('Tab');
}

async function choose(page: Page, button: RegExp, option: string): Promise<void> {
  await page.getByRole('button', { name: button }).click();
  await page.getByRole('option', { name: option, exact: true }).click();
}

test('a reading is corrected without a network: source known, two ranges, and a known resistor', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Correct' }).click();
  await choose(page, /^Instrument/, 'Old analogue multimeter, 2 kΩ/V');
  await choose(page, /^Range(?! of)/, '10 V');
  await type(page, 'Read', '3.64');
  await type(page, 'Source resistance', '14.86k');
  await expect(page.getByTestId('corrected')).toContainText(`${(3.64 * (1 + 14.86 / 20)).toFixed(2)}\u00a0V ±`);

  // 20 V behind 10 kΩ: 20 kΩ show 2/3 of it on 10 V, and with 20 kΩ across them half.
  await choose(page, /^Range of reading 2/, '10 V');
  await choose(page, /^At the meter for reading 2/, '+ R across');
  await type(page, 'Known resistor of reading 2', '20k');
  await type(page, 'Reading 1', String(8 * (2 / 3)));
  await type(page, 'Reading 2', '4');
  await expect(page.getByTestId('from-ranges')).toContainText(/8\.0+\sV ±/);
  await expect(page.getByText(/source resistance 10(\.0+)?\skΩ ±/)).toBeVisible();

  await page.getByRole('button', { name: 'Uncertainty budget of the corrected value' }).last().click();
  const budget = page.getByRole('dialog', { name: 'Uncertainty budget of the corrected value' });
  await expect(budget).toContainText(/Most of it is the reading on 10 V( with 20 kΩ)?: a meter with half these limits/);
  await expect(budget.getByRole('row', { name: /resistance of the meter on 10 V with 20 kΩ/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});
