import type { Board } from '@usual-drag/core/board';
import { holePoint } from '@usual-drag/core/drawing';
import type { Page } from '@playwright/test';
import { expect, openJob, saved, stored, test, type DemoServer } from './demo-page.ts';
import { axe } from './workshop.ts';

const openBoard = async (page: Page, server: DemoServer): Promise<void> => {
  await openJob(page, server, 'Float-level', 'Network');
  await page.getByRole('tab', { name: 'Strip board' }).click();
  await expect(page.getByRole('group', { name: 'Strip board' })).toBeVisible();
};

/** Middle of a hole on the screen. */
async function at(page: Page, hole: string): Promise<{ readonly x: number; readonly y: number }> {
  const box = (await page.getByRole('group', { name: 'Strip board' }).boundingBox())!;
  const scale = Number(await page.locator('.drawing').getAttribute('data-scale'));
  const { x, y } = holePoint(hole);
  return { x: box.x + x * scale, y: box.y + y * scale };
}

async function drag(page: Page, from: { readonly x: number; readonly y: number }, hole: string): Promise<void> {
  const to = await at(page, hole);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 3 });
  await page.mouse.up();
}

const board = async (server: DemoServer): Promise<Board | undefined> =>
  (await stored(server, 'Float-level')).document.board;

test('a newcomer wires the divider, finds a wrong row by the check, sets the meter by its picture and takes the reading', async ({
  page,
  server,
  faults,
}) => {
  await openBoard(page, server);
  await expect(page.getByRole('note')).toContainText('supply off');
  const places = page.getByRole('textbox', { name: 'Type positions' });
  const type = async (text: string): Promise<void> => {
    await places.fill(text);
    await places.press('Enter');
    await expect(places).toHaveValue('');
  };

  // Parts by dragging, by typing and by a press; wires by two clicks.
  const tray = page.getByRole('group', { name: 'Not on the board' });
  const r1 = (await tray.getByRole('button', { name: /^R1/ }).boundingBox())!;
  await drag(page, { x: r1.x + 10, y: r1.y + 10 }, '5a');
  await expect(tray.getByRole('button', { name: /^R1/ })).toHaveCount(0);
  await type('E1 1L+ 1L-, R2 9d 17d');
  // One row too high: C is made of two rows.
  await type('r3 9b 12b, R4 13c 17c');
  await expect(tray).toContainText('Every part is on the board');
  const click = async (hole: string): Promise<void> => {
    const { x, y } = await at(page, hole);
    await page.mouse.click(x, y);
  };
  for (const [from, to] of [
    ['5L+', '5b'],
    ['17L-', '17a'],
  ] as const) {
    await click(from);
    await expect(page.getByText(`Wire from ${from}`)).toBeVisible();
    await click(to);
    await expect(page.locator(`[data-end="${to}"]`)).toBeAttached();
  }
  await expect
    .poll(async () => (await board(server))?.wires)
    .toEqual([
      { from: '5L+', to: '5b' },
      { from: '17L-', to: '17a' },
    ]);
  const check = page.getByRole('region', { name: 'Check' });
  await expect(check.getByRole('status')).toHaveText('1 difference from the drawing.');
  await expect(check.getByRole('listitem')).toContainText(
    'The second leg of R3 is in row 12 left; node C is in row 13 left. Nothing else is there, so R3 is open.',
  );
  await expect(check.getByRole('listitem')).toContainText(/The voltage C to 0 would be 0\sV, not 4\.09\sV\./);
  await axe(page);
  await check.getByRole('button', { name: 'Move it to row 13 left' }).click();
  await expect(check.getByRole('status')).toContainText('The board matches the drawing.');
  await saved(page);
  expect(await board(server)).toEqual({
    rows: 30,
    parts: [
      { id: 'R1', from: '5a', to: '9a' },
      { id: 'E1', from: '1L+', to: '1L-' },
      { id: 'R2', from: '9d', to: '17d' },
      { id: 'R3', from: '9b', to: '13b' },
      { id: 'R4', from: '13c', to: '17c' },
    ],
    wires: [
      { from: '5L+', to: '5b' },
      { from: '17L-', to: '17a' },
    ],
  });

  // The plan then has the rows, the picture the setting.
  await page.getByRole('link', { name: /^Readings/ }).click();
  await page.getByRole('tab', { name: 'Strip board' }).click();
  await page
    .getByRole('button', { name: /Voltage C to 0/ })
    .first()
    .click();
  const step = page.getByRole('region', { name: 'Open step' });
  await expect(step).toContainText('On the board: red in row 13 left; black in row 17 left.');
  await expect(step.getByRole('img', { name: /set to V, range/ })).toBeVisible();
  await axe(page);
  const before = (await stored(server, 'Float-level')).document.readings!.length;
  await step.getByRole('textbox', { name: /display/i }).fill('4.07');
  await step.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect.poll(async () => (await stored(server, 'Float-level')).document.readings!.length).toBe(before + 1);
  expect((await stored(server, 'Float-level')).document.readings!.at(-1)).toMatchObject({
    quantity: 'dc-voltage',
    red: 'C',
    black: '0',
  });
  expect(faults).toEqual([]);
});

test('parts are placed automatically and moved by keys; undo, history, and the board taken over as the circuit', async ({
  page,
  server,
  faults,
}) => {
  await openBoard(page, server);
  await page.getByRole('button', { name: 'Place automatically' }).click();
  const check = page.getByRole('region', { name: 'Check' });
  await expect(check.getByRole('status')).toContainText('The board matches the drawing.');
  await saved(page);
  const placed = (await board(server))!;
  expect(placed.parts).toHaveLength(5);
  const [r3] = placed.parts.filter(({ id }) => id === 'R3');

  // By keys: picked up, two rows down, put down.
  const leg = page.getByRole('button', { name: `R3, second leg, in hole ${r3!.to}` });
  await leg.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('R3, second leg picked up.')).toBeAttached();
  for (const hole of ['15a', '16a']) {
    await page.keyboard.press('ArrowDown');
    await expect(page.locator(`[data-end="${hole}"]`)).toBeAttached();
  }
  await page.keyboard.press('Space');
  await expect(check.getByRole('listitem')).toContainText('The second leg of R3 is in row 16 left');
  await page.keyboard.press('Control+z');
  await expect(check.getByRole('status')).toContainText('The board matches the drawing.');

  // A wrong wire is named; taken over, it is a connection of the circuit. Both can be undone.
  const places = page.getByRole('textbox', { name: 'Type positions' });
  await places.fill('wire 8d 14e');
  await places.press('Enter');
  await expect(check.getByRole('listitem')).toContainText(
    'The wire from row 8 left to row 14 left joins node B to node C.',
  );
  await check.getByRole('button', { name: 'Take over as the circuit' }).click();
  await expect(check.getByRole('status')).toContainText('The board matches the drawing.');
  await saved(page);
  const nodes = (await stored(server, 'Float-level')).document.network.elements.find(({ id }) => id === 'R3')!;
  expect(nodes.from).toBe(nodes.to);
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(check.getByRole('listitem')).toContainText('joins node B to node C');

  // An end is removed by key; a mistake in the field is reported below it.
  await page.getByRole('button', { name: 'wire to 14e, in hole 8d' }).focus();
  await page.keyboard.press('Delete');
  await expect(check.getByRole('status')).toContainText('The board matches the drawing.');
  await places.fill('R3 8d 99a');
  await places.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The board has no hole 99a.');
  await saved(page);

  await page.getByRole('link', { name: /History|history/ }).click();
  await page.getByRole('complementary', { name: 'Versions' }).getByRole('listitem').last().getByRole('link').click();
  await expect(page.getByRole('main')).toContainText('Strip board added');
  expect(faults).toEqual([]);
});
