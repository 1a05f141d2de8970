import { expect, test } from './demo-page.ts';
import { axe, fileOf, open, sheet, type } from './workshop.ts';

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
  await type(page, 'Error limit', '0.2');
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
  await expect(page.getByRole('table', { name: 'Standard shunts' })).toContainText('the movement carries more');
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

test('warmth, faults, the fuse, and what it would do in a job before it is built', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page, 'Feed-current panel meter');
  await sheet(page, 'Temperature and faults');
  const errors = page.getByRole('table', { name: 'Error over temperature' });
  // 1.8 kΩ of copper, 10 K warmer, beside 7.229 Ω of film that gains 50 millionths a kelvin.
  const shunt = 0.18 / 0.0249;
  const film = shunt * 1.0005;
  const warm = (film / (film + 1800 * 1.0393) / shunt) * (shunt + 1800) - 1;
  await expect(errors.getByRole('row', { name: /^25 mA/ })).toContainText(`−${(-100 * warm).toFixed(2)}\u00a0%`);
  const meterFaults = page.getByRole('table', { name: 'Faults and wrong ranges of the ammeter' });
  await expect(meterFaults.getByRole('row', { name: /^A1 opens on the 2\.5 A range/ })).toContainText(
    '25,000 × full scale',
  );
  await type(page, 'Fuse in series', '3.15');
  await type(page, 'Its resistance', '0.02');
  const burden = page.getByRole('table', { name: 'Burden with the fuse' });
  await expect(burden.getByRole('row', { name: /^2\.5 A/ })).toContainText('230.7\u00a0mV');
  await axe(page);
  await page.getByRole('button', { name: /^Add 5\.01 kΩ in series with the coil/ }).click();
  await expect(page.getByText(/In use as 100\sµA, 6\.81\skΩ/)).toBeVisible();
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
