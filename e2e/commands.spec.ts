import { newJob } from '@usual-drag/core/job';
import { strToU8, zipSync } from 'fflate';
import { expect, figure, openJob, saved, test } from './demo-page.ts';

test('a newcomer finds a job among 500 by its asset, adds an ammeter and reads its insertion error, by keyboard alone', async ({
  page,
  server,
  faults,
}) => {
  test.slow();
  const files = Object.fromEntries(
    Array.from({ length: 500 }, (_, k): [string, Uint8Array] => {
      const record = { asset: `SL-${1001 + k}`, order: `SL-WO-${k + 1}` };
      return [`${k}.job.json`, strToU8(JSON.stringify({ ...newJob(`Round ${k + 1}`), version: 2, record }))];
    }),
  );
  const made = await fetch(`${server.address}/api/jobs/import-archive`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: zipSync(files),
  });
  expect(made.status).toBe(201);
  await page.goto(server.address);
  const search = page.getByRole('searchbox', { name: 'Find a job' });
  await expect(search).toBeVisible();
  while (!(await search.evaluate((field) => field === document.activeElement))) await page.keyboard.press('Tab');
  await page.keyboard.type('sl-1437');
  await expect(page.getByText('1 of 508 jobs')).toBeVisible();
  const found = page.getByRole('link', { name: /^Round 437/ });
  while (!(await found.evaluate((link) => link === document.activeElement))) await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Add the first one')).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: 'Commands' })).toBeFocused();
  await page.keyboard.type('add ammeter');
  await expect(page.getByRole('option', { selected: true })).toContainText('Add ammeter');
  await page.keyboard.press('Enter');
  // 12 V behind 0.5 Ω into 10 kΩ; the instrument is read from the screen.
  await expect(page.getByText('Insertion error')).toBeVisible();
  await expect.poll(() => figure(page, 'true')).toBeCloseTo(12 / 10_000.5, 6);
  expect(await figure(page, 'error')).toBeLessThanOrEqual(0);
  await saved(page);
  expect(faults).toEqual([]);
});

test('the palette reaches pages, steps, views, jobs and topics by a few letters', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const go = async (letters: string, found: string): Promise<void> => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('combobox', { name: 'Commands' })).toBeFocused();
    await page.keyboard.type(letters);
    await expect(page.getByRole('option', { selected: true })).toContainText(found);
    await page.keyboard.press('Enter');
  };
  await go('superpos', 'Superposition');
  await expect(page.getByRole('tab', { name: 'Superposition' })).toHaveAttribute('aria-selected', 'true');
  await go('steps network', 'Network');
  await expect(page).toHaveURL(/\/network$/);
  await go('resistors as zig', 'Resistors as zigzag');
  await expect(page.getByRole('button', { name: 'Resistors as zigzag' })).toHaveAttribute('aria-pressed', 'true');
  await go('sluice', 'Sluice-gate');
  await expect(page.getByRole('textbox', { name: 'Title of the job' })).toHaveValue('Sluice-gate strain bridge');
  await go('learn multipl', 'Multipliers');
  await expect(page.getByRole('heading', { name: 'Multipliers' })).toBeVisible();
  await go('kit: instr', 'Kit: instruments');
  await expect(page).toHaveURL(/\/kit/);
  await page.keyboard.press('Control+k');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('combobox', { name: 'Commands' })).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('the palette knows the actions of all steps and pages, and goes to the screen that has them', async ({
  page,
  server,
  faults,
}) => {
  const searched: readonly (readonly [string, string, RegExp])[] = [
    ['sign', 'Sign the report', /\/report$/],
    ['print', 'Print the report', /\/report$/],
    ['diagnosis', 'Diagnosis: explanations', /\/readings\/diagnosis$/],
    ['strike', 'Strike the newest reading out', /\/readings$/],
    ['import readings', 'Import readings (CSV)', /\/readings$/],
    ['csv', 'Export readings (CSV)', /\/readings$/],
    ['back up', 'Back up everything', /\/backup$/],
    ['restore a', 'Restore a backup', /\/backup$/],
    ['archive', 'Import an archive of jobs', /:\d+\/$/],
  ];
  for (const [letters, found, address] of searched) {
    await openJob(page, server, 'Float-level divider', 'True values');
    await expect(page.getByRole('tab', { name: 'Working' })).toBeVisible();
    await page.keyboard.press('Control+k');
    await page.getByRole('combobox', { name: 'Commands' }).fill(letters);
    await page.getByRole('option', { name: found }).click();
    await expect(page).toHaveURL(address);
  }
  // There the action is the step's own: it is listed once, and does what it says.
  await openJob(page, server, 'Float-level divider', 'Report');
  await expect(page.getByRole('button', { name: 'Sign', exact: true })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Commands' }).fill('sign the report');
  await expect(page.getByRole('option', { name: 'Sign the report' })).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('form', { name: 'Sign' }).getByRole('textbox')).toBeFocused();
  expect(faults).toEqual([]);
});

test('the palette presses a control of the open screen', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Set-ups');
  const range = page.getByRole('radio', { name: '50 V', exact: true });
  await expect(range).not.toBeChecked();
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Commands' }).fill('range of v1: 50');
  await expect(page.getByRole('option', { selected: true })).toHaveText('Range of V1: 50 V');
  await page.keyboard.press('Enter');
  await expect(range).toBeChecked();
  expect(faults).toEqual([]);
});

test('? tells the keys of what is open, and they work', async ({ page, server, faults }) => {
  await openJob(page, server, 'Float-level divider', 'Network');
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Keys on this screen' });
  await expect(help).toContainText('Add a part in series');
  await expect(help).toContainText('Full sheet');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Alt+2');
  await expect(page).toHaveURL(/true-values/);
  await page.keyboard.press('?');
  await expect(help).toContainText('Undo');
  await expect(help).not.toContainText('Add a part in series');
  await expect(help).not.toContainText('Next step of the working');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Working' }).click();
  await page.keyboard.press('?');
  await expect(help).toContainText('Next step of the working');
  await page.keyboard.press('Escape');
  for (const key of ['k', 'w']) {
    await page.keyboard.press('g');
    await page.keyboard.press(key);
    await expect(page.getByRole('navigation', { name: 'Steps' })).toHaveCount(0);
    await page.keyboard.press('?');
    await expect(help).toContainText('Redo');
    await page.keyboard.press('Escape');
  }
  await page.keyboard.press('g');
  await page.keyboard.press('j');
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('the head of a job is filled in beside its title, kept, and found by', async ({ page, server, faults }) => {
  await openJob(page, server, 'Level loop', 'Set-ups');
  await page.getByRole('button', { name: /^Job details/ }).click();
  const head = page.getByRole('form', { name: 'Job details' });
  await head.getByRole('textbox', { name: 'By' }).fill('the late shift');
  await head.getByRole('textbox', { name: 'Ambient' }).fill('warm');
  await head.getByRole('textbox', { name: 'Ambient' }).press('Enter');
  await expect(head.getByRole('alert')).toContainText('A temperature in °C');
  await head.getByRole('textbox', { name: 'Ambient' }).fill('−2.5 °C');
  await head.getByRole('textbox', { name: 'Asset' }).fill('SL-940');
  await head.getByRole('textbox', { name: 'Asset' }).press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Job details: SL-940 · SL-WO-2231' })).toBeFocused();
  await saved(page);
  const jobs = (await server.ask('GET', '/jobs')).json as { id: string; title: string }[];
  const { id } = jobs.find(({ title }) => title === 'Level loop')!;
  const stored = (await server.ask('GET', `/jobs/${id}`)).json as { document: object };
  expect(stored.document).toMatchObject({
    version: 3,
    record: { by: 'the late shift', ambient: -2.5, asset: 'SL-940', site: 'Saltmarsh Lift Station' },
  });
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /SL-040/ })).toBeVisible();
  expect(faults).toEqual([]);
});

test('the first minute points at meter, sag and range table, and never comes again', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(server.address);
  await page.getByRole('button', { name: 'Open the float-level divider' }).click();
  for (const [title, button] of [
    ['The meter', 'Next'],
    ['The sag', 'Next'],
    ['The range table', 'Done'],
  ] as const) {
    const step = page.getByRole('dialog', { name: title });
    await expect(step).toBeVisible();
    await step.getByRole('button', { name: button }).press('Enter');
  }
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.goto(server.address);
  await expect(page.getByRole('link', { name: /^Float-level/ })).toBeVisible();
  await expect(page.getByText('New here?')).toHaveCount(0);
  expect(faults).toEqual([]);
});

test('the Learn page has live figures of the open job', async ({ page, server, faults }) => {
  await openJob(page, server, 'Resistor by voltmeter', 'Set-ups');
  await page.getByRole('link', { name: 'Learn' }).click();
  await expect(page.getByText('In the open job, Resistor by voltmeter and ammeter')).toBeVisible();
  const slider = page.getByRole('slider', { name: 'Meter resistance' });
  await slider.focus();
  await page.keyboard.press('End');
  // The ammeter stays: of the −1.47 % only 0.01 % is left to the voltmeter at 10 000 times the source resistance.
  await expect(page.getByRole('region', { name: 'Live figures' })).toContainText('error −1.46\u00a0%');
  await page.getByRole('link', { name: 'Next: Insertion' }).click();
  await expect(page.getByRole('heading', { name: 'Insertion' })).toBeVisible();
  expect(faults).toEqual([]);
});
