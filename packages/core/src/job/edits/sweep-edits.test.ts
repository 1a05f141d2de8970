import { read } from '../../test/read-line.ts';
import { atItsVersion } from '../job-version.ts';
import type { Job } from '../job.ts';
import { isBlankSweep, withKeptSweep } from '../kept-sweep.ts';
import { nextSweepId, putSweep, removeSweep, withPoint } from './sweep-edits.ts';

const job: Job = {
  format: 'usual-drag/job',
  version: 1,
  network: read('E1 6V/0.5: R1 680 + R2 100'),
  instruments: [
    {
      id: 'm',
      functions: [
        { quantity: 'dc-voltage', ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e7 }] },
        { quantity: 'dc-current', ranges: [{ id: '20 mA', fullScale: 0.01999, resistance: 10 }] },
      ],
    },
  ],
};
const voltRange = (fullScale: number) => ({
  id: `${fullScale} V`,
  fullScale,
  resistance: 1e7,
  accuracyCounts: 2,
  resolution: fullScale / 2000,
});
const kept = {
  part: 'R2',
  connection: 'across-both' as const,
  voltmeter: 'm 20 V',
  ammeter: 'm 20 mA',
  rows: [
    { set: 3, voltage: 1.25, current: 0.0125 },
    { set: 6, voltage: 2.51, current: null },
  ],
};

test('a sweep that a browser stored moves into the job, which then has version 3', () => {
  const moved = withKeptSweep(job, kept)!;
  expect(moved.sweeps).toEqual([
    {
      id: 'W1',
      element: 'R2',
      source: 'E1',
      connection: 'across-both',
      voltmeter: { instrument: 'm', range: '20 V' },
      ammeter: { instrument: 'm', range: '20 mA' },
      points: [
        { set: 3, voltage: { shown: '1.25', unit: 'V' }, current: { shown: '12.5', unit: 'mA' } },
        { set: 6, voltage: { shown: '2.51', unit: 'V' } },
      ],
    },
  ]);
  expect(atItsVersion(moved).version).toBe(3);
});

test('a stored sweep is not moved if that would lose or change a reading', () => {
  const blank = { ...kept, rows: [{ set: 3, voltage: null, current: null }] };
  expect(isBlankSweep(blank)).toBe(true);
  expect(isBlankSweep(kept)).toBe(false);
  expect(withKeptSweep(job, blank)).toBeNull();
  expect(withKeptSweep({ ...job, instruments: [] }, kept)).toBeNull();
  expect(withKeptSweep(job, { ...kept, part: 'R9' })).toBeNull();
  expect(withKeptSweep(job, { ...kept, voltmeter: 'm 200 V' })).toBeNull();
  expect(withKeptSweep(job, { ...kept, rows: [{ set: 3, voltage: 1e-30, current: 0.01 }] })).toBeNull();
});

test('a stored sweep without a choice of part or meter gets the first part, and the ranges that read its values best', () => {
  const functions = [
    { quantity: 'dc-voltage' as const, ranges: [2, 20, 200].map((fullScale) => voltRange(fullScale)) },
    ...job.instruments![0]!.functions!.slice(1),
  ];
  const moved = withKeptSweep({ ...job, instruments: [{ id: 'm', functions }] }, { rows: kept.rows })!;
  expect(moved.sweeps![0]).toMatchObject({
    element: 'R1',
    connection: 'across-part',
    voltmeter: { instrument: 'm', range: '20 V' },
    ammeter: { instrument: 'm', range: '20 mA' },
  });
});

test('sweeps are put, changed and removed by their ids', () => {
  const one = withKeptSweep(job, kept)!;
  expect(nextSweepId(one)).toBe('W2');
  const changed = putSweep(
    one,
    withPoint(one.sweeps![0]!, 1, (point) => ({ ...point, set: 5 })),
  );
  expect(changed.sweeps![0]!.points[1]!.set).toBe(5);
  expect(changed.sweeps).toHaveLength(1);
  expect(atItsVersion(removeSweep(changed, 'W1'))).toEqual(job);
});
