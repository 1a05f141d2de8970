import type { Page } from '@playwright/test';
import { expect, openJob, test } from './demo-page.ts';

const openVoltageStep = (page: Page): Promise<void> =>
  page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Voltage B to 0/ })
    .click();

test('the last digit of a simulated display wanders until it is typed over, unless the user prefers reduced motion', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await openVoltageStep(page);
  const field = page.getByLabel(/^What the display says/);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await field.press('s');
  await expect(field).toHaveValue(/^6\.\d\d$/);
  const first = await field.inputValue();
  await expect(field).not.toHaveValue(first);
  // By its last digits alone: it is the same voltage.
  expect(Math.abs(Number(await field.inputValue()) - Number(first))).toBeLessThan(0.05);
  await field.fill('6.3');
  const log = page.getByRole('table', { name: /log/i });
  await field.press('Enter');
  await expect(log.getByRole('row', { name: /^M10/ })).toContainText('6.3');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openVoltageStep(page);
  await field.press('s');
  const still = await field.inputValue();
  for (let k = 0; k < 10; k += 1) {
    await page.waitForTimeout(250);
    expect(await field.inputValue()).toBe(still);
  }
  expect(faults).toEqual([]);
});

test('readings are learned without hardware: a sound simulated bench agrees, one with a hidden fault does not', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await openVoltageStep(page);
  await page.getByLabel(/^What the display says/).press('s');
  await expect(page.getByLabel(/^What the display says/)).toHaveValue(/^6\.\d\d$/);
  await page.keyboard.press('Enter');
  const log = page.getByRole('table', { name: /log/i });
  // Its parts are drawn again for each job, within their tolerance.
  await expect(log.getByRole('row', { name: /^M10/ })).toContainText(/agrees|within tolerance/);
  await expect(log.getByRole('row', { name: /^M10/ })).not.toContainText('does not agree');
  await expect(log.getByRole('row', { name: /^M10/ }).getByRole('textbox')).toHaveValue('simulated bench');
  await page.getByRole('tab', { name: 'Prepare' }).click();
  await page.getByRole('radio', { name: 'Simulated' }).click();
  await page.getByRole('button', { name: /^Simulated bench/ }).click();
  await page.getByRole('option', { name: 'with one hidden fault, easy' }).click();
  await page.getByRole('button', { name: 'Reveal fault' }).click();
  await expect(page.getByText(/^Hidden on the simulated bench: .+ is (open|shorted)/)).toBeVisible();
  expect(faults).toEqual([]);
});
