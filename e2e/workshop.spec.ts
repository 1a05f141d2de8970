import type { StoredDocument } from '@usual-drag/contract';
import type { MeterProject } from '@usual-drag/core/workshop';
import { expect, figure, hearNothing, openJob, test } from './demo-page.ts';
import { axe, fileOf, open, sheet, type } from './workshop.ts';

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
  const shunt = (500e-6 * 200) / (0.05 - 500e-6);
  await expect(ranges.getByRole('row', { name: /^50 mA/ })).toContainText(`${shunt.toFixed(4)}\u00a0Ω`);
  const tap = (500e-6 * (shunt + 200)) / 0.5;
  await expect(ranges.getByRole('row', { name: /^500 mA/ })).toContainText(`${(1000 * tap).toFixed(2)}\u00a0mΩ`);
  await expect(page.getByText('Solved as a network, the movement is at full scale on every range')).toBeVisible();
  await expect(page.getByRole('group', { name: 'Finished meter' })).toBeVisible();
  await axe(page);
  await page.getByRole('button', { name: 'Add to the kit' }).click();
  await page.getByRole('button', { name: 'Show' }).click();
  await expect(page.getByRole('textbox', { name: 'Name of the instrument' })).toHaveValue('Sump pump ammeter');

  await openJob(page, server, 'Beacon and sounder panel', 'Set-ups');
  await page.getByRole('button', { name: /Instrument of A1/ }).click();
  await page.getByRole('option', { name: 'Sump pump ammeter' }).click();
  // 500 mA range: what the shunt leaves of 0.2 Ω beside the movement drags on a lamp and a sounder, some 69 Ω to a small change.
  await expect.poll(() => figure(page, 'error')).toBeLessThan(-0.25);
  await expect(page.getByTestId('formula')).toContainText('meter resistance 201.8');

  await open(page, 'Sump pump ammeter');
  await type(page, 'Class', '2.5');
  await page.getByRole('button', { name: 'Update in the kit (version 2)' }).click();
  await page.getByRole('button', { name: 'Show' }).click();
  await expect(page.getByRole('textbox', { name: 'Own notes' })).toHaveValue(/^Made in the workshop, version 2 of /);
  await open(page, 'Sump pump ammeter');
  await page.getByRole('link', { name: 'Check against a standard' }).click();
  await expect(page.getByRole('heading', { name: 'Sump pump ammeter: certificates and checks' })).toBeVisible();
  await expect(page.getByLabel('Applied at point 5')).toHaveValue(/mA$/);
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
  await page.getByRole('button', { name: 'Add to the kit' }).click();
  // A page that is left while it saves sends the same again.
  const kept = async (path: string): Promise<string> => JSON.stringify((await server.ask('GET', path)).json);
  await expect.poll(() => kept('/instruments')).toContain('Loop voltmeter');
  await expect.poll(() => kept('/meter-projects')).toContain('[2.5,10,50]');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
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
  await expect(sections.nth(1)).toContainText('fit 150\u00a0kΩ');
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

  await page.getByRole('button', { name: 'Archive this meter project' }).click();
  await expect(page.getByText('“From a file” archived.')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'From a file' })).toBeHidden();
  await page.getByText('Archived', { exact: true }).click();
  await page.getByRole('button', { name: 'From a file' }).click();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByRole('heading', { name: 'From a file' })).toBeVisible();
  expect(faults).toEqual([]);
});

test('the movement from measurements, a shunt that was in it, and a voltmeter on its shunt', async ({
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
  await page.getByRole('button', { name: 'Use these figures' }).click();
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
  await page.getByRole('radio', { name: 'movement and shunt' }).click();
  const volts = page.getByRole('table', { name: 'Ranges of the voltmeter' });
  // 25 mA full scale: 40 Ω for a volt.
  await expect(volts.getByRole('row', { name: /^10 V/ })).toContainText('40\u00a0Ω');
  await sheet(page, 'Build and scale');
  await expect(page.getByRole('table', { name: 'Selector' }).getByRole('row')).toHaveCount(1 + 5);
  await expect(page.getByRole('table', { name: 'Selector' })).toContainText('the shunt stays across the movement');
  await axe(page);
  expect(faults).toEqual([]);
});

test('edits are kept while the server does not answer', async ({ page, server, faults }) => {
  await page.goto(server.address);
  await open(page, 'Level-loop test voltmeter');
  await page.route('**/api/meter-projects/**', (route) => route.abort());
  await type(page, 'Voltage range 3', '100');
  await expect(page.getByText('Not saved: the server does not answer. Stored in this browser')).toBeVisible();
  await page.unroute('**/api/meter-projects/**');
  await page.goto(`${server.address}/workshop/level-loop`);
  await expect(page.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('100\u00a0V');
  faults.length = 0;
});

test('an edit left unsaved asks when the design has been changed elsewhere meanwhile', async ({
  page,
  server,
  faults,
}) => {
  await page.goto(`${server.address}/workshop/level-loop`);
  await page.route('**/api/meter-projects/**', (route) => route.abort());
  await type(page, 'Voltage range 3', '100');
  await expect(page.getByText('Not saved: the server does not answer. Stored in this browser')).toBeVisible();
  await page.goto('about:blank');
  await page.unroute('**/api/meter-projects/**');

  const api = `${server.address}/api/meter-projects`;
  const list = (await (await page.request.get(api)).json()) as StoredDocument<MeterProject>[];
  const { id, revision, document } = list.find((meterProject) => meterProject.id === 'level-loop')!;
  const theirs = { ...document, title: 'Theirs' };
  expect((await page.request.put(`${api}/${id}`, { data: { revision, document: theirs } })).status()).toBe(200);

  await page.goto(`${server.address}/workshop/level-loop`);
  await expect(page.getByRole('alert')).toContainText('changed in another window');
  await expect(page.getByRole('alert')).toContainText('Title changed');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(page.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('100\u00a0V');
  await expect(page.getByRole('textbox', { name: 'Name of the meter' })).not.toHaveValue('Theirs');
  faults.length = 0;
});

test('two windows never overwrite each other: mine or theirs is asked for', async ({
  page,
  server,
  faults,
  context,
}) => {
  const other = await context.newPage();
  for (const one of [page, other]) await hearNothing(one);
  await page.goto(`${server.address}/workshop/level-loop`);
  await other.goto(`${server.address}/workshop/level-loop`);
  await type(other, 'Voltage range 3', '60');
  await expect(other.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await type(page, 'Voltage range 3', '70');
  await expect(page.getByRole('alert')).toContainText('changed in another window');
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await other.reload();
  await expect(other.getByRole('textbox', { name: 'Voltage range 3' })).toHaveValue('70\u00a0V');
  await type(page, 'Voltage range 3', '80');
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await type(other, 'Voltage range 3', '90');
  await expect(other.getByRole('button', { name: 'Use theirs' })).toBeVisible();
  await type(other, 'Voltage range 3', '95');
  await other.reload();
  await expect(other.getByRole('alert')).toContainText('changed in another window');
  await other.reload();
  await other.getByRole('button', { name: 'Use theirs' }).click();
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
  await page.getByRole('radio', { name: 'multiplier chain' }).focus();
  await keys('ArrowLeft');
  await expect(page.getByText('multiplier of the 50\u00a0V range')).toBeVisible();
  await page.getByRole('link', { name: 'Temperature and faults' }).focus();
  await keys('Enter');
  await expect(page.getByRole('table', { name: 'Faults and wrong ranges of the voltmeter' })).toBeVisible();
  await page.getByRole('button', { name: 'Add to the kit' }).focus();
  await keys('Enter');
  await expect(page.getByText('By key is in the kit')).toBeVisible();
  expect(faults).toEqual([]);
});
