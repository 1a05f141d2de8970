import fc from 'fast-check';
import { scaleSteps, sharedArcs } from './scale-steps.ts';

test.each([
  [0.025, 50, { fullScale: 25, numbered: 5, smallest: 0.5, divisions: 50 }],
  [10, 50, { fullScale: 10, numbered: 2, smallest: 0.2, divisions: 50 }],
  [2.5, 50, { fullScale: 2.5, numbered: 0.5, smallest: 0.05, divisions: 50 }],
  [60, 50, { fullScale: 60, numbered: 10, smallest: 1, divisions: 60 }],
  [0.015, 30, { fullScale: 15, numbered: 5, smallest: 0.5, divisions: 30 }],
  [500, 25, { fullScale: 500, numbered: 100, smallest: 20, divisions: 25 }],
  [250e-6, 50, { fullScale: 250, numbered: 50, smallest: 5, divisions: 50 }],
  [7.5, 75, { fullScale: 7.5, numbered: 0.5, smallest: 0.1, divisions: 75 }],
])('%d with %d divisions wanted', (range, wanted, steps) => expect(scaleSteps(range, wanted)).toEqual(steps));

test('every step is 1, 2 or 5 of a decade, the marks divide the numbers, and the count comes near to what is wanted', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -6, max: 3, noNaN: true }),
      fc.constantFrom(20, 25, 30, 50, 75, 100),
      (decade, wanted) => {
        const range = Number((10 ** decade).toPrecision(3));
        const { fullScale, numbered, smallest, divisions } = scaleSteps(range, wanted);
        for (const step of [numbered, smallest])
          expect([1, 2, 5]).toContain(Number((step / 10 ** Math.floor(Math.log10(step) + 1e-9)).toPrecision(6)));
        expect(Math.abs(numbered / smallest - Math.round(numbered / smallest))).toBeLessThan(1e-9);
        expect(fullScale).toBeGreaterThanOrEqual(1);
        expect(fullScale).toBeLessThan(1000.001);
        expect(divisions / wanted).toBeGreaterThan(0.35);
        expect(divisions / wanted).toBeLessThan(2.6);
        expect(fullScale / numbered).toBeGreaterThanOrEqual(2);
      },
    ),
  );
});

test('ranges that differ by the decimal point share an arc, those of the ammeter first', () => {
  const volts = [50, 2.5].map((range) => ({ unit: 'V' as const, range }));
  const amps = [2.5, 0.1, 0.025].map((range) => ({ unit: 'A' as const, range }));
  const arcs = sharedArcs([...volts, ...amps], 50);
  expect(arcs.map(({ ranges }) => ranges.map(({ unit, range }) => `${range} ${unit}`))).toEqual([
    ['0.025 A', '2.5 A', '2.5 V'],
    ['0.1 A'],
    ['50 V'],
  ]);
  expect(arcs.map(({ steps }) => steps.fullScale)).toEqual([25, 100, 50]);
});
