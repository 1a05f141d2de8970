import fc from 'fast-check';
import { movementOf, type Movement } from './movement.ts';
import { solveDesign } from './solve-design.ts';
import { copperCoefficient, swampingResistor, temperatureErrors } from './temperature.ts';

function movement(fullScaleCurrent: number, resistance: number): Movement {
  const made = movementOf({ fullScaleCurrent, resistance });
  if (!made.ok) throw new Error(made.fault.message);
  return made.value;
}

test('a bare shunted coil follows its copper, a multiplier hides it', () => {
  const coil = movement(1e-4, 1800);
  const shunted = { target: 'ammeter', scheme: 'individual' } as const;
  const shunt = (1e-4 * 1800) / (1 - 1e-4);
  const [hot] = temperatureErrors(shunted, coil, [1], [shunt], 20);
  const warm = 1800 * (1 + copperCoefficient * 20);
  expect(hot).toBeCloseTo((shunt + 1800) / (shunt + warm) - 1, 14);
  expect(hot).toBeLessThan(-0.07);
  const [volts] = temperatureErrors({ target: 'voltmeter', scheme: 'individual' }, coil, [100], [998_200], 20);
  expect(Math.abs(volts!)).toBeLessThan(2e-4);
});

test('the swamping resistor keeps the error within its target on every range, warm and cold, and is not idle', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(0.002, 0.005, 0.01),
      fc.constantFrom(5, 10, 20),
      fc.array(fc.double({ min: 0.4, max: 5, noNaN: true }), { minLength: 1, maxLength: 3 }),
      (error, span, decades) => {
        const bare = movement(1e-4, 1800);
        const { resistance, burden } = swampingResistor(bare, span, error);
        expect(burden).toBeCloseTo(1e-4 * (1800 + resistance), 12);
        const ranges = [...new Set(decades.map((decade) => 1e-4 * 10 ** decade))].sort((a, b) => a - b);
        for (const range of ranges) {
          const whole = 1800 + resistance;
          const shunt = (1e-4 * whole) / (range - 1e-4);
          for (const kelvin of [-span, span]) {
            const now = whole + 1800 * copperCoefficient * kelvin;
            const off = (range * shunt) / (shunt + now) / 1e-4 - 1;
            expect(Math.abs(off)).toBeLessThanOrEqual(error * 1.0001);
          }
        }
        // A tenth less of it and the highest range is beyond the target when cold.
        if (resistance > 0) {
          const whole = 1800 + 0.9 * resistance;
          const shunt = (1e-4 * whole) / (10 - 1e-4);
          const cold = (10 * shunt) / (shunt + whole - 1800 * copperCoefficient * span) / 1e-4 - 1;
          expect(cold).toBeGreaterThan(error);
        }
      },
    ),
  );
});

test('with the coil as it was adjusted a design has no error', () => {
  const solved = solveDesign({
    format: 'usual-drag/design',
    version: 1,
    target: 'ammeter',
    scheme: 'universal',
    movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
    ranges: [0.025, 2.5],
  });
  if (!solved.ok) throw new Error(solved.fault.message);
  const exact = solved.value.sections.map(({ resistance }) => resistance);
  for (const off of temperatureErrors(
    { target: 'ammeter', scheme: 'universal' },
    movement(1e-4, 1800),
    [0.025, 2.5],
    exact,
    0,
  ))
    expect(Math.abs(off)).toBeLessThan(1e-12);
});
