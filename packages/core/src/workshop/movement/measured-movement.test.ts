import fc from 'fast-check';
import { solveUnloaded } from '../../loading/index.ts';
import type { Element } from '../../network/index.ts';
import { measuredMovement, type MovementMeasurement } from './measured-movement.ts';

const exact = { supplyDoubt: 0, deflectionDoubt: 0, tolerance: 0 };

/** Current in a coil, solved as a network: a supply, a resistor in series, perhaps one across the coil. */
function coilCurrent(supply: number, series: number, coil: number, across?: number): number {
  const resistor = (id: string, from: string, to: string, resistance: number): Element => ({
    id,
    kind: 'resistor',
    from,
    to,
    resistance,
  });
  const solved = solveUnloaded({
    elements: [
      { id: 'E', kind: 'source', from: 'A', to: '0', emf: supply },
      resistor('R', 'A', 'B', series),
      resistor('M', 'B', '0', coil),
      ...(across === undefined ? [] : [resistor('P', 'B', '0', across)]),
    ],
  });
  if (!solved.ok) throw new Error(solved.fault.code);
  return solved.value.values.elements.M!.current!;
}

const decade = (from: number, to: number) => fc.double({ min: from, max: to, noNaN: true }).map((power) => 10 ** power);

test('both methods find the coil of a solved network again', () => {
  fc.assert(
    fc.property(decade(1, 3.7), decade(3.8, 5), decade(1, 3.5), decade(-5, -3), (coil, series, across, full) => {
      const supply = full * (series + coil) * 0.95;
      const at = (r: number, p?: number): number => coilCurrent(supply, r, coil, p) / full;
      const common = { ...exact, supply, series, deflection: at(series) };
      const half: MovementMeasurement = {
        ...common,
        method: 'half-deflection',
        other: across,
        second: at(series, across),
      };
      const two: MovementMeasurement = {
        ...common,
        method: 'two-readings',
        other: 2 * series,
        second: at(2 * series),
      };
      for (const measurement of [half, two]) {
        const found = measuredMovement(measurement);
        if (!found.ok) throw new Error(found.fault.message);
        // The coil is what little the second reading differs by: a few digits are lost there.
        expect(Math.abs(found.value.resistance.value / coil - 1)).toBeLessThan(1e-9);
        expect(Math.abs(found.value.fullScaleCurrent.value / full - 1)).toBeLessThan(1e-9);
      }
    }),
  );
});

test('at half deflection the resistor across is less than the coil, by the coil’s share of the series resistor', () => {
  // 18 kΩ in series: with R_p = 18k·1.8k/19.8k the needle indicates exactly half.
  const across = (18_000 * 1800) / 19_800;
  const found = measuredMovement({
    ...exact,
    method: 'half-deflection',
    supply: 1.98,
    series: 18_000,
    other: across,
    deflection: 1,
    second: 0.5,
  });
  if (!found.ok) throw new Error(found.fault.message);
  expect(found.value.resistance.value).toBeCloseTo(1800, 8);
  expect(found.value.fullScaleCurrent.value).toBeCloseTo(1e-4, 14);
  expect(found.value.simple!.resistance).toBe(across);
  // R_p/R_m − 1 = −R_m/(R + R_m).
  expect(found.value.simple!.error).toBeCloseTo(-1800 / 19_800, 12);
});

test('the uncertainty holds the truth for readings off by their own uncertainties', () => {
  fc.assert(
    fc.property(fc.constantFrom(-1, 1), fc.constantFrom('deflection' as const, 'second' as const), (sign, which) => {
      const across = (18_000 * 1800) / 19_800;
      const sound = { deflection: 1, second: 0.5 };
      const found = measuredMovement({
        supplyDoubt: 0.002,
        deflectionDoubt: 0.005,
        tolerance: 0.001,
        method: 'half-deflection',
        supply: 1.98,
        series: 18_000,
        other: across,
        ...sound,
        [which]: sound[which] + sign * 0.005,
      });
      if (!found.ok) throw new Error(found.fault.message);
      const { resistance, fullScaleCurrent } = found.value;
      expect(Math.abs(resistance.value - 1800)).toBeLessThanOrEqual(1.05 * resistance.uncertainty);
      expect(Math.abs(fullScaleCurrent.value - 1e-4)).toBeLessThanOrEqual(1.05 * fullScaleCurrent.uncertainty);
      expect(resistance.uncertainty).toBeLessThan(0.05 * 1800);
    }),
  );
});

test('deflections that no coil makes are refused', () => {
  const half = { ...exact, method: 'half-deflection', supply: 2, series: 1e4, other: 100, deflection: 1 } as const;
  for (const second of [1, 1.2, 0.001]) {
    const found = measuredMovement({ ...half, second });
    expect(found.ok ? '' : found.fault.message).toContain('No coil does this');
  }
  const two = { ...exact, method: 'two-readings', supply: 2, series: 1e4, deflection: 1, second: 0.4 } as const;
  expect(measuredMovement({ ...two, other: 2e4 }).ok).toBe(false);
});
