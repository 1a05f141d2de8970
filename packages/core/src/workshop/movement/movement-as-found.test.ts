import fc from 'fast-check';
import { toNumber } from '../../solver/index.ts';
import { figuresInUse, movementInUse, type MovementAsFound } from './movement-as-found.ts';

const coil = { fullScaleCurrent: 1e-4, resistance: 1800 };

function inUse(found: MovementAsFound, kelvin = 0) {
  const made = movementInUse(found, kelvin);
  if (!made.ok) throw new Error(made.fault.message);
  const { current, resistance, voltage } = made.value;
  return { current: toNumber(current), resistance: toNumber(resistance), voltage: toNumber(voltage) };
}

test('a bare coil is what its figures say', () => {
  expect(inUse({ figures: coil })).toEqual({ current: 1e-4, resistance: 1800, voltage: expect.closeTo(0.18, 14) });
});

test('a built-in shunt of the coil’s own resistance doubles the current and halves the resistance', () => {
  const builtIn = { kind: 'shunt', resistance: 1800, figuresOf: 'coil', stays: true } as const;
  expect(inUse({ figures: coil, builtIn })).toEqual({
    current: expect.closeTo(2e-4, 16),
    resistance: expect.closeTo(900, 10),
    voltage: expect.closeTo(0.18, 14),
  });
  // Left out again it is the bare coil, whichever of both the figures were of.
  expect(inUse({ figures: coil, builtIn: { ...builtIn, stays: false } }).resistance).toBe(1800);
  const whole = { fullScaleCurrent: 2e-4, fullScaleVoltage: 0.18 };
  expect(inUse({ figures: whole, builtIn: { ...builtIn, figuresOf: 'meter', stays: false } })).toEqual({
    current: expect.closeTo(1e-4, 16),
    resistance: expect.closeTo(1800, 9),
    voltage: expect.closeTo(0.18, 14),
  });
});

test('a built-in multiplier and a swamping resistor add to the resistance, the current stays', () => {
  const builtIn = { kind: 'multiplier', resistance: 8200, figuresOf: 'meter', stays: false } as const;
  const tenVolts = { fullScaleCurrent: 1e-3, fullScaleVoltage: 10 };
  expect(inUse({ figures: tenVolts, builtIn }).resistance).toBeCloseTo(1800, 9);
  expect(inUse({ figures: tenVolts, builtIn: { ...builtIn, stays: true } }).resistance).toBeCloseTo(10_000, 9);
  expect(inUse({ figures: coil, swamping: 5200 })).toMatchObject({ current: 1e-4, resistance: 7000 });
});

test('what was taken out and put in again changes nothing', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('shunt' as const, 'multiplier' as const),
      fc.double({ min: 0.5, max: 5, noNaN: true }).map((decade) => 10 ** decade),
      (kind, resistance) => {
        const there = inUse({ figures: coil, builtIn: { kind, resistance, figuresOf: 'coil', stays: true } });
        const figures = { fullScaleCurrent: there.current, fullScaleVoltage: there.voltage };
        const out = inUse({ figures, builtIn: { kind, resistance, figuresOf: 'meter', stays: false } });
        // Where the resistor takes or drops nearly all, the rest is a small difference of two doubles.
        expect(Math.abs(out.resistance / 1800 - 1)).toBeLessThan(1e-9);
        expect(Math.abs(out.current / 1e-4 - 1)).toBeLessThan(1e-9);
      },
    ),
  );
});

test.each([
  ['multiplier', 20_000, 'cannot be in a meter of 1800 Ω'],
  ['shunt', 1700, 'more than the whole current'],
] as const)('a %s of %d Ω that cannot have been in there is refused', (kind, resistance, words) => {
  const made = movementInUse({ figures: coil, builtIn: { kind, resistance, figuresOf: 'meter', stays: false } });
  expect(made.ok ? '' : made.fault.message).toContain(words);
});

test('only the coil warms, by copper or by what is said', () => {
  expect(inUse({ figures: coil }, 10).resistance).toBeCloseTo(1800 * 1.0393, 9);
  expect(inUse({ figures: coil, swamping: 5200 }, -20).resistance).toBeCloseTo(1800 * (1 - 0.0786) + 5200, 9);
  expect(inUse({ figures: coil, coilCoefficient: 0 }, 30).resistance).toBe(1800);
});

test('a design file has the figures as they were typed, unless something was done to the coil', () => {
  const figures = { resistance: 1800, fullScaleVoltage: 0.18 };
  const of = (found: MovementAsFound) => {
    const made = movementInUse(found);
    return made.ok ? figuresInUse(found, made.value) : null;
  };
  expect(of({ figures })).toBe(figures);
  const builtIn = { kind: 'shunt', resistance: 20_000, figuresOf: 'meter', stays: true } as const;
  expect(of({ figures, builtIn })).toBe(figures);
  expect(of({ figures, builtIn: { ...builtIn, resistance: 200, figuresOf: 'coil' } })).toEqual({
    fullScaleCurrent: expect.closeTo(1e-3, 15),
    resistance: expect.closeTo(180, 9),
  });
});
