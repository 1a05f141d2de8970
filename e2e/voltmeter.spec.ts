import { allIsFetched, expect, figure, openJob, saved, test } from './demo-page.ts';

/** Across the lower arm of the divider, by hand: what is true there and what the leads look into. */
function lowerArm(r2 = 39_000): { truth: number; rs: number } {
  const below = 1 / (1 / r2 + 1 / 42_000);
  return { truth: (24 * below) / (56_001.8 + below), rs: 1 / (1 / 56_001.8 + 1 / below) };
}
const indicated = ({ truth, rs }: { truth: number; rs: number }, rm: number): number => (truth * rm) / (rm + rs);

test('place a voltmeter, change its range, edit a resistor, undo, reload, restart: all is still there', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'Add set-up' }).click();
  await page.getByRole('menuitem', { name: 'Voltmeter across two nodes' }).click();
  const meter = page.getByRole('region', { name: 'Meter V1' });
  await meter.getByRole('button', { name: /Instrument of V1/ }).click();
  await page.getByRole('option', { name: 'Old analogue multimeter, 2 kΩ/V' }).click();
  await meter.getByRole('radio', { name: '10 V', exact: true }).click();
  await meter.getByRole('button', { name: /Red lead/ }).click();
  await page.getByRole('option', { name: 'B' }).click();
  await meter.getByRole('button', { name: /Black lead/ }).click();
  await page.getByRole('option', { name: '0' }).click();

  const arm = lowerArm();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(arm, 20_000), 3);
  await expect.poll(() => figure(page, 'true')).toBeCloseTo(arm.truth, 3);
  await expect.poll(() => figure(page, 'error')).toBeCloseTo((-100 * arm.rs) / (arm.rs + 20_000), 1);
  await expect(page.getByTestId('formula')).toContainText('Source resistance 14.86 kΩ');

  await meter.getByRole('radio', { name: '50 V', exact: true }).click();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(arm, 100_000), 3);

  await page.getByRole('link', { name: 'Network' }).click();
  const value = page.getByRole('textbox', { name: 'Resistance of R2' });
  await value.fill('20k');
  await value.press('Enter');
  await page.getByRole('link', { name: 'Set-ups' }).click();
  await page.getByRole('button', { name: 'S-4', exact: true }).click();
  const edited = lowerArm(20_000);
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(edited, 100_000), 3);

  await page.keyboard.press('Control+z');
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(arm, 100_000), 3);
  await page.getByRole('banner').getByRole('button', { name: 'Redo' }).click();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(edited, 100_000), 3);

  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'S-4', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(edited, 100_000), 3);

  await allIsFetched(page);
  await server.stop('SIGKILL');
  await server.start();
  await page.reload();
  await expect(page.getByTestId('indicated')).toBeVisible();
  await expect.poll(() => figure(page, 'indicated')).toBeCloseTo(indicated(edited, 100_000), 3);
  expect(faults).toEqual([]);
});

test('a lead is dragged to another rail, and the reading follows while it is held', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const before = await figure(page, 'true');
  const lead = page.getByRole('slider', { name: 'V1, red lead' });
  const from = (await lead.boundingBox())!;
  const drawing = (await page.getByRole('group', { name: 'Drawing of the network' }).boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x, drawing.y + 45, { steps: 8 });
  await expect.poll(() => figure(page, 'true')).toBeCloseTo(24, 1);
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2, { steps: 8 });
  expect(await figure(page, 'true')).toBe(before);
  await page.mouse.move(from.x, drawing.y + 45, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => figure(page, 'true')).toBeCloseTo(24, 1);
  await expect(page.getByRole('note')).toContainText('Over range: the needle is against its stop');
  await saved(page);
  await page.getByRole('banner').getByRole('button', { name: 'Undo' }).click();
  expect(await figure(page, 'true')).toBe(before);
});

test('leads move from rail to rail by the arrow keys', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const lead = page.getByRole('slider', { name: 'V1, red lead' });
  await lead.focus();
  await page.keyboard.press('ArrowDown');
  await expect(lead).toHaveAttribute('aria-valuetext', 'on node C');
  await expect.poll(() => figure(page, 'true')).toBeCloseTo((lowerArm().truth * 27) / 42, 3);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByTestId('indicated').first()).toHaveText(/^0/);
  await page.keyboard.press('ArrowDown');
  await expect(lead).toHaveAttribute('aria-valuetext', 'on node 0');
});

test('swapped leads on a needle are a caution with its way out', async ({ page, server }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: 'Swap leads' }).click();
  await expect(page.getByRole('note')).toContainText('driven backwards');
  await page.getByRole('button', { name: 'Swap leads' }).click();
  await expect(page.getByRole('note')).toHaveCount(0);
});
