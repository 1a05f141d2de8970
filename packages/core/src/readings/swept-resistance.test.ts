import type { Instrument } from '../instrument/index.ts';
import { read } from '../test/read-line.ts';
import type { Sweep } from './sweep.ts';
import { sweepResult } from './swept-resistance.ts';

const meter: Instrument = {
  id: 'm',
  display: 'digital',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 20, resistance: 20_000, resolution: 1e-3 }] },
    { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.02, resistance: 10, resolution: 1e-6 }] },
  ],
};
const network = read('E1 12V/2: R1 680 5%');
const sweep: Sweep = {
  id: 'W1',
  element: 'R1',
  source: 'E1',
  connection: 'across-part',
  voltmeter: { instrument: 'm', range: 'v' },
  ammeter: { instrument: 'm', range: 'a' },
  points: [],
};

/** The displays that both meters have at some settings. */
const read2 = (of: Sweep, settings: readonly number[]): Sweep => {
  const blank = { ...of, points: settings.map((set) => ({ set })) };
  const { expected } = sweepResult(network, [meter], blank);
  return {
    ...of,
    points: settings.map((set, index) => ({
      set,
      voltage: { shown: expected[index]!.voltage!.toFixed(3), unit: 'V' },
      current: { shown: (expected[index]!.current! * 1000).toFixed(3), unit: 'mA' },
    })),
  };
};

test.each(['across-part', 'across-both'] as const)('%s: the part’s own resistance comes out', (connection) => {
  const { part, resistance } = sweepResult(network, [meter], read2({ ...sweep, connection }, [3, 6, 9, 12]));
  expect(part!.id).toBe('R1');
  expect(Math.abs(resistance!.resistance - 680)).toBeLessThan(resistance!.uncertainty);
  expect(resistance!.uncertainty).toBeLessThan(2);
});

test('expected indications: by hand, the voltmeter across part and ammeter', () => {
  const { expected } = sweepResult(network, [meter], { ...sweep, connection: 'across-both', points: [{ set: 6 }] });
  const both = 1 / (1 / 690 + 1 / 20_000);
  const volts = (6 * both) / (both + 2);
  expect(expected[0]!.voltage).toBeCloseTo(volts, 12);
  expect(expected[0]!.current).toBeCloseTo(volts / 690, 12);
});

test('a part or an instrument that is gone leaves nothing to compute, and half a point does not count', () => {
  expect(sweepResult(network, [], read2(sweep, [3, 6]))).toMatchObject({ resistance: null, expected: [null, null] });
  expect(sweepResult(network, [meter], { ...sweep, element: 'R9' })).toMatchObject({ part: null, resistance: null });
  const half = read2(sweep, [3, 6]);
  const points = half.points.map(({ current: _none, ...rest }) => rest);
  expect(sweepResult(network, [meter], { ...half, points }).resistance).toBeNull();
});
