import { readFileSync } from 'node:fs';
import type { Reading } from '@usual-drag/core/readings';
import { violations } from './axe.ts';
import { expect, openJob, openUnread, saved, stored, test } from './demo-page.ts';
import type { Page } from '@playwright/test';

/** Displays that a careful person reads at each step of the float-level divider's plan. */
const displays = [
  '56.2',
  '39.1',
  '15.02',
  '27.1',
  '24.0',
  '24.0',
  '17.61',
  '6.36',
  '2.27',
  '4.09',
  '0.314',
  '160.7',
  '149.3',
];

const step = (page: Page) => page.getByRole('region', { name: 'Open step' });

/** Goes through the plan by the number pad: Enter on what is to be done, digits and Enter on what is to be read. */
async function readAll(page: Page): Promise<void> {
  for (let read = 0; read < displays.length;) {
    const field = step(page).getByRole('textbox');
    const done = step(page).getByRole('button', { name: 'Done, go on' });
    await expect(field.or(done)).toBeFocused();
    if (await field.isVisible()) {
      for (const key of displays[read]!) await page.keyboard.press(key);
      await expect(field).toHaveValue(displays[read]!);
      read += 1;
    }
    const title = await step(page).getByRole('heading').innerText();
    await page.keyboard.press('NumpadEnter');
    await expect(step(page).getByRole('heading')).not.toHaveText(title);
  }
}

test('a whole plan is entered by number pad alone, kept, struck, exported and imported again without a difference', async ({
  page,
  server,
  faults,
}) => {
  await openUnread(page, server);
  await expect(step(page)).toContainText('Resistance of R1');
  await readAll(page);
  const tab = page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Readings' });
  await expect(tab).toContainText('13 of 13 read');
  await saved(page);

  // Reloaded, it is all there; what does not agree is named.
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Log (13)' })).toBeVisible();
  const row = (id: string) => page.getByRole('row', { name: new RegExp(`^${id} `) });
  await expect(row('M8')).toContainText('agrees');
  await expect(row('M5')).toContainText('Voltage A to 0, unloaded');

  // Struck out with a reason: it stays legible, the step is to be read again; undo takes it back.
  await page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Voltage C to 0/ })
    .click();
  await page.getByRole('button', { name: 'Strike M10 out' }).click();
  await page.getByRole('textbox', { name: 'Why M10 is struck out' }).fill('lead slipped');
  await page.keyboard.press('Enter');
  await expect(row('M10')).toContainText('struck out: lead slipped');
  await expect(tab).toContainText('12 of 13 read');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(row('M10')).not.toContainText('struck out');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await expect(row('M10')).toContainText('struck out: lead slipped');
  await saved(page);
  const before = (await stored(server, 'Divider to be read')).document.readings!;

  await page.getByRole('button', { name: 'CSV' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Export readings (CSV)' }).click();
  const path = await (await download).path();
  expect(readFileSync(path, 'utf8')).toContain('lead slipped');

  // Into a copy without readings.
  const { document } = await stored(server, 'Divider to be read');
  const { readings: _none, ...empty } = document;
  await server.ask('POST', '/jobs', { document: { ...empty, title: 'Copy of it' } });
  await openJob(page, server, 'Copy of it', 'Readings');
  await page
    .getByLabel('Readings to import')
    .setInputFiles({ name: 'r.csv', mimeType: 'text/csv', buffer: readFileSync(path) });
  await expect(page.getByRole('tab', { name: 'Log (13)' })).toBeVisible();
  await saved(page);
  expect((await stored(server, 'Copy of it')).document.readings).toEqual(before);
  expect(faults).toEqual([]);
});

test('branches and trunk of the beacon panel do not add up as read: loading explains it, and by how much', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder panel', 'Readings');
  await page.getByRole('tab', { name: /^Sums/ }).click();
  const sum = page.getByRole('list', { name: 'Sums of the readings' }).getByRole('listitem');
  await expect(sum).toContainText('+3.50\u00a0mA');
  await expect(sum).toContainText('explained by loading');
  await expect(sum).toContainText('Loading leaves +3.43\u00a0mA');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('OL, prefix by key, several observations, and a killed server: nothing that was entered is lost', async ({
  page,
  server,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Voltage B to C/ })
    .click();
  const field = step(page).getByRole('textbox');
  await expect(field).toBeFocused();
  await page.keyboard.type('2270m');
  await page.keyboard.press('Shift+Enter');
  await page.keyboard.type('2.27/*');
  await expect(step(page).getByRole('radio', { name: 'mV' })).toBeChecked();
  await step(page).getByRole('radio', { name: 'V', exact: true }).click();
  await server.stop();
  await field.press('Enter');
  await page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Voltage A to B/ })
    .click();
  await field.fill('x');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('This is not a display');
  await field.fill('OL');
  await field.press('Enter');
  await expect(page.getByTestId('save')).toContainText(
    /not reachable|cannot be reached|Stored in this browser|not saved/i,
  );
  await server.start();
  await saved(page);
  const { readings = [] } = (await stored(server, 'Float-level divider')).document;
  const [pair, over] = readings.slice(-2) as [Reading, Reading];
  expect(pair.observations.map(({ shown, unit }) => shown + unit)).toEqual(['2270mV', '2.27V']);
  expect(over.observations[0]).toMatchObject({ shown: 'OL', unit: 'V' });
  await page.reload();
  await expect(page.getByRole('row', { name: new RegExp(`^${over.id} `) })).toContainText('does not agree');
});

test('a meter is placed without the plan; a resistance becomes the measured value; the large view goes by the Page keys', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page.getByRole('button', { name: 'Without the plan' }).click();
  const free = page.getByRole('region', { name: 'Reading without the plan' });
  await free.getByRole('radio', { name: 'Resistance' }).click();
  await free.getByRole('button', { name: /^Part, out of the circuit/ }).click();
  await page.getByRole('option', { name: 'R4' }).click();
  await free.getByRole('textbox').fill('27.4k');
  await page.keyboard.press('Enter');
  await expect(free).toContainText('+1.5 %, within tolerance');
  await free.getByRole('button', { name: 'Take as measured value' }).click();
  await saved(page);
  const { document } = await stored(server, 'Float-level divider');
  expect(document.network.elements.find(({ id }) => id === 'R4')).toMatchObject({ measuredResistance: 27_400 });

  // One of two meters that are connected at the same time: the reading keeps the other.
  await free.getByRole('button', { name: /^From a set-up/ }).click();
  await page.getByRole('option', { name: 'V1 of S-3, its other meters connected' }).click();
  await expect(free).toContainText('connected with it: A1');
  await free.getByRole('textbox').fill('6.38');
  await page.keyboard.press('Enter');
  await saved(page);
  const both = (await stored(server, 'Float-level divider')).document.readings!.at(-1)!;
  expect(both).toMatchObject({ quantity: 'dc-voltage', alongside: [{ id: 'A1', quantity: 'dc-current' }] });
  await expect(free.getByRole('status')).toContainText('agrees');

  await free.getByRole('button', { name: 'Back to the plan' }).click();
  await page.keyboard.press('b');
  const large = page.getByRole('dialog', { name: 'Large view' });
  const heading = large.getByRole('heading');
  const first = await heading.innerText();
  await page.keyboard.press('PageDown');
  await expect(heading).not.toHaveText(first);
  await page.keyboard.press('PageUp');
  await expect(heading).toHaveText(first);
  // What was typed and not kept yet is there when one comes back.
  for (let at = 0; at < 12 && !(await large.getByRole('textbox').isVisible()); at += 1) {
    const before = await heading.innerText();
    await page.keyboard.press('PageDown');
    await expect(heading).not.toHaveText(before);
  }
  await large.getByRole('textbox').fill('23.9');
  await page.keyboard.press('PageDown');
  await page.keyboard.press('PageUp');
  await expect(large.getByRole('textbox')).toHaveValue('23.9');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(large).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('a sweep finds the resistance with both meters’ effects taken out; what was typed is there after a reload', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Resistor by voltmeter and ammeter', 'Readings');
  await page.getByRole('tab', { name: 'Sweep' }).click();
  // 680 Ω behind the old meter's 20 kΩ across it: V/I alone comes to 657.6 Ω.
  await page.getByRole('button', { name: /^Voltmeter and range/ }).click();
  await page.getByRole('option', { name: /2 kΩ\/V, 10 V/ }).click();
  for (const [index, volts] of [1.5, 3, 4.5, 6].entries()) {
    const field = (what: string) => page.getByRole('textbox', { name: `${what} at setting ${index + 1}` });
    await field('Voltage').fill(`${volts}`);
    await field('Current').fill(`${((volts / 680 + volts / 20_000) * 1000).toFixed(6)}m`);
    await field('Current').press('Enter');
  }
  const found = page.getByRole('tabpanel', { name: 'Sweep' }).getByRole('status');
  await expect(found).toContainText('R1 = 680');
  await page.reload();
  await page.getByRole('tab', { name: 'Sweep' }).click();
  await expect(found).toContainText('R1 = 680');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('what does not agree is explained: two digits exchanged; a fault of the circuit is tried, the telling reading proposed', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  const explanations = page.getByRole('grid', { name: 'Explanations, best first' }).getByRole('row');
  const card = page.getByRole('region', { name: 'Explanation', exact: true });
  // The head, the explanations and the fault-free circuit.
  await expect(explanations.nth(1)).toContainText('Two digits of M8 were exchanged: the display was 4.07.');
  await expect(card).toContainText('Two digits of M8 were exchanged');
  await explanations
    .last()
    .getByRole('gridcell', { name: /^–, M8: / })
    .click();
  await expect(card).toContainText('M8 read 4.700 V');
  for (const _ of [1, 2, 3]) await page.keyboard.press('ArrowUp');
  await expect(card).toContainText('Two digits of M8 were exchanged');
  await card.getByRole('button', { name: 'Accept into the record' }).click();
  await saved(page);
  const { document } = await stored(server, 'Float-level divider');
  expect(document.readings!.find(({ id }) => id === 'M8')!.note).toContain('Two digits of M8 were exchanged');

  // R4 outside its tolerance would explain it nearly as well: the next reading leaves one of the two.
  await expect(explanations).toHaveCount(5);
  await expect(explanations.nth(2)).toContainText('R4 has 32.8');
  const next = page.getByRole('region', { name: 'Read this next' });
  await expect(next).toContainText('Read this next: voltage C to 0');
  await next.getByRole('button', { name: 'Open this step' }).click();
  const free = page.getByRole('region', { name: 'Reading without the plan' });
  await free.getByRole('textbox').fill('4.07');
  await free.getByRole('textbox').press('Enter');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await expect(explanations).toHaveCount(3);
  await expect(explanations.nth(1)).toContainText('Two digits of M8 were exchanged');
  expect(await violations(page)).toEqual([]);
  await saved(page);

  // R3 open: nothing at C. Which of its legs, or the lead, two readings cannot tell.
  const volts = (id: string, red: string, shown: string): Reading => ({
    id,
    quantity: 'dc-voltage',
    instrument: 'digital-2000',
    range: '20 V',
    red,
    black: '0',
    observations: [{ shown, unit: 'V' }],
  });
  const readings = [volts('M1', 'B', '9.84'), volts('M2', 'C', '0.00')];
  await server.ask('POST', '/jobs', { document: { ...document, title: 'Divider with a break', readings } });
  await openJob(page, server, 'Divider with a break', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await expect(explanations.nth(1)).toContainText('R3 is open.');
  // Both of its legs, or the lead at C: no other place of the circuit separates them either.
  await card.getByRole('button', { name: 'Try on the drawing' }).click();
  await expect(page.getByText('tried: R3 is open.')).toBeVisible();
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await page.getByRole('checkbox', { name: 'EMF of E1', exact: true }).check();
  await page.getByRole('button', { name: 'Fit to the readings' }).click();
  await expect(page.getByText(/No plausible values explain the readings/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('an instrument is set by its picture; the needle is placed by key, by hand and by its figure', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page
    .getByRole('list', { name: 'Steps of the plan' })
    .getByRole('button', { name: /Current at 0 into E1/ })
    .click();
  // Controls that the previous step left in another position are named, and drawn with arrows.
  await expect(
    page.getByRole('img', { name: /set to A, range 2 mA; red lead: V → mA; function: V → A; range: 20 V → 2 mA/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Without the plan' }).click();
  const free = page.getByRole('region', { name: 'Reading without the plan' });
  await free.getByRole('radio', { name: 'Voltage' }).click();
  await free.getByRole('button', { name: /^Instrument/ }).click();
  await page.getByRole('option', { name: /^Old analogue/ }).click();
  await free.getByRole('radio', { name: '10 V', exact: true }).click();
  const field = free.getByLabel(/^What the display says/);
  const figure = free.getByRole('textbox', { name: 'Needle at' });
  const needle = free.getByRole('slider', { name: 'Needle' });
  await expect(free.getByText('Read the scale 0–10')).toBeVisible();
  await figure.fill('3.64');
  await expect(field).toHaveValue('3.64');
  await expect(needle).toHaveAttribute('aria-valuetext', '3.64 on 0–10, 3.640\u00a0V');
  await needle.focus();
  await page.keyboard.press('ArrowRight');
  await expect(field).toHaveValue('3.68');
  await page.keyboard.press('PageDown');
  await expect(field).toHaveValue('2.68');
  // A press in the middle of the dial is half of full scale.
  const dial = (await needle.boundingBox())!;
  await page.mouse.click(dial.x + dial.width / 2, dial.y + dial.height / 3);
  await expect(field).toHaveValue('5.00');
  // Another range has another scale; 18.2 on 0–50 is 18.2 V there.
  await free.getByRole('radio', { name: '50 V', exact: true }).click();
  await expect(free.getByText('Read the scale 0–50').or(free.getByText('on 0–50 ='))).toBeVisible();
  await figure.fill('18.2');
  await expect(field).toHaveValue('18.2');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});
