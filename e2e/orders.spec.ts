import { axe } from './workshop.ts';
import { expect, openJob, saved, stored, test } from './demo-page.ts';

test('three resistors in series, then in parallel, then combined: one order, and no value typed twice', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'New job', exact: true }).click();
  const line = page.getByRole('textbox', { name: 'Type the network' });
  await line.fill('E1 9V/0R5: R1 47 =46.9 + R2 68 + R3 100 1%');
  await line.press('Enter');
  await page.getByRole('textbox', { name: 'Title of the job' }).fill('Three in series');
  await page.keyboard.press('Enter');
  await saved(page);

  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Commands' }).fill('new circuit');
  await page.getByRole('option', { name: 'New circuit from these parts' }).click();
  await expect(page.getByRole('heading', { name: 'New circuit from the parts of “Three in series”' })).toBeVisible();
  const made = page.getByRole('img', { name: 'The new circuit' });
  await expect(made).toContainText('47');
  await axe(page);
  await page.getByRole('radio', { name: 'in parallel' }).click();
  await expect(page.getByRole('textbox', { name: /^As a line/ })).toHaveValue('E1: R1 || R2 || R3');
  await page.getByRole('textbox', { name: 'Order number' }).fill('SL-WO-2240');
  await page.getByRole('button', { name: 'Make this circuit' }).click();
  await expect(page).toHaveURL(/\/bench\/.*\/network$/);
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Three in series, in parallel');
  const parallel = (await stored(server, 'Three in series, in parallel')).document;
  expect(parallel.network.elements).toMatchObject([
    { id: 'E1', emf: 9, internalResistance: 0.5, from: 'A', to: '0' },
    { id: 'R1', resistance: 47, measuredResistance: 46.9, from: 'A', to: '0' },
    { id: 'R2', resistance: 68, from: 'A', to: '0' },
    { id: 'R3', resistance: 100, tolerance: 0.01, from: 'A', to: '0' },
  ]);
  expect(parallel.record).toMatchObject({ order: 'SL-WO-2240' });

  // From the second one, by size and by a typed line; a slip is told where it is typed.
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Commands' }).fill('new circuit');
  await page.getByRole('option', { name: 'New circuit from these parts' }).click();
  await page.getByRole('radio', { name: 'by size, R1 the largest' }).click();
  const typed = page.getByRole('textbox', { name: /^As a line/ });
  await typed.fill('E1: R1 + (R2 || R9)');
  await expect(page.getByRole('alert')).toContainText('R9');
  await expect(page.getByRole('button', { name: 'Make this circuit' })).toBeDisabled();
  await typed.fill('E1: R1 + (R2 || R3)');
  await page.getByRole('textbox', { name: 'Title', exact: true }).fill('Combined');
  await page.getByRole('button', { name: 'Make this circuit' }).click();
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Combined');
  expect((await stored(server, 'Combined')).document.network.elements).toMatchObject([
    { id: 'E1' },
    { id: 'R1', resistance: 100, bodyLabel: 'R3', from: 'A', to: 'B' },
    { id: 'R2', resistance: 68, from: 'B', to: '0' },
    { id: 'R3', resistance: 47, measuredResistance: 46.9, bodyLabel: 'R1' },
  ]);

  // One after another by key, and together on the list.
  await page
    .getByRole('main')
    .first()
    .click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Three in series, in parallel');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Combined');
  await page.getByRole('navigation', { name: 'Pages' }).getByRole('link', { name: 'Jobs' }).click();
  const order = page.getByRole('region', { name: 'Order SL-WO-2240' });
  await expect(order.getByRole('heading')).toContainText('2 circuits');
  await expect(order.getByRole('listitem').first()).toContainText('Three in series, in parallel');
  await axe(page);
  expect(faults).toEqual([]);
});

test('resistances that were measured come along and say where they were taken', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  const { id } = await stored(server, 'Float-level divider');
  await page.goto(`${server.address}/new-circuit/${id}`);
  await page.getByRole('checkbox', { name: /^R4/ }).click();
  await page.getByRole('radio', { name: 'in series', exact: true }).click();
  await page.getByRole('button', { name: 'Make this circuit' }).click();
  await expect(page).toHaveURL(/\/bench\/.*\/network$/);
  await page.getByRole('link', { name: /^Readings/ }).click();
  await expect(page.getByRole('tab', { name: 'Log (3)' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Note on M1' })).toHaveValue('Taken in “Float-level divider”.');
  expect(faults).toEqual([]);
});
