import type { Instrument } from '../instrument/index.ts';
import type { Hypothesis } from '../faults/index.ts';
import type { Reading } from '../readings/index.ts';
import { displayedReadings } from '../test/displayed-readings.ts';
import { read } from '../test/read-line.ts';
import { diagnose } from './diagnose.ts';
import { twoFaults, type TwoFaultsProgress } from './two-faults.ts';

const meter: Instrument = {
  id: 'm',
  display: 'digital',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        {
          id: '20 V',
          fullScale: 19.99,
          resistance: 1e7,
          resolution: 0.01,
          accuracyOfReading: 0.005,
          accuracyCounts: 1,
        },
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        {
          id: '20 mA',
          fullScale: 0.01999,
          resistance: 10,
          resolution: 1e-5,
          accuracyOfReading: 0.005,
          accuracyCounts: 1,
        },
      ],
    },
  ],
};
const network = read('E1 12V/1: R1 1k 1% + (R2 2.2k 1% || R3 1k 1% + R4 1k 1%) + R5 470 1%');
const places = [
  { quantity: 'dc-voltage', range: '20 V', red: 'A', black: '0' },
  { quantity: 'dc-voltage', range: '20 V', red: 'B', black: '0' },
  { quantity: 'dc-voltage', range: '20 V', red: 'C', black: '0' },
  { quantity: 'dc-voltage', range: '20 V', red: 'B', black: 'C' },
  { quantity: 'dc-voltage', range: '20 V', red: 'B', black: 'D' },
  { quantity: 'dc-current', range: '20 mA', node: 'B', ends: ['R3.from'] },
  { quantity: 'dc-current', range: '20 mA', node: 'A', ends: ['R1.from'] },
] as const;

const readingsOf = (hidden: readonly Hypothesis[]): Reading[] =>
  displayedReadings({ network, instruments: [meter] }, hidden, places);

const searched = (readings: readonly Reading[]) => {
  const job = { network, instruments: [meter], readings };
  const single = diagnose(job);
  expect(single.ok && single.value.groups).toEqual([]);
  const steps: TwoFaultsProgress[] = [];
  const found = twoFaults(job, (progress) => steps.push(progress));
  if (!found.ok) throw new Error(found.fault.code);
  expect(steps[0]).toEqual({ done: 0, of: steps[0]!.of, found: 0 });
  expect(steps.at(-1)!.done).toBe(steps[0]!.of);
  return found.value.flatMap(({ misfit, hypotheses }) => hypotheses.map(({ faults }) => ({ faults, misfit })));
};
const names = (faults: readonly Hypothesis[]) => faults.map(({ fault, where }) => `${fault} ${where.join('+')}`).sort();

test('a reading in the wrong unit beside a part of the wrong decade', () => {
  const readings = readingsOf([{ fault: 'decade', where: ['R5'], value: 10 }]).map((one) =>
    one.id === 'M7' ? { ...one, observations: [{ ...one.observations[0]!, unit: 'A' }] } : one,
  );
  const found = searched(readings);
  expect(found.slice(0, 6).map(({ faults }) => names(faults))).toContainEqual(['decade R5', 'prefix M7']);
  expect(found[0]!.misfit).toBeLessThan(1);
});

test('two parts that are both wrong', () => {
  const found = searched(
    readingsOf([
      { fault: 'short', where: ['R4'], value: null },
      { fault: 'decade', where: ['R1'], value: 10 },
    ]),
  );
  const first = found.filter(({ misfit }) => misfit < found[0]!.misfit + 0.5).map(({ faults }) => names(faults));
  expect(first).toContainEqual(['decade R1', 'short R4']);
});
