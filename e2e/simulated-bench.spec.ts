import type { Page } from '@playwright/test';
import { expect, openJob, test } from './demo-page.ts';

const display = (page: Page) => page.getByLabel(/^What the display says/);
const lastRow = (page: Page) => page.getByRole('table', { name: /log/i }).getByRole('row', { name: /^M10/ });

/** Reads the voltage from B to the reference on the simulated bench, into the field of the open step. */
async function readSimulated(page: Page): Promise<void> {
  await page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Voltage B to 0/ })
    .click();
  await display(page).press('s');
  await expect(display(page)).toHaveValue(/^6\.\d\d$/);
}

test('the last digit of a simulated display wanders until it is typed over, unless the user prefers reduced motion', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await readSimulated(page);
  const field = display(page);
  const first = await field.inputValue();
  await expect(field).not.toHaveValue(first);
  // By its last digits alone: it is the same voltage.
  expect(Math.abs(Number(await field.inputValue()) - Number(first))).toBeLessThan(0.05);
  await field.fill('6.3');
  await field.press('Enter');
  await expect(lastRow(page)).toContainText('6.3');
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await readSimulated(page);
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
  await readSimulated(page);
  await page.keyboard.press('Enter');
  // Its parts are drawn again for each job, within their tolerance.
  await expect(lastRow(page)).toContainText(/agrees|within tolerance/);
  await expect(lastRow(page)).not.toContainText('does not agree');
  await expect(lastRow(page).getByRole('textbox')).toHaveValue('simulated bench');
  await page.getByRole('tab', { name: 'Prepare' }).click();
  await page.getByRole('radio', { name: 'Simulated' }).click();
  await page.getByRole('button', { name: /^Simulated bench/ }).click();
  await page.getByRole('option', { name: 'with one hidden fault, easy' }).click();
  await page.getByRole('button', { name: 'Reveal fault' }).click();
  await expect(page.getByText(/^Hidden on the simulated bench: .+ is (open|shorted)/)).toBeVisible();
  expect(faults).toEqual([]);
});
