import type { Hypothesis } from '../faults/index.ts';
import type { Instrument } from '../instrument/index.ts';
import type { Reading } from '../readings/index.ts';
import { displayedReadings } from '../test/displayed-readings.ts';
import { read } from '../test/read-line.ts';
import { diagnose } from './diagnose.ts';

const meter: Instrument = {
  id: 'm',
  display: 'digital',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: '50 V', fullScale: 50, resistance: 1e7, resolution: 0.001, accuracyOfReading: 0.0005, accuracyCounts: 2 },
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        { id: '1 A', fullScale: 1, resistance: 0.5, resolution: 1e-5, accuracyOfReading: 0.002, accuracyCounts: 2 },
      ],
    },
  ],
};
const network = read('E1 12.6V/50m: R1 0R22 5% + (L1 12V 0.3A ^0.55 || L2 12V 0.12A ^0.1 polarised) + R2 1 5%');
const places = [
  { quantity: 'dc-voltage', range: '50 V', red: 'A', black: '0' },
  { quantity: 'dc-voltage', range: '50 V', red: 'B', black: 'C' },
  { quantity: 'dc-voltage', range: '50 V', red: 'C', black: '0' },
  { quantity: 'dc-current', range: '1 A', node: 'B', ends: ['L1.from'] },
  { quantity: 'dc-current', range: '1 A', node: 'B', ends: ['L2.from'] },
  { quantity: 'dc-current', range: '1 A', node: 'A', ends: ['R1.from'] },
] as const;

const readingsOf = (hidden: Hypothesis | null): Reading[] =>
  displayedReadings({ network, instruments: [meter] }, hidden ? [hidden] : [], places);

const found = (hidden: Hypothesis | null) => {
  const made = diagnose({ network, instruments: [meter], readings: readingsOf(hidden) });
  if (!made.ok) throw new Error(made.fault.code);
  return made.value;
};

test('a sound panel of lamp and sounder is consistent', () => {
  expect(found(null).consistent).toBe(true);
});

test.each([
  { fault: 'open', where: ['L2'], value: null },
  { fault: 'short', where: ['R2'], value: null },
  { fault: 'contact', where: ['L1'], value: 6 },
  { fault: 'supply-value', where: ['E1'], value: 10.4 },
] as const satisfies readonly Hypothesis[])('$fault of $where is found among lamps: it leads', (hidden) => {
  const { consistent, groups } = found(hidden);
  expect(consistent).toBe(false);
  const first = groups[0]!.hypotheses.find(
    ({ fault, where }) => fault === hidden.fault && where.join() === hidden.where.join(),
  );
  expect(first).toBeDefined();
  if (typeof hidden.value === 'number') expect((first!.value as number) / hidden.value).toBeCloseTo(1, 1);
});
