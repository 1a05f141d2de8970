import { violations } from './axe.ts';
import { expect, openJob, test } from './demo-page.ts';

test('the budget of a corrected display in Set-ups: the largest input, its share, and what would reduce it', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'Uncertainty budget of V1' }).first().click();
  const budget = page.getByRole('table', { name: 'Uncertainty budget' });
  await expect(budget.getByRole('row').nth(1)).toContainText('accuracy of the meter');
  await expect(
    page.getByText(/^Most of it is the accuracy of the meter: a meter with half these limits/),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /^Shares: accuracy of the meter/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(budget).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('the budget of a reading from the log, by key', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page
    .getByRole('button', { name: /^Uncertainty budget of M\d/ })
    .first()
    .focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('table', { name: 'Uncertainty budget' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('a source resistance that is hardly known: the sampled interval in place of the linear form', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/correct`);
  const type = async (label: string, text: string): Promise<void> => {
    await page.getByRole('textbox', { name: label, exact: true }).fill(text);
    await page.getByRole('textbox', { name: label, exact: true }).press('Enter');
  };
  await page.getByText('current, in series').click();
  await type('Read', '40mA');
  await type('Source resistance', '20');
  await type('known to ±', '60%');
  await page.getByRole('button', { name: 'Uncertainty budget of the corrected value' }).click();
  await expect(page.getByText('off by more than a tenth')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});
