import fc from 'fast-check';
import { copperCoefficient } from './movement-as-found.ts';
import { swampingResistor, temperatureErrors } from './temperature.ts';
import { paired, workedOut } from '../../test/meter-projects.ts';

/** Errors of one side of a meter project, `kelvin` warmer. */
function errors(of: Parameters<typeof workedOut>[0], kelvin: number, side = 0): readonly number[] {
  const { piece, sides } = workedOut(of);
  const found = temperatureErrors(piece, sides[side]!, kelvin);
  if (!found.ok) throw new Error(found.fault.message);
  return found.value;
}

test('a bare shunted coil follows its copper, a multiplier hides it', () => {
  const [hot] = errors({ sides: [{ target: 'ammeter', scheme: 'individual', ranges: [1] }] }, 20);
  const shunt = 0.18 / (1 - 1e-4);
  const warm = 1800 * (1 + copperCoefficient * 20);
  expect(hot).toBeCloseTo((shunt + 1800) / (shunt + warm) - 1, 14);
  expect(hot).toBeLessThan(-0.07);
  const [volts] = errors({ sides: [{ target: 'voltmeter', scheme: 'individual', ranges: [100] }] }, 20);
  expect(volts).toBeCloseTo(1e6 / (998_200 + warm) - 1, 14);
});

test('the resistors’ own coefficient counts: with copper all through a shunted meter keeps its reading', () => {
  const copper = {
    parts: { series: 'E96', tolerance: 0.01, powerRating: 1, maxParts: 1, coefficient: copperCoefficient },
  } as const;
  for (const off of errors({ ...copper, sides: [{ target: 'ammeter', scheme: 'universal', ranges: [0.01, 1] }] }, 25))
    expect(Math.abs(off)).toBeLessThan(1e-12);
  const [volts] = errors({ ...copper, sides: [{ target: 'voltmeter', scheme: 'string', ranges: [10] }] }, 25);
  expect(volts).toBeCloseTo(1 / (1 + 25 * copperCoefficient) - 1, 12);
});

test('a voltmeter behind a shunt: the coil’s rise sends more through the shunt', () => {
  // The shunt takes nine tenths of 1 mA at 0.18 V: 200 Ω. Warm, coil and shunt part the string's current differently.
  const [off] = errors({ sides: paired([0.001], [10]) }, 20, 1);
  const [shunt, warm, string] = [200, 1800 * (1 + copperCoefficient * 20), 10 / 1e-3 - 180];
  const both = (shunt * warm) / (shunt + warm);
  const now = ((10 / (string + both)) * both) / warm;
  expect(off).toBeCloseTo(now / 1e-4 - 1, 12);
});

test('so cold that nothing is left of the coil is refused', () => {
  const { piece, sides } = workedOut({});
  expect(temperatureErrors(piece, sides[0]!, -300).ok).toBe(false);
});

const shuntedWith = { series: 'E96', tolerance: 0.01, powerRating: 1, maxParts: 1 } as const;
const figures = { fullScaleCurrent: 1e-4, resistance: 1800 };

test('the swamping resistor keeps the error within its target on every range, warm and cold, and is not idle', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(0.002, 0.005, 0.01),
      fc.constantFrom(5, 10, 20),
      fc.array(fc.double({ min: 0.4, max: 5, noNaN: true }), { minLength: 1, maxLength: 3 }),
      fc.constantFrom(0, 2e-6, 5e-5, 4e-4),
      (error, span, decades, coefficient) => {
        const found = swampingResistor({ movement: { figures }, parts: { ...shuntedWith, coefficient } }, span, error);
        if (!found.ok) throw new Error(found.fault.message);
        const { resistance, burden } = found.value;
        expect(burden).toBeCloseTo(1e-4 * (1800 + resistance), 12);
        /** Relative error of a range, every resistance written out. */
        const off = (range: number, swamping: number, kelvin: number): number => {
          const shunt = (1e-4 * (1800 + swamping)) / (range - 1e-4);
          const [gained, coil] = [shunt * (1 + coefficient * kelvin), 1800 * (1 + copperCoefficient * kelvin)];
          return (range * gained) / (gained + coil + swamping) / 1e-4 - 1;
        };
        for (const decade of decades)
          for (const kelvin of [-span, span])
            expect(Math.abs(off(1e-4 * 10 ** decade, resistance, kelvin))).toBeLessThanOrEqual(error * 1.0001);
        // A tenth less of it and the highest range is beyond the target when cold.
        if (resistance > 0) expect(off(10, 0.9 * resistance, -span)).toBeGreaterThan(error);
      },
    ),
  );
});

test('shunts whose own coefficient is beyond the target are named', () => {
  const parts = { ...shuntedWith, coefficient: 4e-3 };
  const builtIn = { kind: 'multiplier', resistance: 1e5, figuresOf: 'coil', stays: true } as const;
  const found = swampingResistor({ movement: { figures, builtIn }, parts }, 10, 0.002);
  expect(found).toMatchObject({ ok: false, fault: { where: ['parts.coefficient'] } });
  // All of one metal: no error at all, and nothing asked for.
  const copper = { ...shuntedWith, coefficient: copperCoefficient };
  expect(swampingResistor({ movement: { figures }, parts: copper }, 10, 0.002)).toMatchObject({
    ok: true,
    value: { resistance: 0 },
  });
});

test('with the coil as it was adjusted a design has no error', () => {
  for (const off of errors({}, 0)) expect(Math.abs(off)).toBeLessThan(1e-12);
});

test('a multiplier that stays in the meter swamps too: both together keep the error, and no more is asked for', () => {
  const builtIn = { kind: 'multiplier', resistance: 3000, figuresOf: 'coil', stays: true } as const;
  const [plain, less] = [{ figures }, { figures, builtIn }].map((found) => {
    const made = swampingResistor({ movement: found, parts: shuntedWith }, 10, 0.01);
    return made.ok ? made.value : null;
  });
  // 1800 Ω · (1.01 · 0.0393/0.01 − 1) = 5344.7 Ω, and 3000 Ω less; each rounded up.
  expect([plain!.resistance, less!.resistance]).toEqual([5350, 2350]);
  expect(plain!.burden).toBeCloseTo(1e-4 * (1800 + 5350), 12);
  expect(less!.burden).toBeCloseTo(1e-4 * (1800 + 3000 + 2350), 12);
  const movement = { figures, builtIn, swamping: less!.resistance };
  const sides = [{ target: 'ammeter', scheme: 'individual', ranges: [1] }] as const;
  for (const kelvin of [-10, 10])
    expect(Math.abs(errors({ movement, parts: shuntedWith, sides }, kelvin)[0]!)).toBeLessThan(0.0101);
});
