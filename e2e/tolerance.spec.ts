import { violations } from './axe.ts';
import { expect, openJob, test } from './demo-page.ts';

/** Returns the indication of 20 kΩ at B, by hand. */
function indicated(r1: number, r2: number, r3: number, r4: number): number {
  const lower = 1 / (1 / r2 + 1 / (r3 + r4) + 1 / 20_000);
  return (24 * lower) / (1.8 + r1 + lower);
}

test('worst cases, spread and what contributes most, of an indication and of a true value', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Tolerance' }).click();
  const figures = page.getByRole('table', { name: 'Tolerance in figures' });
  const low = indicated(56_000 * 1.01, 39_000 * 0.95, 15_000 * 0.95, 27_000 * 0.95);
  const high = indicated(56_000 * 0.99, 39_000 * 1.05, 15_000 * 1.05, 27_000 * 1.05);
  await expect(figures.getByRole('row', { name: /^minimum/ })).toContainText(`${low.toFixed(3)}\u00a0V`);
  await expect(figures.getByRole('row', { name: /^maximum/ })).toContainText(`${high.toFixed(3)}\u00a0V`);
  const first = page.getByRole('list', { name: 'Contribution of each part' }).getByRole('listitem').first();
  await expect(first).toContainText('R2');
  await expect(page.getByRole('img', { name: /Histogram of the samples/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'True values' }).click();
  await page.getByRole('tab', { name: 'Tolerance' }).click();
  await expect(page.getByRole('button', { name: /Tolerance of/ })).toContainText('V across R4');
  await expect(figures.getByRole('row', { name: /^nominal/ })).toContainText('4.093\u00a0V');
  expect(faults).toEqual([]);
});

test('a lead is moved while the samples run, and the run can be stopped', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('tab', { name: 'Tolerance' }).click();
  const draws = page.getByRole('textbox', { name: 'Samples' });
  await draws.fill('10000000');
  await draws.press('Enter');
  const progress = page.getByRole('progressbar', { name: 'Sampling' });
  await expect(progress).toBeVisible();
  await expect.poll(async () => Number(await progress.getAttribute('value'))).toBeGreaterThan(0);
  const indicated = page.getByTestId('indicated');
  const before = await indicated.innerText();
  const lead = page.getByRole('slider', { name: 'V1, red lead' });
  await lead.focus();
  await page.keyboard.press('ArrowUp');
  await expect(indicated).not.toHaveText(before);
  await expect(progress).toBeVisible();
  // On a busy machine a run may be through before it is stopped: then once more.
  await expect(async () => {
    const again = page.getByRole('button', { name: 'Sample again' });
    if (await again.isVisible()) await again.click();
    await page.getByRole('button', { name: 'Stop' }).click({ timeout: 2000 });
    await expect(page.getByText('Stopped. The figures are')).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(progress).toBeHidden();
  expect(faults).toEqual([]);
});

test('without tolerances it says where to give them', async ({ page, server }) => {
  await openJob(page, server, 'Beacon and sounder panel', 'True values');
  await page.getByRole('tab', { name: 'Tolerance' }).click();
  await expect(page.getByText('No part here has a tolerance')).toBeVisible();
});
