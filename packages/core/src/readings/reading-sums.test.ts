import { read } from '../test/read-line.ts';
import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { compareReadings, comparisonOf } from './compare.ts';
import { equalCurrents, explainSum } from './explain.ts';
import { expectationOf } from './expectation.ts';
import type { CurrentReading, Reading, VoltageReading } from './reading.ts';

/** 10 V over 1 kΩ, then 1 kΩ and 2 kΩ beside each other. */
const network: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 1000, tolerance: 0.05 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 1000, tolerance: 0.05 },
    { id: 'R3', kind: 'resistor', from: 'B', to: '0', resistance: 2000, tolerance: 0.05 },
  ],
};

const instrument: Instrument = {
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 20, resistance: 10_000, resolution: 0.001 }] },
    { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.02, resistance: 100, resolution: 1e-6 }] },
  ],
};

const volts = (id: string, red: string, black: string, shown: string): VoltageReading => ({
  id,
  quantity: 'dc-voltage',
  instrument: 'm',
  range: 'v',
  red,
  black,
  observations: [{ shown, unit: 'V' }],
});

const amps = (id: string, node: string, ends: string[], shown: string, reversed = false): CurrentReading => ({
  id,
  quantity: 'dc-current',
  instrument: 'm',
  range: 'a',
  node,
  ends,
  reversed,
  observations: [{ shown, unit: 'mA' }],
});

function compare(readings: readonly Reading[]) {
  const compared = compareReadings({ network, instruments: [instrument], readings });
  if (!compared.ok) throw new Error(compared.fault.code);
  return compared.value;
}

test('voltages round a loop: drops against the supply, whichever way the leads were', () => {
  // A 10 kΩ meter across either part sees 400 Ω: 6.000 V become 5.769, 4.000 V become 3.846.
  const { sums } = compare([
    volts('M1', 'A', '0', '10.000'),
    volts('M2', 'A', 'B', '5.769'),
    volts('M3', '0', 'B', '-3.846'),
  ]);
  expect(sums).toHaveLength(1);
  const [sum] = sums;
  expect(new Set(sum!.terms.map(({ reading }) => reading))).toEqual(new Set(['M1', 'M2', 'M3']));
  expect(Math.abs(sum!.sum)).toBeCloseTo(0.385, 9);
  expect(sum!.verdict).toBe('explained-by-loading');
});

test('of one place the newest counts; three pairs of one kind make no more than one loop', () => {
  const { sums } = compare([
    volts('M1', 'A', '0', '3'),
    volts('M2', 'A', '0', '10.000'),
    volts('M3', 'A', 'B', '5.769'),
    volts('M4', 'B', '0', '3.846'),
  ]);
  expect(sums).toHaveLength(1);
  expect(sums[0]!.terms.map(({ reading }) => reading)).not.toContain('M1');
});

test('currents at a node: covered once at it or at the far ends, into the node positive', () => {
  const here = [amps('M1', 'B', ['R1.to'], '-5.660'), amps('M2', 'B', ['R2.from'], '3.774')];
  expect(compare(here).sums).toEqual([]);
  // R3 is read at its far end: from 0 into R3, out of which it flows.
  const { sums } = compare([...here, amps('M3', '0', ['R3.to'], '1.899', true)]);
  expect(sums).toHaveLength(1);
  expect(sums[0]).toMatchObject({
    kind: 'node',
    terms: [
      { reading: 'M1', sign: -1 },
      { reading: 'M2', sign: -1 },
      { reading: 'M3', sign: -1 },
    ],
  });
  expect(sums[0]!.sum).toBeCloseTo(0.00566 - 0.003774 - 0.001899, 12);
});

test('a sum’s gap: loading, the contributions to its U, and tolerance', () => {
  const readings = [volts('M1', 'A', '0', '10.000'), volts('M2', 'A', 'B', '5.769'), volts('M3', 'B', '0', '3.846')];
  const solved = solveUnloaded(network);
  if (!solved.ok) throw new Error();
  const { sums, readings: compared } = comparisonOf(solved.value, [instrument], {}, readings);
  const counted = readings.map((reading) => ({
    reading,
    compared: compared[reading.id]!,
    expectation: expectationOf(solved.value, [instrument], reading),
  }));
  const parts = explainSum(sums[0]!, counted, [instrument]);
  expect(Math.abs(parts.loading)).toBeCloseTo(10 - 6 / 1.04 - 4 / 1.04, 9);
  expect(parts.accuracy).toBe(0);
  // k = 2, three readings to half a millivolt: 2·√(3·(0.0005/√3)²). The shares combine to U of the sum.
  expect(parts.resolution).toBeCloseTo(0.001, 12);
  expect(Math.hypot(parts.accuracy, parts.resolution, parts.spread)).toBeCloseTo(sums[0]!.uncertainty, 12);
  // The two drops move against each other: their sum hardly does.
  expect(parts.tolerance).toBeGreaterThan(0);
  expect(parts.tolerance).toBeLessThan(0.05);
});

test('equal currents along a chain show that they are equal, not that they are true', () => {
  const readings = [
    amps('M1', 'A', ['R1.from'], '5.660'),
    amps('M2', 'B', ['R1.to'], '-5.660'),
    amps('M3', 'B', ['R2.from'], '1'),
  ];
  const solved = solveUnloaded(network);
  if (!solved.ok) throw new Error();
  const { readings: compared } = comparisonOf(solved.value, [instrument], {}, readings);
  const counted = readings.map((reading) => ({
    reading,
    compared: compared[reading.id]!,
    expectation: expectationOf(solved.value, [instrument], reading),
  }));
  expect(equalCurrents(network, counted)).toEqual([{ readings: ['M1', 'M2'], parts: ['E1', 'R1'] }]);
  const apart = counted.map((one) =>
    one.reading.id === 'M2' ? { ...one, compared: { ...one.compared, value: 0.004 } } : one,
  );
  expect(equalCurrents(network, apart)).toEqual([]);
});

test('magnitudes: signs are left out of verdicts, and a sum takes the expected one’s', () => {
  const readings = [volts('M1', 'A', '0', '10.000'), volts('M2', 'B', 'A', '5.769'), volts('M3', 'B', '0', '3.846')];
  const job = { network, instruments: [instrument], readings };
  const keep = compareReadings(job);
  const magnitude = compareReadings({ ...job, conventions: { sign: 'magnitude' } });
  expect(keep.ok && keep.value.readings.M2!.verdict).toBe('does-not-agree');
  expect(magnitude.ok && magnitude.value.readings.M2!.verdict).toBe('agrees');
  expect(magnitude.ok && magnitude.value.sums[0]!.verdict).toBe('explained-by-loading');
});

test('an OL agrees where the range is over, and else does not', () => {
  const { readings } = compare([
    { ...volts('M1', 'A', '0', '1'), observations: [{ shown: 'OL', unit: 'V' }] },
    amps('M2', 'B', ['R2.from'], '3.774'),
  ]);
  expect(readings.M1).toMatchObject({ value: null, uncertainty: null, corrected: null, verdict: 'does-not-agree' });
  const small = {
    ...instrument,
    functions: [{ quantity: 'dc-voltage' as const, ranges: [{ id: 'v', fullScale: 2, resistance: 10_000 }] }],
  };
  const over = compareReadings({
    network,
    instruments: [small],
    readings: [{ ...volts('M1', 'A', '0', '1'), observations: [{ shown: 'OL', unit: 'V' }] }],
  });
  expect(over.ok && over.value.readings.M1!.verdict).toBe('agrees');
});

test('with two nodes the current sum is listed once, not once for each node with all signs reversed', () => {
  const two = read('E1 6V/1: R1 100 || R2 200');
  const readings = [
    amps('M1', 'A', ['E1.from'], '-88.2'),
    amps('M2', 'A', ['R1.from'], '58.8'),
    amps('M3', 'A', ['R2.from'], '29.4'),
  ];
  const solved = solveUnloaded(two);
  if (!solved.ok) throw new Error(solved.fault.code);
  expect(comparisonOf(solved.value, [instrument], {}, readings).sums).toHaveLength(1);
});

test('what cancels but for the rounding of doubles is 0', () => {
  const readings = [volts('M1', 'A', '0', '0.3'), volts('M2', 'A', 'B', '0.1'), volts('M3', 'B', '0', '0.2')];
  const solved = solveUnloaded(network);
  if (!solved.ok) throw new Error(solved.fault.code);
  // 0.3 − 0.1 − 0.2 is −28 aV in doubles.
  expect(comparisonOf(solved.value, [instrument], {}, readings).sums[0]!.sum).toBe(0);
});
