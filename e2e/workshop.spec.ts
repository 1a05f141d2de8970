import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, figure, openJob, test } from './bench.ts';
import type { Download, Page } from '@playwright/test';

async function open(page: Page, design?: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Workshop' }).click();
  if (design) await page.getByRole('button', { name: design }).click();
}

const sheet = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Sheets' }).getByRole('link', { name }).click();

async function type(page: Page, name: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(value);
  await field.press('Enter');
}

async function fileOf(page: Page, button: string): Promise<string> {
  const download: Promise<Download> = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFileSync(await (await download).path(), 'utf8');
}

const axe = async (page: Page): Promise<void> =>
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);

test('a universal shunt is made from nothing, put into the kit, used on a job, and renewed', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page);
  await page.getByRole('button', { name: 'Design', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'New meter' })).toBeVisible();
  await type(page, 'Name of the meter', 'Sump pump ammeter');
  await page.getByRole('button', { name: 'make it an ammeter instead' }).click();
  await type(page, 'Full-scale current', '500u');
  await type(page, 'Coil resistance', '200');
  await type(page, 'Current range 1', '50mA');
  await type(page, 'Current range 2', '500mA');
  const ranges = page.getByRole('table', { name: 'Ranges of the ammeter' });
  const ring = (500e-6 * 200) / (0.05 - 500e-6);
  await expect(ranges.getByRole('row', { name: /^50 mA/ })).toContainText(`${ring.toFixed(4)}\u00a0Ω`);
  const tap = (500e-6 * (ring + 200)) / 0.5;
  await expect(ranges.getByRole('row', { name: /^500 mA/ })).toContainText(`${(1000 * tap).toFixed(2)}\u00a0mΩ`);
  await expect(page.getByText('Solved as a network, the movement stands at full scale on every range')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Finished meter' })).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Put it in the kit' }).click();
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the instrument' })).toHaveValue('Sump pump ammeter');

  await openJob(page, server, 'Beacon and sounder panel', 'Set-ups');
  await page.getByRole('button', { name: /Instrument of A1/ }).click();
  await page.getByRole('option', { name: 'Sump pump ammeter' }).click();
  // 500 mA range: what the ring leaves of 0.2 Ω beside the movement drags on 12.6 V behind about 29 Ω.
  await expect.poll(() => figure(page, 'error')).toBeLessThan(-0.5);
  await expect(page.getByTestId('formula')).toContainText('the meter adds');

  await open(page, 'Sump pump ammeter');
  await type(page, 'Class', '2.5');
  await page.getByRole('button', { name: 'Renew it in the kit (version 2)' }).click();
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole('textbox', { name: 'Own notes' })).toHaveValue(/^Made in the workshop, version 2 of /);
  expect(faults).toEqual([]);
});

test('a multiplier string is made from nothing and read with on a job', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page);
  await page.getByRole('button', { name: 'Design', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'New meter' })).toBeVisible();
  await type(page, 'Name of the meter', 'Loop voltmeter');
  await type(page, 'Full-scale current', '50u');
  await type(page, 'Coil resistance', '2k');
  await type(page, 'Voltage range 1', '2.5');
  for (const _ of [2, 3]) await page.getByRole('button', { name: 'One more voltage range' }).click();
  await type(page, 'Voltage range 3', '50');
  await type(page, 'Voltage range 2', '10');
  await page.getByRole('button', { name: 'Put it in the kit' }).click();
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  await page.getByRole('button', { name: /Instrument of V1/ }).click();
  await page.getByRole('option', { name: 'Loop voltmeter' }).click();
  // 200 kΩ on its 10 V range across 14.86 kΩ: it takes about 7 % of the voltage.
  await expect(page.getByTestId('formula')).toContainText('200');
  await expect.poll(() => figure(page, 'error')).toBeLessThan(-6);
  expect(faults).toEqual([]);
});

test('a multiplier string: other parts, contradictions refused, undo, files out and in, kept on the server', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page, 'Level-loop test voltmeter');
  const sections = page.getByRole('list', { name: 'Sections of the voltmeter' }).getByRole('listitem');
  await expect(sections).toHaveCount(3);
  await expect(sections.nth(0)).toContainText('2.5\u00a0V / 50\u00a0µA − 2\u00a0kΩ = 48.000\u00a0kΩ');
  await expect(sections.nth(2)).toContainText('= 800.00\u00a0kΩ');
  await page.getByRole('radio', { name: '1', exact: true }).click();
  await expect(sections.nth(1)).toContainText('take 150\u00a0kΩ');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: '2', exact: true })).toBeChecked();
  await page.getByRole('heading', { name: 'Workshop' }).click();
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByRole('radio', { name: '1', exact: true })).toBeChecked();

  await type(page, 'Full-scale voltage', '0.2');
  await expect(page.getByRole('alert')).toContainText('drop 0.1 V, not 0.2 V');
  await page.getByRole('textbox', { name: 'Full-scale voltage' }).press('Escape');
  await type(page, 'Voltage range 1', '0.05');
  await expect(page.getByRole('note')).toContainText('is not above the 0.1 V at which the movement');
  await type(page, 'Voltage range 1', '5');
  await expect(sections.nth(0)).toContainText('5\u00a0V / 50\u00a0µA');

  const file = JSON.parse(await fileOf(page, 'Save as a design file')) as { ranges: number[] };
  expect(file.ranges).toEqual([5, 10, 50]);
  const give = (text: string) =>
    page
      .getByLabel('Design file to open')
      .setInputFiles({ name: 'meter.design.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await give(JSON.stringify({ ...file, title: 'From a file' }));
  await expect(page.getByRole('button', { name: 'From a file' })).toHaveAttribute('aria-pressed', 'true');
  await give(JSON.stringify({ ...file, colour: 'red' }));
  await expect(page.getByText(/colour is not a key of this format/)).toBeVisible();

  await page.getByRole('button', { name: 'Put this design away' }).click();
  await expect(page.getByText('“From a file” put away.')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'From a file' })).toBeHidden();
  await page.getByText('Put away', { exact: true }).click();
  await page.getByRole('button', { name: 'From a file' }).click();
  await page.getByRole('button', { name: 'Back on the board' }).click();
  await expect(page.getByRole('heading', { name: 'From a file' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('the movement from measurements, a shunt that was in it, and a voltmeter on its ring', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page, 'Feed-current panel meter');
  await page.getByText('From measurements').click();
  await type(page, 'Supply', '2');
  await type(page, 'In series', '18.2k');
  await type(page, 'Then across it', '1.6k');
  // 18.2 kΩ with 1.6 kΩ at half: the coil is 18.2 · 1.6/(18.2 − 1.6) kΩ.
  const coil = (18_200 * 1600) / (18_200 - 1600);
  await expect(page.getByText(`${(coil / 1000).toFixed(3)}\u00a0kΩ ±`)).toBeVisible();
  await expect(page.getByText(/taken for the coil itself would be −8\.8/)).toBeVisible();
  await page.getByRole('button', { name: 'Take these figures' }).click();
  await expect(page.getByRole('textbox', { name: 'Coil resistance' })).toHaveValue(/^1\.7542/);
  await type(page, 'Then across it', '50k');
  await expect(page.getByText('No coil does this')).toBeVisible();
  await type(page, 'Full-scale current', '100u');
  await type(page, 'Coil resistance', '1.8k');

  await page.getByText('Already in it').click();
  await page.getByRole('radio', { name: 'a shunt', exact: true }).click();
  await type(page, 'Its resistance', '18k');
  // 10 µA of the 100 µA passed the shunt: taken out, the coil has 2 kΩ and 90 µA.
  await expect(page.getByText('In use as 90\u00a0µA, 2\u00a0kΩ, 180\u00a0mV.')).toBeVisible();
  await page.getByRole('radio', { name: 'nothing', exact: true }).click();

  await page.getByRole('button', { name: 'voltmeter on the same movement' }).click();
  await page.getByRole('radio', { name: 'movement and ring' }).click();
  const volts = page.getByRole('table', { name: 'Ranges of the voltmeter' });
  // 25 mA full scale: 40 Ω for a volt.
  await expect(volts.getByRole('row', { name: /^10 V/ })).toContainText('40\u00a0Ω');
  await sheet(page, 'Build and scale');
  await expect(page.getByRole('table', { name: 'Selector' }).getByRole('row')).toHaveCount(1 + 5);
  await expect(page.getByRole('table', { name: 'Selector' })).toContainText('the ring stays across the movement');
  await axe(page);
  expect(faults).toEqual([]);
});

test('parts and errors: sampled, priced, of wire, of a stock, within their ratings, trimmed', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page, 'Feed-current panel meter');
  await sheet(page, 'Parts and errors');
  const errors = page.getByRole('table', { name: 'Error at full scale of the ammeter' });
  await expect(errors.getByRole('row', { name: /^25 mA/ })).toContainText(/−0\.8\d?\s%/);
  await type(page, 'Error to keep', '0.2');
  await expect(page.getByText(/of 0\.1\s% a section keeps within ±0\.2\s%/)).toBeVisible();
  await page.getByText('Prices', { exact: true }).click();
  await type(page, 'one of 0.1 %', '100');
  await expect(page.getByText(/of 0\.05\s% a section keeps within ±0\.2\s%/)).toBeVisible();
  const wire = page.getByRole('table', { name: 'Shunts of wire' });
  await expect(wire.getByRole('row', { name: /^A1/ })).toContainText('mm');
  await page.getByRole('button', { name: /^Wire of A1/ }).click();
  await page.getByRole('option', { name: 'A1: 0.1 mm' }).click();
  // 72.29 mΩ · (π/4)(0.1 mm)²/0.43 µΩm.
  await expect(wire.getByRole('row', { name: /^A1/ })).toContainText('1.3 mm');
  await expect(page.getByText(/A1 of 0\.1 mm is too short/)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Bought shunts' })).toContainText('the movement takes more');
  await axe(page);

  const stock =
    'value,count,tolerance\n75m,1,0.1 %\n2R,4,0.1 %\n0R68,3,0.1 %\n15R,2,0.1 %\n6R8,2,0.1 %\n150R,2,0.1 %\n';
  const give = (text: string) =>
    page
      .getByLabel('Stock list to open')
      .setInputFiles({ name: 'stock.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await give('value\nmany\n');
  await expect(page.getByText(/stock\.csv, row 2/)).toBeVisible();
  await give(stock);
  await expect(page.getByText(/Only from the stock: 6 values/)).toBeVisible();
  await sheet(page, 'Meter');
  const sections = page.getByRole('list', { name: 'Sections of the ammeter' }).getByRole('listitem');
  await expect(sections.nth(0)).toContainText('75\u00a0mΩ ∥ 2\u00a0Ω');
  await page.getByRole('button', { name: 'any value again' }).click();

  await page.getByRole('switch', { name: 'A trimmer in every section' }).click();
  await expect(sections.nth(2)).toContainText(/and across it .* \+ trimmer/);
  await page.getByRole('switch', { name: 'A trimmer in every section' }).click();
  await expect(page.getByText(/A1 puts \d+\smW into one resistor/)).toBeVisible();
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await type(page, 'Rating', '1');
  await page.getByRole('switch', { name: 'Only within half their power' }).click();
  await expect(page.getByText(/A1 puts \d+\smW into one resistor/)).toBeHidden();
  expect(faults).toEqual([]);
});

test('warmth, mishaps, the fuse, and what it would do in a job before it is built', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page, 'Feed-current panel meter');
  await sheet(page, 'Warmth and mishaps');
  const errors = page.getByRole('table', { name: 'Error over temperature' });
  // 1.8 kΩ of copper, 10 K warmer, beside 7.229 Ω of film that gains 50 millionths a kelvin.
  const ring = 0.18 / 0.0249;
  const film = ring * 1.0005;
  const warm = (film / (film + 1800 * 1.0393) / ring) * (ring + 1800) - 1;
  await expect(errors.getByRole('row', { name: /^25 mA/ })).toContainText(`−${(-100 * warm).toFixed(2)}\u00a0%`);
  const mishaps = page.getByRole('table', { name: 'When something goes wrong as ammeter' });
  await expect(mishaps.getByRole('row', { name: /^A1 opens on the 2\.5 A range/ })).toContainText(
    '25,000 × full scale',
  );
  await type(page, 'Fuse in series', '3.15');
  await type(page, 'Its resistance', '0.02');
  const burden = page.getByRole('table', { name: 'Burden with the fuse' });
  await expect(burden.getByRole('row', { name: /^2\.5 A/ })).toContainText('230.7\u00a0mV');
  await axe(page);
  await page.getByRole('button', { name: /^Put 5\.34 kΩ in series with the coil/ }).click();
  await expect(page.getByText(/In use as 100\sµA, 7\.14\skΩ/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();

  await sheet(page, 'In use');
  await page.getByRole('button', { name: /^Job/ }).click();
  await page.getByRole('option', { name: 'Beacon and sounder panel' }).click();
  const use = page.getByRole('table', { name: 'Insertion error in the job' });
  await expect(use.getByRole('row').nth(1)).toContainText('−');
  await axe(page);
  expect(faults).toEqual([]);
});

test('the build sheet prints, and the scale on it has its true size', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page, 'Feed-current panel meter');
  await sheet(page, 'Build and scale');
  const parts = await fileOf(page, 'Parts list, CSV');
  expect(parts.split(/\r?\n/)[0]).toBe('section,what,resistance / Ω,count,tolerance,rating / W,joined');
  expect(parts).toMatch(/A1,resistor,0\.075,1,1\s%,0\.25,parallel/);
  const points = await fileOf(page, 'Check points, CSV');
  expect(points.split(/\r?\n/)).toHaveLength(1 + 15);
  expect(points).toContain('0.05,A,5,10,');
  await type(page, 'Radius, mm', '40');
  await type(page, 'Radius, mm', '900');
  await expect(page.getByRole('alert')).toContainText('From 20 to 200');
  await page.getByRole('textbox', { name: 'Radius, mm' }).press('Escape');
  const svg = await fileOf(page, 'Scale as SVG');
  expect(svg).toMatch(/A40 40 0 0 1 /);

  // On paper a CSS millimetre is a millimetre: the arc's chord is 2 · 40 mm · sin 45°.
  await page.emulateMedia({ media: 'print' });
  const scale = page.getByRole('img', { name: 'Scale of the finished meter' });
  const chord = await scale
    .locator('path')
    .first()
    .evaluate((path) => {
      const [a, b] = [0, 1].map((share) => {
        const line = path as SVGPathElement;
        return line.getPointAtLength(share * line.getTotalLength()).matrixTransform(line.getScreenCTM()!);
      });
      return Math.hypot(a!.x - b!.x, a!.y - b!.y);
    });
  expect((chord / 96) * 25.4).toBeCloseTo(80 * Math.SQRT1_2, 1);
  await expect(page.getByRole('complementary', { name: 'Design' })).toBeHidden();
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000);
  await page.emulateMedia({ media: null });
  await axe(page);
  expect(faults).toEqual([]);
});

test('edits are kept while the server does not answer', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page, 'Level-loop test voltmeter');
  await page.route('**/api/workpieces/**', (route) => route.abort());
  await type(page, 'Voltage range 3', '100');
  await expect(page.getByText('The server does not answer: kept in this window')).toBeVisible();
  await page.unroute('**/api/workpieces/**');
  await page.goto(`${server.address}/workshop/level-loop`);
  await expect(page.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('100\u00a0V');
  faults.length = 0;
});

test('two windows never overwrite each other: mine or theirs is asked for', async ({
  page,
  server,
  faults,
  context,
}) => {
  await page.goto(`${server.address}/workshop/level-loop`);
  const other = await context.newPage();
  await other.goto(`${server.address}/workshop/level-loop`);
  await type(other, 'Voltage range 3', '60');
  await expect(other.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await type(page, 'Voltage range 3', '70');
  await expect(page.getByText('This workpiece has been changed since in another window.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await other.reload();
  await expect(other.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('70\u00a0V');
  await type(page, 'Voltage range 3', '80');
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  await type(other, 'Voltage range 3', '90');
  await other.getByRole('button', { name: 'Take theirs' }).click();
  await expect(other.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('80\u00a0V');
  faults.length = 0;
});

test('a meter is designed, looked through and put into the kit by key alone', async ({ page, server, faults }) => {
  await page.goto(`${server.address}/workshop/level-loop`);
  await page.getByRole('textbox', { name: 'Name of the meter' }).focus();
  const keys = async (...list: string[]): Promise<void> => {
    for (const key of list) await page.keyboard.press(key);
  };
  await page.keyboard.type('By key');
  await keys('Tab');
  await page.keyboard.type('100u');
  await keys('Tab');
  await page.keyboard.type('1k');
  await keys('Enter');
  await expect(page.getByRole('heading', { name: 'By key' })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Full-scale voltage' })).toHaveAttribute('placeholder', '100\u00a0mV');
  await page.getByRole('radio', { name: 'one tapped string' }).focus();
  await keys('ArrowLeft');
  await expect(page.getByText('multiplier of the 50\u00a0V range')).toBeVisible();
  await page.getByRole('link', { name: 'Warmth and mishaps' }).focus();
  await keys('Enter');
  await expect(page.getByRole('table', { name: 'When something goes wrong as voltmeter' })).toBeVisible();
  await page.getByRole('button', { name: 'Put it in the kit' }).focus();
  await keys('Enter');
  await expect(page.getByText('By key is in the kit')).toBeVisible();
  expect(faults).toEqual([]);
});
