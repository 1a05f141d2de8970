import fc from 'fast-check';
import { alloys, windable, wireDiameters, wireFor, wireShunt } from './shunt-wire.ts';

const [manganin] = alloys as [(typeof alloys)[number]];

test('a metre of manganin of one square millimetre has 0.43 Ω', () => {
  const diameter = 2 / Math.sqrt(Math.PI);
  const wire = wireShunt(0.43, 1, manganin, diameter);
  expect(wire.length).toBeCloseTo(1, 12);
  expect(wire.resistancePerMetre).toBeCloseTo(0.43, 12);
  expect(wire.currentDensity).toBeCloseTo(1, 12);
  expect(wire.perMillimetre).toBeCloseTo(0.001, 12);
});

test('resistance for a metre times length is the resistance, and what is made is given off', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -3, max: 1, noNaN: true }),
      fc.double({ min: -2, max: 1.3, noNaN: true }),
      fc.constantFrom(...alloys),
      fc.constantFrom(...wireDiameters),
      (r, i, alloy, diameter) => {
        const [resistance, current] = [10 ** r, 10 ** i];
        const wire = wireShunt(resistance, current, alloy, diameter);
        expect(wire.resistancePerMetre * wire.length).toBeCloseTo(resistance, 9);
        const surface = Math.PI * diameter * 1e-3 * wire.length;
        expect((15 * surface * wire.rise) / (current ** 2 * resistance)).toBeCloseTo(1, 9);
        expect(wire.drift).toBeCloseTo(alloy.coefficient * wire.rise, 15);
      },
    ),
  );
});

test('the wire that is proposed is the thinnest that can be wound and stays cool', () => {
  // 72.29 mΩ at 2.5 A: a 75 mV shunt is some ten centimetres of a millimetre or so.
  const wire = wireFor(0.0722886, 2.5, manganin)!;
  expect(windable(wire)).toBe(true);
  expect(wire.currentDensity).toBeLessThanOrEqual(3);
  const thinner = wireDiameters[wireDiameters.indexOf(wire.diameter as 1) - 1]!;
  expect(windable(wireShunt(0.0722886, 2.5, manganin, thinner))).toBe(false);
  expect(wireFor(1e-6, 500, manganin)).toBeNull();
});
