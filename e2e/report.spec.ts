import { readFileSync, writeFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { newFolder } from '../apps/server/src/test/running-server.ts';
import { violations } from './axe.ts';
import { expect, openJob, saved, stored, test } from './demo-page.ts';

const sheet = (page: Page) => page.getByRole('region', { name: 'Report', exact: true });
const panel = (page: Page) => page.getByRole('complementary', { name: 'Step' });
const reportTab = (page: Page) => page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name: 'Report' });

/** Returns the file that a button saves. */
async function savedFile(page: Page, name: string): Promise<{ readonly name: string; readonly text: string }> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name }).click();
  const file = await download;
  return { name: file.suggestedFilename(), text: readFileSync(await file.path(), 'utf8') };
}

test('the report tells what came of the job: verdicts, loading in words, diagnosis, calibration on the day', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Report');
  const report = sheet(page);
  await expect(report).toContainText('8 readings, and 1 struck out: 6 agree');
  await expect(report).toContainText('so it indicates 42.6\u00a0% less: 3.653\u00a0V where 6.367\u00a0V is true.');
  await expect(report).toContainText('Two digits of M8 were exchanged: the display was 4.07');
  await expect(report).toContainText(
    'Old analogue multimeter, 2 kΩ/V (SL-031) was overdue for calibration when M7 was taken.',
  );
  await expect(report.getByRole('row', { name: /^M5/ })).toContainText('Struck out');
  await expect(report.getByRole('row', { name: /^M7/ })).toContainText('explained by loading');
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('the bench is restored and the record signed by key alone; an edit makes a new draft; the signed one stays', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  await page.keyboard.press('Alt+5');
  await expect(reportTab(page)).toContainText('not signed');
  await expect(panel(page)).toContainText('5 of 5 not ticked off');
  const boxes = panel(page).getByRole('region', { name: 'Restore the bench' }).getByRole('checkbox');
  await boxes.first().focus();
  for (let box = 0; box < 5; box += 1) {
    await page.keyboard.press('Space');
    await page.keyboard.press('Tab');
  }
  await expect(panel(page)).toContainText('Everything is ticked off.');
  await page.reload();
  await expect(panel(page)).toContainText('Everything is ticked off.');
  await page.getByLabel('Your name').focus();
  await expect(page.getByLabel('Your name')).toHaveValue('J. Marsh');
  await page.keyboard.press('Enter');
  await expect(reportTab(page)).toContainText('signed');
  await expect(sheet(page)).toContainText('The document is frozen as it was then.');
  await expect(sheet(page)).toContainText(/Record \(.*\): [0-9a-f]{64}/);
  await expect(panel(page).getByRole('checkbox', { name: 'Drawing' })).toBeDisabled();
  await page.getByRole('link', { name: 'History' }).click();
  await expect(page.getByRole('complementary', { name: 'Versions' })).toContainText('signed by J. Marsh');
  await page.goBack();
  await expect(sheet(page)).toBeVisible();
  const { document } = await stored(server, 'Float-level divider');

  await page.goto(page.url().replace('/report', '/network'));
  const field = page.getByLabel('Title of the job');
  await field.fill('Float-level divider, looked at again');
  await field.press('Enter');
  await saved(page);
  await expect(reportTab(page)).toContainText('new draft');
  await reportTab(page).click();
  await expect(sheet(page)).toContainText('New draft. This record was signed by J. Marsh');
  // What is looked for meanwhile moves nothing: a link stays under the finger that is on it.
  const link = page.getByRole('link', { name: /^Open.*J. Marsh/ });
  const place = await link.boundingBox();
  await expect(panel(page)).not.toContainText('Searching for explanations');
  expect(await link.boundingBox()).toEqual(place);
  await link.click();
  await expect(sheet(page).getByRole('heading', { level: 1 })).toHaveText(document.title!);
  await expect(sheet(page)).toContainText('Signed by J. Marsh');
  await page.getByRole('link', { name: 'Open the present job' }).click();
  await expect(sheet(page).getByRole('heading', { level: 1 })).toHaveText('Float-level divider, looked at again');
  // Undone, it is what was signed.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(sheet(page)).toContainText('The document is frozen as it was then.');
  expect(faults).toEqual([]);
});

test('what the page saves is what the command line writes, and needs nothing beside it', async ({
  page,
  server,
  context,
  faults,
}) => {
  await openJob(page, server, 'Level loop', 'Report');
  await page.getByRole('checkbox', { name: 'Diagnosis' }).uncheck();
  await expect(sheet(page).getByRole('heading', { name: 'Diagnosis' })).toBeHidden();
  await page.getByRole('checkbox', { name: 'Diagnosis' }).check();
  const file = await savedFile(page, 'Save as HTML');
  expect(file.name).toBe('Level-loop.report.html');
  const { document } = await stored(server, 'Level loop');
  const kit = (await server.ask('GET', '/instruments')).json as { document: object }[];
  const folder = newFolder();
  const at = (name: string, text: string): string => {
    writeFileSync(join(folder, name), text);
    return join(folder, name);
  };
  const job = at('loop.job.json', JSON.stringify(document));
  const kitFile = at(
    'shop.kit.json',
    JSON.stringify({ format: 'usual-drag/kit', version: 1, instruments: kit.map((one) => one.document) }),
  );
  const out = join(folder, 'loop.html');
  const { status, stdout } = spawnSync(
    'npm',
    ['run', '-s', 'cli', '--', 'report', job, '--kit', kitFile, '--out', out],
    { encoding: 'utf8' },
  );
  expect(status).toBe(0);
  expect(readFileSync(out, 'utf8')).toBe(file.text);
  expect(file.text).toContain((JSON.parse(stdout) as { document: string }).document);

  // Opened from the disk, without the server, it asks for nothing.
  const alone = await context.newPage();
  const asked: string[] = [];
  alone.on('request', (request) => asked.push(request.url()));
  await alone.goto(`file://${out}`);
  await expect(alone.getByRole('heading', { level: 1 })).toHaveText('Level loop');
  expect(asked.filter((url) => !url.startsWith('data:'))).toEqual([`file://${out}`]);
  expect(await violations(alone)).toEqual([]);
  expect(faults).toEqual([]);
});

test('it prints on A4 and nothing of the page around it; no row and no drawing is cut', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder panel', 'Report');
  await expect(sheet(page)).toContainText('6 readings: all agree');
  await page.emulateMedia({ media: 'print' });
  for (const name of ['Pages', 'Steps']) await expect(page.getByRole('navigation', { name })).toBeHidden();
  await expect(panel(page)).toBeHidden();
  const kept = await page.evaluate(() =>
    [...document.querySelectorAll('.report tr, .report figure')].every(
      (one) => getComputedStyle(one).breakInside === 'avoid',
    ),
  );
  expect(kept).toBe(true);
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  const boxes = [...pdf.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/g)].map(([, w, h]) => [Number(w), Number(h)]);
  expect(boxes.length).toBeGreaterThanOrEqual(3);
  expect(boxes.length).toBeLessThanOrEqual(5);
  for (const [width, height] of boxes) {
    expect(width).toBeCloseTo(595, -0.5);
    expect(height).toBeCloseTo(842, -0.5);
  }
  expect(faults).toEqual([]);
});

test('readings are saved as a table with what they were compared with; what is not saved yet cannot be signed', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Beacon and sounder panel', 'Report');
  const { name, text } = await savedFile(page, 'Save readings as CSV');
  expect(name).toBe('Beacon-and-sounder-panel.readings.csv');
  const [head, first] = text.split(/\r?\n/);
  expect(head).toContain('verdict');
  expect(first).toMatch(/^M1,dc-voltage,plant-digital,50 V,A,0,.*,12\.591,V,/);
  // The certificate's error at 12.591 V, 0.0124 V, is off the value.
  expect(Number(first!.split(',')[head!.split(',').indexOf('value')])).toBeCloseTo(12.591 - 0.012386, 5);

  await page.route('**/api/jobs/*', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
  await page.getByLabel('Title of the job').fill('Not saved');
  await page.getByLabel('Title of the job').press('Enter');
  await expect(panel(page)).toContainText('Not saved yet. Sign after it is saved.');
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toBeDisabled();
  await page.unroute('**/api/jobs/*');
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toBeEnabled({ timeout: 30_000 });
  expect(faults.filter((fault) => !fault.includes('net::ERR_FAILED'))).toEqual([]);
  faults.length = 0;
});

test('a range is checked against a standard; its error moves the display to expect and the corrected reading', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/kit/digital-2000`);
  await page.getByRole('link', { name: /check against a standard/ }).click();
  await page.getByRole('button', { name: /^Range DC/ }).click();
  await page.getByRole('option', { name: 'DC volts, 20 V' }).click();
  await page.getByLabel('U of the standard, k = 2').fill('4m');
  for (const [point, indicated] of ['2.04', '5.05', '10.06', '15.07', '19.08'].entries()) {
    await page.getByLabel(`Indicated at point ${point + 1}`).fill(indicated);
    await page.keyboard.press('Enter');
  }
  const points = page.getByRole('table', { name: 'Points' });
  await expect(points.getByRole('row').nth(1)).toContainText('+40.0\u00a0mV');
  // 0.5 % of 2.04 V, two counts and half a count of 10 mV: 35.2 mV.
  await expect(points.getByRole('row').nth(1)).toContainText('±35.2\u00a0mV');
  await expect(points.getByRole('row').nth(1)).toContainText('cannot be decided');
  await expect(points.getByRole('row').nth(3)).toContainText('within its limit');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Keep as its certificate' }).click();
  await expect(page.getByRole('region', { name: 'Present certificate' })).toContainText('U = 7.0\u00a0mV');

  // The job takes the kit's version; then the display has the error, and the correction takes it off.
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const meter = page.getByRole('region', { name: 'Meter V1' });
  await meter.getByRole('button', { name: /^Instrument of V1/ }).click();
  await page.getByRole('option', { name: /^Handheld digital/ }).click();
  await page.getByRole('button', { name: 'Update from the kit' }).click();
  await meter.getByRole('radio', { name: '20 V', exact: true }).click();
  // 6.3578 V at the meter: 0.05 + 0.01·(6.3578 − 5)/5 more, 6.4105.
  await expect(page.getByTestId('display')).toContainText('6.41\u00a0V'.replace('\u00a0', ' '));
  await expect(meter).toContainText('own error by its certificate of');
  await page.getByRole('tab', { name: 'Correct' }).click();
  await expect(page.getByRole('region', { name: 'Corrected reading of V1' })).toContainText(
    'subtracted first: 6.3578\u00a0V',
  );
  expect(faults).toEqual([]);
});

test('calibrations are listed with what is due first, and found from the kit', async ({ page, server, faults }) => {
  await page.goto(`${server.address}/kit`);
  await page.getByRole('link', { name: /^Calibrations: 1 overdue, 1 due within 30 days/ }).click();
  const rows = page.getByRole('table', { name: /^Calibrations/ }).getByRole('row');
  await expect(rows.nth(1)).toContainText('Old analogue multimeter');
  await expect(rows.nth(1)).toContainText('overdue since');
  await expect(rows.last()).toContainText('no calibration is noted');
  const { text } = await savedFile(page, 'Save as CSV');
  expect(text.split(/\r?\n/)[0]).toBe(
    'instrument,assetTag,calibratedOn,laboratory,certificateNumber,months,dueOn,state',
  );
  await rows.nth(1).getByRole('link').click();
  await expect(page.getByRole('textbox', { name: 'Name of the instrument' })).toHaveValue(/^Old analogue/);
  expect(faults).toEqual([]);
});
