import type { Reading } from '@usual-drag/core/readings';
import { expect, openJob, stored, test } from './demo-page.ts';

test('several circuits of one order are fitted together, with a smaller uncertainty than one alone', async ({
  page,
  server,
  faults,
}) => {
  const { document } = await stored(server, 'Float-level divider');
  const amps = (id: string, shown: string, unit: string): Reading => ({
    id,
    quantity: 'dc-current',
    instrument: 'digital-2000',
    range: '200 µA',
    node: '0',
    ends: ['R2.to'],
    observations: [{ shown, unit }],
  });
  const record = { ...document.record, order: 'SL-WO-7' };
  const job = (title: string, readings: readonly Reading[]) => ({ ...document, title, record, readings });
  await server.ask('POST', '/jobs', { document: job('First circuit', [amps('M1', '160.7', 'µA')]) });
  await server.ask('POST', '/jobs', { document: job('Second circuit', [amps('M1', '160.6', 'µA')]) });
  await openJob(page, server, 'First circuit', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await page.getByRole('checkbox', { name: 'EMF of E1', exact: true }).check();
  const fit = page.getByRole('button', { name: 'Fit to the readings' });
  await fit.click();
  const result = page.getByText(/^EMF of E1 =/);
  const uncertainty = async (): Promise<number> => {
    const [, value, prefix] = /± ([\d.]+).(m?)V/.exec(await result.innerText())!;
    return Number(value) * (prefix === 'm' ? 1e-3 : 1);
  };
  await expect(result).toBeVisible();
  const alone = await uncertainty();
  await page.getByRole('checkbox', { name: 'Second circuit' }).check();
  await fit.click();
  await expect.poll(uncertainty).toBeLessThan(0.8 * alone);
  expect(faults).toEqual([]);
});

test('without readings the view says what to do; with many of them the matrix scrolls within itself', async ({
  page,
  server,
  faults,
}) => {
  const { document: divider } = await stored(server, 'Float-level divider');
  await server.ask('POST', '/jobs', { document: { ...divider, title: 'Nothing read', readings: [] } });
  await openJob(page, server, 'Nothing read', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  await expect(page.getByText('There is nothing to explain yet.')).toBeVisible();
  const readings = Array.from({ length: 20 }, (_, k): Reading => ({
    id: `M${k + 1}`,
    quantity: 'dc-voltage',
    instrument: 'digital-2000',
    range: '20 V',
    red: k % 2 ? 'B' : 'C',
    black: '0',
    observations: [{ shown: k % 2 ? '8.30' : '5.40', unit: 'V' }],
  }));
  await server.ask('POST', '/jobs', { document: { ...divider, title: 'Twenty read', readings } });
  await openJob(page, server, 'Twenty read', 'Readings');
  await page.getByRole('tab', { name: 'Diagnosis' }).click();
  const grid = page.getByRole('grid', { name: 'Explanations, best first' });
  const last = grid.getByRole('columnheader', { name: 'M20' });
  await expect(last).toBeInViewport({ ratio: 1 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
  expect(faults).toEqual([]);
});
