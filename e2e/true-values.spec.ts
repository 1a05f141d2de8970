import { expect, openJob, test } from './demo-page.ts';

test('every part, the supply, the sums and the charge', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'True values');
  const parts = page.getByRole('table', { name: 'Every part' });
  // By hand: 24 V over 1.8 Ω + 56 kΩ + 39 kΩ ∥ 42 kΩ.
  const current = 24 / (56_001.8 + (39_000 * 42_000) / 81_000);
  await expect(parts.getByRole('row', { name: /^R1/ })).toContainText(`${(current * 1e6).toFixed(1)}\u00a0µA`);
  await page.getByRole('tab', { name: 'Supplies' }).click();
  await expect(page.getByRole('table', { name: 'Supplies' })).toContainText('76.22\u00a0kΩ');
  await page.getByRole('tab', { name: 'Sums' }).click();
  await expect(page.getByRole('tabpanel', { name: 'Sums' }).getByText('✓ closes')).toHaveCount(6);
  await page.getByRole('tab', { name: 'Charge' }).click();
  const time = page.getByRole('textbox', { name: 'In a time of' });
  await time.fill('5');
  await time.press('Enter');
  await expect(page.getByRole('alert')).toContainText('5 of what?');
  await time.fill('10 min');
  await time.press('Enter');
  await expect(page.getByRole('tabpanel', { name: 'Charge' })).toContainText(
    `${(current * 600 * 1e3).toFixed(1)}\u00a0mC`,
  );
  expect(faults).toEqual([]);
});

test('measured values by a switch, and what difference they make', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'True values');
  await page.getByRole('tab', { name: 'Measured or nominal' }).click();
  const rows = page.getByRole('table', { name: 'Measured against nominal' });
  const inside = 1 / (1 / 38_700 + 1 / (15_320 + 27_000));
  const measured = (24 * 56_210) / (56_210 + 1.8 + inside);
  await expect(rows.getByRole('row', { name: /^R1/ })).toContainText(`${measured.toFixed(2)}\u00a0V`);
  await page.getByRole('radio', { name: 'measured values' }).click();
  await page.getByRole('tab', { name: 'Parts' }).click();
  await expect(page.getByRole('table', { name: 'Every part' }).getByRole('row', { name: /^R1/ })).toContainText(
    `${measured.toFixed(2)}\u00a0V`,
  );
});

test('a supply that limits says what it really gives', async ({ page, server }) => {
  await openJob(page, server, 'Resistor by voltmeter', 'Network');
  const value = page.getByRole('textbox', { name: 'Resistance of R1' });
  await value.fill('10');
  await value.press('Enter');
  await page.getByRole('link', { name: /True values/ }).click();
  // 6 V behind 0.5 Ω into 10 Ω would be 571 mA; it holds 100 mA, so 1 V across 10 Ω.
  await expect(page.getByRole('note').filter({ hasText: 'The real circuit holds' })).toContainText(
    '100.0\u00a0mA and its voltage falls to 1.000\u00a0V',
  );
  await expect(page.getByRole('link', { name: /True values/ })).toContainText('caution');
});

test('the working is walked by key, hidden until guessed, and replayed with rounding', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'True values');
  await page.getByRole('tab', { name: 'Working' }).click();
  const working = page.getByRole('region', { name: 'Working' });
  await expect(working.getByRole('list', { name: 'Steps' }).getByRole('button')).toHaveCount(4);
  await expect(working).toContainText('The source sees 76.2222\u00a0kΩ');
  await working.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  const step = working.getByRole('figure', { name: 'Step 2' }).first();
  await expect(step).toContainText('39\u00a0kΩ × 42\u00a0kΩ / (39\u00a0kΩ + 42\u00a0kΩ) = 20.22\u00a0kΩ');
  await expect(step).toContainText('Smaller than the smallest of them');
  await expect(working.getByText('✓ closes')).toHaveCount(3);

  await page.getByRole('radio', { name: 'rounded' }).click();
  await expect(working.getByRole('columnheader', { name: 'Drift' })).toBeVisible();
  await expect(working.getByRole('row', { name: /^R2 keeps/ })).toContainText('%');
  await page.getByRole('radio', { name: 'exact' }).click();

  await page.getByRole('button', { name: 'hide until answered' }).click();
  await expect(working.getByRole('list', { name: 'Steps' }).getByText('?')).toHaveCount(3);
  await expect(working.getByRole('form', { name: 'Guess the next step' })).toBeVisible();
  const guess = page.getByRole('textbox', { name: /which value/ });
  await guess.fill('81k');
  await guess.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Off by +93' })).toBeVisible();
  await guess.fill('42k');
  await guess.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Right.' })).toBeVisible();
  await page.getByRole('button', { name: 'Next' }).click();
  await page.getByRole('textbox', { name: /R2 and R34 in parallel/ }).fill('81k');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'That is their sum' })).toBeVisible();
  await expect(working.getByText('Currents and voltages')).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('a bridge shows its delta and star, node equations and superposition add up', async ({ page, server, faults }) => {
  await openJob(page, server, 'Sluice-gate', 'True values');
  await page.getByRole('tab', { name: 'Working' }).click();
  await expect(page.getByRole('button', { name: /Delta .* into a star/ })).toBeVisible();
  await page.getByRole('tab', { name: 'Node equations' }).click();
  await expect(page.getByRole('region', { name: 'Node equations' })).toContainText('(V(B) − V(A))/R1');
  await expect(page.getByText('0 ✓')).toHaveCount(3);
  await page.getByRole('tab', { name: 'Superposition' }).click();
  await expect(page.getByRole('table', { name: 'Superposition' })).toContainText('by E1 alone');
  expect(faults).toEqual([]);
});

test('what if: a supply swept, followed over its current, kept, and saved as CSV', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'True values');
  await page.getByRole('tab', { name: 'What if' }).click();
  const sheet = page.getByRole('region', { name: 'What if' });
  await expect(sheet.locator('.recharts-line')).toHaveCount(1);
  await page.getByRole('radio', { name: 'V over I' }).click();
  await expect(sheet).toContainText('slope 27\u00a0kΩ, marked 27\u00a0kΩ');
  await expect(sheet).toContainText('every point is on it');
  await sheet.getByRole('slider').focus();
  await page.keyboard.press('Home');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect(page.getByRole('table', { name: 'Every part' }).getByRole('row', { name: /^R1/ })).toContainText(
    '0\u00a0V',
  );
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV of all results' }).click();
  expect((await waiting).suggestedFilename()).toBe('what-if.csv');
  expect(faults).toEqual([]);
});
