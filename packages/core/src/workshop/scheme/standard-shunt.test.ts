import { movementOf, type Movement } from '../movement/movement.ts';
import { standardDrops, standardShunt } from './standard-shunt.ts';

function movement(fullScaleCurrent: number, resistance: number): Movement {
  const made = movementOf({ fullScaleCurrent, resistance });
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

test.each(standardDrops)('a 1 mA, 40 Ω movement on a 10 A shunt of %d V stands at full scale', (drop) => {
  const made = standardShunt(movement(1e-3, 40), 10, drop, 0.06);
  if (!made.ok) throw new Error(made.fault.message);
  const { shunt, series, meterResistance, power, forgotten } = made.value;
  expect(shunt).toBeCloseTo(drop / 10, 14);
  // Current divider by hand.
  const path = series + 40 + 0.06;
  expect((10 * shunt) / (shunt + path)).toBeCloseTo(1e-3, 14);
  expect(meterResistance).toBeCloseTo((shunt * path) / (shunt + path), 14);
  expect(power).toBeCloseTo(9.999 ** 2 * shunt, 10);
  // Made for the whole drop it reads the movement's own share low.
  expect(forgotten).toBeCloseTo((10 * shunt) / (shunt + drop / 1e-3) / 1e-3 - 1, 12);
  expect(forgotten).toBeCloseTo(-1e-4, 7);
});

test('a movement that takes more than the shunt’s drop is refused', () => {
  const made = standardShunt(movement(1e-4, 1800), 10, 0.075, 0);
  expect(made.ok ? '' : made.fault.message).toContain('0.18 V at full scale, more than the 0.075 V');
  expect(standardShunt(movement(1, 0.01), 0.5, 0.075, 0).ok).toBe(false);
});
