import type { Locator, Page } from '@playwright/test';
import { expect, openJob, saved, test } from './demo-page.ts';

/** Counts what a person does: a click, a field filled in, a key. Looking is free. */
class Actions {
  count = 0;

  async click(locator: Locator): Promise<void> {
    this.count += 1;
    await locator.click();
  }

  /** Types into a field and presses Enter. */
  async type(locator: Locator, text: string): Promise<void> {
    this.count += 1;
    await locator.fill(text);
    await locator.press('Enter');
  }
}

const step = (page: Page, name: string): Locator =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name });

test('a new job and the loading error of a meter in it: at most five actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('button', { name: 'New job', exact: true }));
  await actions.type(page.getByRole('textbox', { name: 'Type the network' }), 'E1 24V/1R8: R1 56k + R2 39k');
  await actions.click(step(page, 'Set-ups'));
  await actions.click(page.getByRole('button', { name: 'Voltmeter across two nodes' }));
  await expect(page.getByTestId('error')).toContainText('%');
  await expect(page.getByTestId('face-corrected')).toContainText('±');
  expect(actions.count).toBeLessThanOrEqual(5);
  // The job begins today.
  await saved(page);
  await page.getByRole('button', { name: /^Job details/ }).click();
  await expect(page.getByLabel('Date')).toHaveValue(/^20\d\d-\d\d-\d\d$/);
  expect(faults).toEqual([]);
});

test('a corrected value without a network: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Correct' }));
  await actions.type(page.getByRole('textbox', { name: 'Read', exact: true }), '3.64');
  await actions.type(page.getByRole('textbox', { name: 'Source resistance' }), '14.86k');
  await expect(page.getByTestId('corrected')).toContainText('±');
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test('a plan with exchanged digits is explained and the reading taken again: at most six actions', async ({
  page,
  server,
  faults,
}) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(step(page, 'Readings'));
  await actions.click(page.getByRole('tab', { name: 'Diagnosis' }));
  const card = page.getByRole('region', { name: 'Explanation', exact: true });
  await actions.click(card.getByRole('button', { name: 'Accept into the record' }));
  await actions.click(card.getByRole('button', { name: 'Strike M8 out and read it again' }));
  await actions.type(page.getByRole('region', { name: 'Reading without the plan' }).getByRole('textbox'), '4.07');
  await expect(page.getByRole('tab', { name: 'Log (10)' })).toBeVisible();
  expect(actions.count).toBeLessThanOrEqual(6);
  await saved(page);
  expect(faults).toEqual([]);
});

test('two set-ups side by side: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await page.goto(server.address);
  await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
  await actions.click(step(page, 'Set-ups'));
  await actions.click(page.getByRole('tab', { name: 'Compare' }));
  await expect(page.getByRole('table', { name: 'Set-ups' }).getByRole('row')).toHaveCount(5);
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test('a record is signed: at most four actions', async ({ page, server, faults }) => {
  const actions = new Actions();
  await openJob(page, server, 'Beacon and sounder panel', 'Report');
  await actions.type(
    page.getByRole('form', { name: 'Sign' }).getByRole('textbox', { name: 'Your name' }),
    'late shift',
  );
  await expect(page.getByText('Signed by late shift', { exact: true })).toBeVisible();
  expect(actions.count).toBeLessThanOrEqual(4);
  expect(faults).toEqual([]);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a reading is taken in at most four actions, and every digit of the display can be seen', async ({
    page,
    server,
    faults,
  }) => {
    const actions = new Actions();
    await page.goto(server.address);
    await actions.click(page.getByRole('link', { name: /^Float-level divider/ }));
    await actions.click(step(page, 'Readings'));
    const large = page.getByRole('dialog', { name: 'Large view' });
    const field = large.getByRole('textbox');
    for (const text of ['27.1', '199.95', '-1999.95', '-123456.789']) {
      await field.fill(text);
      const [whole, seen] = await field.evaluate((input) => [input.scrollWidth, input.clientWidth]);
      expect(whole, text).toBeLessThanOrEqual(seen);
    }
    await actions.type(field, '27.1');
    await expect(large.getByRole('status').first()).toContainText('27.1');
    expect(actions.count).toBeLessThanOrEqual(4);
    await saved(page);
    expect(faults).toEqual([]);
  });
});
