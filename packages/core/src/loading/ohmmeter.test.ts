import { read } from '../test/read-line.ts';
import { ohmmeterAt, ohmmeterRows } from './ohmmeter.ts';
import { solveUnloaded } from './unloaded.ts';

const range = { id: '20 kΩ', fullScale: 19_990, testCurrent: 75e-6, resolution: 10 };

function at(line: string, part: string, leads = 0) {
  const unloaded = solveUnloaded(read(line));
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return ohmmeterAt(unloaded.value, part, range, leads);
}

test('in circuit the rest lies beside the part; the supply at rest is its internal resistance', () => {
  const readings = at('E1 6V/100: R1 900 + R2 10k', 'R2')!;
  expect(readings.isolated).toBe(10_000);
  expect(readings.inCircuit).toBeCloseTo((10_000 * 1000) / 11_000, 9);
});

test('with the supply on its voltage counts as ohms: ten times too many, or a negative resistance', () => {
  const readings = at('E1 6V/100: R1 900 + R2 10k', 'R2', 0.5)!;
  const volts = (6 * 10_000) / 11_000;
  expect(readings.voltage).toBeCloseTo(volts, 12);
  expect(readings.live).toBeCloseTo(10_000 / 11 + 0.5 + volts / 75e-6, 6);
  const reversed = at('E1 -6V/100: R1 900 + R2 10k', 'R2')!;
  expect(reversed.live!).toBeLessThan(0);
});

test('current sources at rest are open, and a part that stands alone is read as it is', () => {
  const readings = at('J1 1mA: R1 250', 'R1', 0.2)!;
  expect(readings.inCircuit).toBeCloseTo(250.2, 10);
  expect(at('E1 6V/1: R1 900', 'E9')).toBeNull();
  expect(at('E1 6V: R1 900', 'E1')).toBeNull();
});

test('errors are those of the part, lead resistance included; an over-range display has none', () => {
  const ohmRange = { id: '2 kΩ', fullScale: 1999, testCurrent: 1e-3, resolution: 1 };
  const one = ohmmeterRows(
    at('E1 6V/1: R1 1 + R2 1k', 'R1', 0.2)!,
    { display: 'digital' },
    { ...ohmRange, fullScale: 199.9, resolution: 0.1 },
  );
  expect(one[0]).toEqual({ name: 'out of circuit', display: '1.2\u00a0Ω', error: expect.closeTo(0.2, 12) });
  const readings = { part: 1500, isolated: 1500, inCircuit: -234, live: 5000, voltage: 3 };
  expect(ohmmeterRows(readings, { display: 'digital' }, ohmRange)).toEqual([
    { name: 'out of circuit', display: '1.500\u00a0kΩ', error: 0 },
    { name: 'in circuit, supply off', display: '−0.234\u00a0kΩ', error: expect.closeTo(-1.156, 12) },
    { name: 'in circuit, supply on', display: 'OL', error: null },
  ]);
});
