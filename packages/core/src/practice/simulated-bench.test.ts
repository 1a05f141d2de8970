import fc from 'fast-check';
import { builtInKit, instrumentForJob } from '../instrument/index.ts';
import { compareReadings, observedNumber, type Reading } from '../readings/index.ts';
import { read } from '../test/read-line.ts';
import { simulatedBench, type BenchPlace } from './simulated-bench.ts';
import { runs } from '../test/runs.ts';

const network = read('E1 24V: R1 56k 5% + (R2 39k 5% || R3 15k 5% + R4 27k 5%)');
const kit = builtInKit.map(instrumentForJob);
const volts = (red: string, black = '0', range = '20 V'): BenchPlace => ({
  instrument: 'digital-2000',
  range,
  quantity: 'dc-voltage',
  red,
  black,
});
const amperes: BenchPlace = {
  instrument: 'digital-2000',
  range: '2 mA',
  quantity: 'dc-current',
  node: 'A',
  ends: ['R1.from'],
};

test('a sound bench reads within the limits of its parts and instruments, whatever its seed', () => {
  fc.assert(
    fc.property(fc.integer(), (seed) => {
      const bench = simulatedBench(network, kit, { seed });
      const places = [volts('B'), volts('C'), volts('A', 'B'), amperes];
      const readings = places.map((place, k): Reading => ({
        ...place,
        id: `M${k}`,
        observations: [bench.read(place)!, bench.read(place, 1)!],
      }));
      const compared = compareReadings({ network, instruments: kit, readings });
      if (!compared.ok) throw new Error(compared.fault.code);
      for (const { verdict } of Object.values(compared.value.readings)) expect(verdict).not.toBe('does-not-agree');
    }),
    { numRuns: runs(60) },
  );
});

test('the same seed reads the same; another part changes no hidden value; the last digit wanders', () => {
  const bench = simulatedBench(network, kit, { seed: 7 });
  expect(simulatedBench(network, kit, { seed: 7 }).read(volts('B'))).toEqual(bench.read(volts('B')));
  const values = (of: typeof bench) =>
    Object.fromEntries(
      of.bench.network.elements.map((one) => [one.id, one.kind === 'resistor' ? one.resistance : null]),
    );
  const more = {
    ...network,
    elements: [...network.elements, { ...network.elements[1]!, id: 'R9', from: 'C', to: '0' }],
  };
  expect(values(simulatedBench(more, kit, { seed: 7 }))).toMatchObject(values(bench));
  expect(values(simulatedBench(network, kit, { seed: 8 })).R1).not.toBe(values(bench).R1);
  const shown = Array.from({ length: 12 }, (_, time) => observedNumber(bench.read(volts('B'), time)!)!);
  expect(new Set(shown).size).toBeGreaterThan(1);
  expect(Math.max(...shown) - Math.min(...shown)).toBeLessThan(0.025);
});

test('a range that is too small shows OL, a place or range that is not there shows nothing', () => {
  const bench = simulatedBench(network, kit, { seed: 1 });
  expect(bench.read(volts('A', '0', '2 V'))).toEqual({ shown: 'OL', unit: 'V' });
  expect(bench.read(volts('Z'))).toBeNull();
  expect(bench.read(volts('A', '0', '3 V'))).toBeNull();
  expect(bench.read({ ...volts('A'), instrument: 'no such' })).toBeNull();
});

test('a fault shows: an open part has the whole supply across it and reads OL out of circuit', () => {
  const bench = simulatedBench(network, kit, { seed: 3, fault: { fault: 'open', where: ['R1'], value: null } });
  expect(observedNumber(bench.read(volts('A', 'B', '200 V'))!)).toBeCloseTo(24, 0);
  expect(observedNumber(bench.read(amperes)!)).toBeCloseTo(0, 6);
  const ohms = (element: string): BenchPlace => ({
    instrument: 'digital-2000',
    range: '200 kΩ',
    quantity: 'resistance',
    element,
  });
  expect(bench.read(ohms('R1'))!.shown).toBe('OL');
  expect(observedNumber(bench.read(ohms('R2'))!)! / 39_000).toBeCloseTo(1, 1);
  expect(bench.read(ohms('E1'))).toBeNull();
});

test('a part that was measured keeps what was measured', () => {
  const measured = {
    ...network,
    elements: network.elements.map((one) => (one.id === 'R2' ? { ...one, measuredResistance: 38_700 } : one)),
  } as typeof network;
  const { bench } = simulatedBench(measured, kit, { seed: 5 });
  expect(bench.network.elements.find(({ id }) => id === 'R2')).toMatchObject({ resistance: 38_700 });
});
