import { withFault, type Hypothesis } from '../faults/index.ts';
import { shownOn, type Instrument } from '../instrument/index.ts';
import { findRange } from '../instrument/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { expectationOf, type Reading } from '../readings/index.ts';
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
  { quantity: 'dc-voltage', red: 'A', black: '0' },
  { quantity: 'dc-voltage', red: 'B', black: 'C' },
  { quantity: 'dc-voltage', red: 'C', black: '0' },
  { quantity: 'dc-current', node: 'B', ends: ['L1.from'] },
  { quantity: 'dc-current', node: 'B', ends: ['L2.from'] },
  { quantity: 'dc-current', node: 'A', ends: ['R1.from'] },
] as const;

/** The readings of a bench, as its displays show them. */
function readingsOf(hidden: Hypothesis | null): Reading[] {
  const bench = hidden ? withFault({ network, instruments: [meter] }, hidden) : { network, instruments: [meter] };
  const solved = solveUnloaded(bench.network);
  if (!solved.ok) throw new Error(solved.fault.code);
  return places.map((place, index) => {
    const range = place.quantity === 'dc-voltage' ? '50 V' : '1 A';
    const blank = { id: `M${index + 1}`, instrument: 'm', range, observations: [], ...place } as unknown as Reading;
    const { expected } = expectationOf(solved.value, bench.instruments, blank);
    const { display, unit } = shownOn(meter, place.quantity, findRange(meter, place.quantity, range)!, expected ?? 0);
    return { ...blank, observations: [{ shown: display!.replace('−', '-'), unit }] };
  });
}

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
  { fault: 'contact', where: ['R1'], value: 2.5 },
  { fault: 'contact', where: ['L1'], value: 6 },
  { fault: 'decade', where: ['R2'], value: 10 },
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
