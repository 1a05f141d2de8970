import type { Page } from '@playwright/test';
import { violations } from './axe.ts';
import { expect, openJob, saved, stored, test, type DemoServer } from './demo-page.ts';

/** The level loop at Readings, without the plan, the simulated multimeter across B and C. */
async function placed(page: Page, server: DemoServer): Promise<void> {
  await openJob(page, server, 'Level loop', 'Readings');
  await page.getByRole('button', { name: 'Without the plan' }).click();
  const free = page.getByRole('region', { name: 'Reading without the plan' });
  await free.getByRole('button', { name: /^Instrument/ }).click();
  await page.getByRole('option', { name: /^Simulated multimeter/ }).click();
  await expect(free.getByRole('button', { name: 'Take the reading from the instrument' })).toBeVisible();
}

test('one key takes the reading from the simulated instrument: the record says by whom it was sent', async ({
  page,
  server,
  faults,
}) => {
  await placed(page, server);
  await page.getByLabel(/^What the display says/).press('t');
  const log = page.getByRole('table', { name: /log/i });
  await expect(log.getByRole('row', { name: /^M1/ })).toContainText(/agrees|within tolerance/);
  await saved(page);
  const { document } = await stored(server, 'Level loop');
  expect(document.readings![0]).toMatchObject({
    source: 'instrument',
    note: expect.stringMatching(/^Usual Drag,Simulated multimeter,SIM-1,/),
    instrument: 'simulated-multimeter',
  });
  expect(document.readings![0]!.observations[0]!.shown).toMatch(/^-?\d+\.\d+$/);
  expect(await violations(page)).toEqual([]);
  expect(faults).toEqual([]);
});

test('an instrument that does not answer is said, nothing is written down, and the page goes on', async ({
  page,
  server,
  faults,
}) => {
  await placed(page, server);
  const kit = (await server.ask('GET', '/instruments')).json as { id: string; revision: number; document: object }[];
  const own = kit.find(({ id }) => id === 'simulated-multimeter')!;
  await server.ask('PUT', `/instruments/${own.id}`, {
    revision: own.revision,
    document: { ...own.document, address: 'tcp://127.0.0.1:1' },
  });
  await page.getByRole('button', { name: 'Take the reading from the instrument' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing answers at tcp://127.0.0.1:1');
  await page.getByLabel(/^What the display says/).fill('3.2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('table', { name: /log/i }).getByRole('row', { name: /^M1/ })).toContainText('3.2');
  await saved(page);
  expect((await stored(server, 'Level loop')).document.readings![0]!.source).toBeUndefined();
  expect(faults.filter((fault) => !fault.includes('502'))).toEqual([]);
  faults.length = 0;
});
