import type { Page } from '@playwright/test';
import { violations } from './axe.ts';
import { expect, openJob, saved, test } from './demo-page.ts';

const line = (page: Page) => page.getByRole('textbox', { name: 'Type the network' });
const part = (page: Page, id: string) => page.locator(`[data-part="${id}"]`);
const standing = (page: Page) => page.getByRole('link', { name: 'Network' });
const undo = (page: Page) => page.getByRole('banner').getByRole('button', { name: 'Undo' });

test('a network of twelve parts is typed, edited and solved without the pointer', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'New job' }).focus();
  await page.keyboard.press('Enter');
  await expect(line(page)).toBeVisible();
  await line(page).focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type(
    '24V/1R8: 1k @B (2k2 || 3k3 + 4k7) @C 100 || 680 @D 1k5 @E 330; @B 10k @D; @C 22k @E; @E 47k',
  );
  await expect(standing(page)).toContainText('12 parts, 7 nodes');
  await page.keyboard.press('Enter');

  // In the drawing: along to a part, one in series behind it with its value, then swap its ends and take it out again.
  await part(page, 'R1').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('s');
  await expect(page.getByRole('textbox', { name: 'Value of R12' })).toBeFocused();
  await page.keyboard.type('4k8 1%');
  await page.keyboard.press('Enter');
  await expect(standing(page)).toContainText('13 parts, 8 nodes');
  await expect(part(page, 'R12')).toBeFocused();
  await page.getByRole('tab', { name: 'All about R12' }).click();
  await expect(page.getByRole('region', { name: 'All about R12' })).toContainText(
    'is no preferred value; nearest 4.75 kΩ, E96',
  );
  await page.getByRole('tab', { name: 'Parts' }).click();
  await part(page, 'R12').focus();
  await page.keyboard.press('x');
  await page.keyboard.press('ArrowUp');
  await expect(part(page, 'R12')).not.toBeFocused();
  await part(page, 'R12').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Delete');
  await expect(standing(page)).toContainText('12 parts');

  // In the table: Enter goes down, the row below the last makes a part.
  await page.getByRole('textbox', { name: 'Resistance of R2' }).focus();
  await page.keyboard.type('2k7');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Resistance of R3' })).toBeFocused();
  await page.getByRole('textbox', { name: 'Value of a new part' }).focus();
  await page.keyboard.type('12V 0.1A');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Name of L1' })).toBeVisible();

  await page.getByRole('link', { name: /True values/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('table', { name: 'Every part' })).toContainText('R11');
  await page.getByRole('tab', { name: 'Sums' }).click();
  await expect(page.getByRole('tabpanel', { name: 'Sums' })).toContainText('✓ closes');
  await expect(page.getByRole('tabpanel', { name: 'Sums' })).not.toContainText('does not close');
  await saved(page);
  expect(faults).toEqual([]);
});

test('a slip in the line is marked, the last good drawing stays, and all that was typed is one step to undo', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const before = await line(page).inputValue();
  await line(page).press('End');
  await page.keyboard.type(' ');
  await expect(undo(page)).toBeDisabled();
  await line(page).fill('E1 24V/1R8: R1 56k + (R2 39k || R3 15k R4 27k)');
  await expect(page.getByRole('alert')).toContainText('Expected + (in series)');
  await expect(line(page)).toHaveAttribute('aria-invalid', 'true');
  await expect(standing(page)).toContainText('5 parts, 4 nodes');
  await line(page).fill('E1 24V/1R8: R1 47k + R2 39k');
  await line(page).press('End');
  await page.keyboard.type(' + R5 1k');
  await expect(standing(page)).toContainText('4 parts, 4 nodes');
  await page.keyboard.press('Enter');
  // Ratings and labels that the line does not speak of are still there.
  await page.locator('[data-part="R1"]').click();
  await page.getByRole('tab', { name: 'All about R1' }).click();
  await expect(page.getByRole('textbox', { name: 'Purpose' })).toHaveValue('top arm');
  await undo(page).click();
  await expect(line(page)).toHaveValue(before);
  await expect(undo(page)).toBeDisabled();
});

test('each key in a line of sixty parts is in the field at the very next frame, and in the drawing right after it', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const line = page.getByRole('textbox', { name: 'Type the network' });
  const rungs = Array.from({ length: 59 }, (_, k) => `R${k + 1} ${k + 1}k`);
  await line.fill(`E1 24V: ${rungs.join(' + ')}`);
  await expect(page.locator('[data-part]')).toHaveCount(60);
  await line.press('End');
  await page.evaluate(() => {
    const seen: string[] = [];
    Object.assign(window, { seen });
    const typed = (): string => document.querySelector<HTMLTextAreaElement>('#network-line')!.value.slice(-7).trim();
    addEventListener('keydown', () => requestAnimationFrame(() => seen.push(typed())), { capture: true });
  });
  const drawn = page.locator('[data-part="R59"]');
  for (const [key, value] of [
    ['Backspace', '59\u00a0Ω'],
    ['M', '59\u00a0MΩ'],
    ['Backspace', '59\u00a0Ω'],
    ['Backspace', '5\u00a0Ω'],
    ['8', '58\u00a0Ω'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(drawn).toHaveAttribute('aria-label', `R59 ${value}`);
  }
  // Keys that come faster than drawings: none is lost, and leaving the field takes the last one.
  await page.keyboard.type('k1 ');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Enter');
  await expect(drawn).toHaveAttribute('aria-label', 'R59 58.1\u00a0kΩ');
  const seen = await page.evaluate(() => (window as unknown as { seen: string[] }).seen);
  expect(seen.slice(0, 5)).toEqual(
    ['+ R59 59', '+ R59 59M', '+ R59 59', '+ R59 5', '+ R59 58'].map((text) => text.slice(-7).trim()),
  );
  expect(faults).toEqual([]);
});

test('ends are moved, rails joined and split, parts added between rails and copied, in the drawing', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const strip = (name: string | RegExp) => page.getByRole('toolbar', { name });
  const table = page.getByRole('region', { name: 'Parts', exact: true });

  // Drag the lower end of R3 from C onto the common rail.
  await part(page, 'R3').click();
  const end = await page.locator('[data-end="to"]').boundingBox();
  const rail = await page.locator('[data-rail="0"]').boundingBox();
  await page.mouse.move(end!.x + end!.width / 2, end!.y + end!.height / 2);
  await page.mouse.down();
  await page.mouse.move(end!.x + 5, rail!.y + rail!.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(table.getByRole('textbox', { name: /^R3 to/ })).toHaveValue('0');
  await undo(page).click();

  // By key: onto B, where its other end is; the software says what that means before it is done.
  await part(page, 'R3').click();
  await page.keyboard.press('m');
  await expect(strip('Choose a rail')).toContainText('Move the to end of R3 to');
  await page.keyboard.press('ArrowUp');
  await expect(strip('Choose a rail')).toContainText('Both ends on B: that is one point');
  await page.keyboard.press('Escape');
  await expect(table.getByRole('textbox', { name: /^R3 to/ })).toHaveValue('C');

  await page.locator('[data-rail="C"]').click();
  await strip('Edit rail C')
    .getByRole('button', { name: /add a part/ })
    .click();
  await page.locator('[data-rail="A"]').click();
  await page.keyboard.type('100k');
  await page.keyboard.press('Enter');
  await expect(part(page, 'R5')).toBeVisible();
  await expect(table.getByRole('textbox', { name: /^R5 from/ })).toHaveValue('C');

  await page.locator('[data-rail="C"]').click();
  await page.keyboard.press('j');
  await page.locator('[data-rail="B"]').click();
  await expect(standing(page)).toContainText('6 parts, 3 nodes');

  await page.locator('[data-rail="B"]').click();
  await strip('Edit rail B').getByRole('checkbox', { name: 'R5' }).click();
  await strip('Edit rail B').getByRole('button', { name: 'split these off' }).click();
  await expect(standing(page)).toContainText('6 parts, 4 nodes');

  await part(page, 'R2').click();
  await page.keyboard.press('Control+c');
  await page.keyboard.press('Control+v');
  await expect(standing(page)).toContainText('7 parts');
});

test('several rows are pasted from a spreadsheet and removed together', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.getByRole('button', { name: 'From a spreadsheet' }).click();
  const cells = page.getByRole('textbox', { name: /Rows of name/ });
  await cells.fill('R1\tA\tB\t1k\nR7\tB\tC\t12k\t5%\nR8\tC\t0\tmany');
  await expect(page.getByRole('alert')).toContainText('Row 1: R1 already exists.');
  await expect(page.getByRole('alert')).toContainText('Row 3:');
  await cells.fill('name,from,to,value\nR6,A,B,1k\nR7,B,C,"12k"');
  await page.getByRole('button', { name: 'Add 2 parts' }).click();
  await expect(standing(page)).toContainText('7 parts');
  await page.getByRole('button', { name: 'Remove R6, R7' }).click();
  await expect(standing(page)).toContainText('5 parts');
});

test('bands, printed code and value lead to each other, with the verdict on what was measured', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await part(page, 'R3').click();
  await page.getByRole('tab', { name: 'All about R3' }).click();
  const card = page.getByRole('region', { name: 'All about R3' });
  await expect(card.getByRole('img', { name: 'Bands: brown, green, orange, gold' })).toBeVisible();
  await card.getByRole('button', { name: /Band 3/ }).click();
  await page.getByRole('option', { name: 'red', exact: true }).click();
  await expect(card.getByRole('textbox', { name: 'Resistance' })).toHaveValue(/^1\.5.kΩ$/);
  const code = card.getByRole('textbox', { name: 'Printed code' });
  await code.fill('15KJ');
  await code.press('Enter');
  await expect(card.getByRole('textbox', { name: 'Resistance' })).toHaveValue(/^15.kΩ$/);
  const measured = card.getByRole('textbox', { name: 'Measured' });
  await measured.fill('15k9');
  await measured.press('Enter');
  await expect(card).toContainText('outside ±5 % (14.25 kΩ … 15.75 kΩ); replace it');
  await expect(standing(page)).toContainText('1 out of tolerance');
});

test('pointing at a node shows what is joined there, everywhere', async ({ page, server }) => {
  await openJob(page, server, 'Resistor by voltmeter', 'Network');
  await page.locator('[data-rail="A"]').hover();
  await expect(page.getByText('are one point:')).toBeVisible();
  await expect(page.getByText('E1, W1, R1')).toBeVisible();
});

test('the drawing is saved as SVG and PNG', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  for (const type of ['SVG', 'PNG']) {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export the drawing' }).click();
    await page.getByRole('menuitem', { name: `Export as ${type}` }).click();
    const download = await waiting;
    expect(download.suggestedFilename()).toBe(`float-level-divider.${type.toLowerCase()}`);
  }
});

test('axe finds nothing while editing', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await part(page, 'R3').click();
  const check = async (): Promise<void> => {
    expect(await violations(page)).toEqual([]);
  };
  await check();
  await page.keyboard.press('m');
  await check();
  await page.keyboard.press('Escape');
  await page.keyboard.press('v');
  await page.keyboard.type('x');
  await page.keyboard.press('Enter');
  await check();
});
