import type { Reading } from '@usual-drag/core/readings';
import { expect, openJob, openUnread, saved, stored, test } from './demo-page.ts';

test('a row of the log is read again, struck out and explained; an accepted explanation offers what follows', async ({
  page,
  server,
  faults,
}) => {
  await openJob(page, server, 'Float-level divider', 'Readings');
  const log = page.getByRole('table', { name: 'Log of readings' });
  await expect(log.getByRole('row', { name: /^M8 / })).toContainText('Handheld digital multimeter, 10 MΩ, 20 V');
  const menu = async (of: string, item: string): Promise<void> => {
    await log.getByRole('button', { name: of, exact: true }).click();
    await page.getByRole('menuitem', { name: item }).click();
  };
  await menu('M2', 'Read M2 again');
  await expect(page.getByRole('region', { name: 'Open step' })).toContainText('Resistance of R2');
  await menu('M1', 'Strike M1 out …');
  await page.getByRole('textbox', { name: 'Why M1 is struck out' }).fill('wrong part');
  await page.keyboard.press('Enter');
  await expect(log.getByRole('row', { name: /^M1 / })).toContainText('struck out: wrong part');

  await menu('M8', 'Explain M8');
  const card = page.getByRole('region', { name: 'Explanation', exact: true });
  await expect(card).toContainText('M8 read 4.700 V');
  await card.getByRole('button', { name: 'Accept into the record' }).click();
  await expect(card).toContainText('Accepted. It is in the note of M8.');
  await card.getByRole('button', { name: 'Strike M8 out and read it again' }).click();
  await expect(page.getByRole('region', { name: 'Reading without the plan' })).toBeVisible();
  await expect(log.getByRole('row', { name: /^M8 / })).toContainText('struck out: Two digits of M8 were exchanged');
  await saved(page);
  const { document } = await stored(server, 'Float-level divider');
  const noted = document.readings!.find(({ id }) => id === 'M8')!;
  expect(noted.note).toContain('Two digits of M8 were exchanged');
  expect(noted.struck).toBeDefined();
  expect(faults).toEqual([]);
});

test('the step of a reading that does not agree stays open until it is read twice; expected values can be hidden', async ({
  page,
  server,
}) => {
  await openUnread(page, server);
  const step = page.getByRole('region', { name: 'Open step' });
  const keep = async (shown: string): Promise<void> => {
    await step.getByRole('textbox').fill(shown);
    await step.getByRole('textbox').press('Enter');
  };
  await expect(step).toContainText('Resistance of R1');
  await keep('99.9');
  await expect(step).toContainText('M1 does not agree. Read it a second time, or look for the reason.');
  await expect(step.getByRole('button', { name: 'Explain M1' })).toBeVisible();
  await keep('99.8');
  await expect(step).toContainText('Resistance of R2');

  await page.getByRole('tab', { name: 'Conventions' }).click();
  await page.getByRole('checkbox', { name: 'Hide the expected value until a reading is kept' }).check();
  await page.getByRole('tab', { name: 'Plan', exact: true }).click();
  await expect(step).toContainText('The expected value appears once a reading is kept.');
  await expect(step).not.toContainText('Expect the display at');
  const list = page.getByRole('list', { name: 'Steps of the plan' });
  await expect(list.getByRole('button', { name: /Resistance of R3/ })).not.toContainText('kΩ');
  await list.getByRole('button', { name: /Voltage B to 0/ }).click();
  await expect(page.getByRole('group', { name: 'Drawing of the network' })).not.toContainText('expected');
});

test('readings of a file whose instrument is not in the job: said once, by name, and added from the kit by one click', async ({
  page,
  server,
}) => {
  const { document } = await stored(server, 'Float-level divider');
  const readings: readonly Reading[] = document.readings!;
  const { instruments = [], setups: _set, readings: _read, ...rest } = document;
  const kept = instruments.filter(({ id }) => id !== 'digital-2000');
  await server.ask('POST', '/jobs', { document: { ...rest, title: 'Other bench', instruments: kept } });
  await openJob(page, server, 'Other bench', 'Readings');
  const rows = readings
    .filter(({ quantity, instrument }) => quantity === 'dc-voltage' && instrument === 'digital-2000')
    .map((one) => (one.quantity === 'dc-voltage' ? [one.id, one.instrument, one.range, one.red, one.black] : []));
  expect(rows.length).toBeGreaterThan(1);
  const csv = ['reading,quantity,instrument,range,red,black,shown,unit']
    .concat(
      rows.map(
        ([id, instrument, range, red, black]) => `${id},dc-voltage,${instrument},${range},${red},${black},6.36,V`,
      ),
    )
    .join('\n');
  await page
    .getByLabel('Readings to import')
    .setInputFiles({ name: 'taken.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(
    page.getByText(
      `${rows.length} readings added; the instrument Handheld digital multimeter, 10 MΩ is not in this job.`,
    ),
  ).toBeVisible();
  const log = page.getByRole('table', { name: 'Log of readings' });
  await expect(log.getByText('its instrument is not in this job')).toHaveCount(rows.length);
  await page.getByRole('button', { name: 'Add from the kit' }).click();
  await expect(log.getByText('its instrument is not in this job')).toHaveCount(0);
  await expect(log.getByText(/agree/).first()).toBeVisible();
});
