import { readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { expect, figure, openJob, test } from './bench.ts';
import type { Page } from '@playwright/test';

const open = (page: Page) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Workshop' }).click();

async function type(page: Page, name: string, value: string): Promise<void> {
  const field = page.getByRole('textbox', { name, exact: true });
  await field.fill(value);
  await field.press('Enter');
}

test('a universal shunt is made from nothing, put into the kit, and used on a job', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page);
  await page.getByRole('button', { name: 'Design', exact: true }).click();
  await type(page, 'Name of the meter', 'Sump pump ammeter');
  await page.getByRole('radio', { name: 'ammeter' }).click();
  await type(page, 'Full-scale current', '500u');
  await type(page, 'Coil resistance', '200');
  await type(page, 'Range 1', '50mA');
  await page.getByRole('button', { name: 'Range', exact: true }).click();
  const ranges = page.getByRole('table', { name: 'Ranges of the finished meter' });
  const ring = (500e-6 * 200) / (0.05 - 500e-6);
  await expect(ranges.getByRole('row', { name: /^50 mA/ })).toContainText(`${ring.toFixed(4)}\u00a0Ω`);
  const tap = (500e-6 * (ring + 200)) / 0.5;
  await expect(ranges.getByRole('row', { name: /^500 mA/ })).toContainText(`${(1000 * tap).toFixed(2)}\u00a0mΩ`);
  await expect(page.getByText('Solved as a network, the movement stands at full scale on every range')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Finished meter' })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.getByRole('button', { name: 'Put it in the kit' }).click();
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the instrument' })).toHaveValue('Sump pump ammeter');

  await openJob(page, server, 'Beacon and sounder panel', 'Set-ups');
  await page.getByRole('button', { name: /Instrument of A1/ }).click();
  await page.getByRole('option', { name: 'Sump pump ammeter' }).click();
  // 500 mA range: what the ring leaves of 0.2 Ω beside the movement drags on 12.6 V behind about 29 Ω.
  await expect.poll(() => figure(page, 'error')).toBeLessThan(-0.5);
  await expect(page.getByTestId('formula')).toContainText('the meter adds');
  expect(faults).toEqual([]);
});

test('a multiplier string: other parts, contradictions refused, files out and in, kept over a reload', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await open(page);
  await page.getByRole('button', { name: 'Level-loop test voltmeter' }).click();
  const sections = page.getByRole('region', { name: 'Sections' }).getByRole('listitem');
  await expect(sections).toHaveCount(3);
  await expect(sections.nth(0)).toContainText('2.5\u00a0V / 50\u00a0µA − 2\u00a0kΩ = 48.000\u00a0kΩ');
  await expect(sections.nth(2)).toContainText('= 800.00\u00a0kΩ');
  await page.getByRole('radio', { name: '1', exact: true }).click();
  await expect(sections.nth(1)).toContainText('take 150\u00a0kΩ');

  await type(page, 'Full-scale voltage', '0.2');
  await expect(page.getByRole('alert')).toContainText('drop 0.1 V, not 0.2 V');
  await page.getByRole('textbox', { name: 'Full-scale voltage' }).press('Escape');
  await type(page, 'Range 1', '0.05');
  await expect(page.getByRole('note')).toContainText('is not above the 0.1 V at which the movement');
  await type(page, 'Range 1', '5');
  await expect(sections.nth(0)).toContainText('5\u00a0V / 50\u00a0µA');

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a design file' }).click();
  const file = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as { ranges: number[] };
  expect(file.ranges).toEqual([5, 10, 50]);
  const give = (text: string) =>
    page
      .getByLabel('Design file to open')
      .setInputFiles({ name: 'meter.design.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await give(JSON.stringify({ ...file, title: 'From a file' }));
  await expect(page.getByRole('button', { name: 'From a file' })).toHaveAttribute('aria-pressed', 'true');
  await give(JSON.stringify({ ...file, colour: 'red' }));
  await expect(page.getByText(/colour is not a key of this format/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'From a file' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('the scale at true size, both schemes, and the coil that warms', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page);
  const scale = page.getByRole('img', { name: 'Scale of the finished meter' });
  await expect(scale).toHaveAttribute('width', /^\d+mm$/);
  await type(page, 'Radius, mm', '40');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Scale as SVG' }).click();
  expect(readFileSync(await (await download).path(), 'utf8')).toMatch(/A40 40 0 0 1 /);
  await type(page, 'Radius, mm', '900');
  await expect(page.getByRole('alert')).toContainText('From 20 to 200');

  await page.getByText('Both schemes side by side').click();
  await expect(page.getByRole('cell', { name: /burns out/ })).toBeVisible();
  await page.getByText('When the coil warms').click();
  const errors = page.getByRole('table', { name: 'Error over temperature' });
  // 1.8 kΩ of copper, 10 K warmer, beside 7.229 Ω: all but the whole 3.93 % less.
  const ring = 0.18 / 0.0249;
  const warm = (ring + 1800) / (ring + 1800 * 1.0393) - 1;
  await expect(errors.getByRole('row', { name: /^25 mA/ })).toContainText(`−${(-100 * warm).toFixed(2)}\u00a0%`);
  await expect(page.getByText(/A swamping resistor of 5\.\d+\u00a0kΩ/)).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  expect(faults).toEqual([]);
});
