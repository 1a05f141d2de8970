import { expect, openJob, saved, test } from './demo-page.ts';

test('parts are added, edited with their units, renamed and removed; every step can be undone', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const table = page.getByRole('region', { name: 'Parts' });
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('menuitem', { name: 'Lamp or other load' }).click();
  await expect(page.getByRole('textbox', { name: 'Rated voltage of L1' })).toBeFocused();
  await page.keyboard.type('24');
  await page.keyboard.press('Tab');
  await page.keyboard.type('40 mA');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^L1 24/ })).toBeVisible();

  const name = table.getByRole('textbox', { name: 'Name of L1' });
  await name.fill('Lamp');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: /^Lamp 24/ })).toBeVisible();
  const node = table.getByRole('textbox', { name: /^Lamp from/ });
  await node.fill('D');
  await node.press('Enter');
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('6 parts, 5 nodes');

  await page.getByRole('button', { name: 'Remove Lamp' }).click();
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('5 parts, 4 nodes');
  for (let step = 0; step < 6; step += 1) await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('banner').getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('5 parts, 4 nodes');
  await expect(table.getByRole('textbox', { name: 'Name of L1' })).toHaveCount(0);
  for (let step = 0; step < 5; step += 1) await page.getByRole('banner').getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('button', { name: /^Lamp 24/ })).toBeVisible();
  await saved(page);
  expect(faults).toEqual([]);
});

test('what cannot be read stays as it was typed, with the reason; Escape brings the value back', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const value = page.getByRole('region', { name: 'Parts' }).getByRole('textbox', { name: 'Resistance of R2' });
  for (const [typed, reason] of [
    ['39 kV', /is in V; here it must be in Ω/],
    ['thirty', /is not a value/],
    ['0', /must be above zero/],
    ['', /Type a value/],
  ] as const) {
    await value.fill(typed);
    await value.press('Tab');
    await expect(page.getByRole('alert')).toContainText(reason);
    await expect(value).toHaveValue(typed);
    await expect(value).toHaveAttribute('aria-invalid', 'true');
  }
  await value.press('Escape');
  await expect(value).toHaveValue(/^39.kΩ$/);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a network that contradicts itself says where, and is drawn all the same', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByRole('menuitem', { name: 'Link' }).click();
  const table = page.getByRole('region', { name: 'Parts' });
  const inside = table.getByRole('textbox', { name: 'Internal resistance of E1' });
  await inside.fill('');
  await inside.press('Enter');
  const from = table.getByRole('textbox', { name: /^W1 from/ });
  await from.fill('A');
  await from.press('Enter');
  await expect(page.getByRole('note')).toContainText('E1 and W1 contradict each other');
  await expect(page.getByRole('button', { name: /^R4/ })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Network' })).toContainText('cannot be solved yet');
  await saved(page);
});

test('a part is chosen in the drawing by key or pointer, and all about it can be typed', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.getByRole('button', { name: /^R3 15/ }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('tab', { name: 'All about R3' }).click();
  const card = page.getByRole('region', { name: 'All about R3' });
  const measured = card.getByRole('textbox', { name: 'Measured' });
  await measured.fill('15k9');
  await measured.press('Enter');
  await page.getByRole('tab', { name: 'Parts' }).click();
  await page.getByRole('radio', { name: 'measured' }).click();
  await expect(page.getByRole('button', { name: /^R3 15\.9.kΩ measured/ })).toBeVisible();
  await page
    .getByRole('button', { name: /^R1 56/ })
    .locator('text')
    .first()
    .click();
  await page.getByRole('tab', { name: 'All about R1' }).click();
  await expect(page.getByRole('region', { name: 'All about R1' })).toBeVisible();
});

test('potentials can be given against another node', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.getByRole('button', { name: /Reference node/ }).click();
  await page.getByRole('option', { name: 'A', exact: true }).click();
  await expect(page.getByRole('group', { name: 'Drawing of the network' })).toContainText('−20');
});
