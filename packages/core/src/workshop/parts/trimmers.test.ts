import fc from 'fast-check';
import { seriesValues } from '../../quantity/index.ts';
import { trimmedSection } from './trimmers.ts';

const beside = (a: number, b: number): number => (a * b) / (a + b);

test('every corner of the tolerances leaves the wanted resistance within reach of the trimmer', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1, max: 6, noNaN: true }).map((decade) => 10 ** decade),
      fc.constantFrom('E12' as const, 'E24' as const, 'E96' as const),
      fc.constantFrom(0.01, 0.02, 0.05),
      fc.constantFrom(0, 0.01, 0.025),
      (target, series, tolerance, cover) => {
        const made = trimmedSection(target, series, tolerance, cover)!;
        const { arranged, fixed, stopper, trimmer, surely } = made;
        expect(arranged).toBe(target >= 100 ? 'in-series' : 'across');
        for (const f of [fixed * (1 - tolerance), fixed * (1 + tolerance)])
          for (const s of [stopper * (1 - tolerance), stopper * (1 + tolerance)])
            for (const t of [trimmer * 0.9, trimmer * 1.1]) {
              const [minimum, maximum] = arranged === 'in-series' ? [f, f + t] : [beside(f, s), beside(f, s + t)];
              expect(minimum).toBeLessThanOrEqual(target * (1 - cover) * (1 + 1e-9));
              expect(maximum).toBeGreaterThanOrEqual(target * (1 + cover) * (1 - 1e-9));
            }
        expect(surely[0]).toBeLessThanOrEqual(target);
        expect(surely[1]).toBeGreaterThanOrEqual(target);
        const figure = Number((fixed / 10 ** Math.floor(Math.log10(fixed) + 1e-9)).toPrecision(3));
        expect(seriesValues(series).map((value) => Number((value % 10).toPrecision(3)))).toContain(figure);
        expect([1, 2, 5]).toContain(Number((trimmer / 10 ** Math.floor(Math.log10(trimmer) + 1e-9)).toPrecision(3)));
      },
    ),
  );
});

test('8.2 kΩ of 1 % and a class of 1.5 %: 7.87 kΩ and a trimmer of 1 kΩ would do, 500 Ω would not', () => {
  const made = trimmedSection(8200, 'E96', 0.01, 0.015)!;
  expect(made.fixed).toBe(7870);
  // 8323 − 7791.3 = 531.7 Ω are wanted, nine tenths of the trimmer are sure.
  expect(made.trimmer).toBe(1000);
});

test('a value beyond the series has none', () => {
  expect(trimmedSection(5e-4, 'E12', 0.01, 0)).toBeNull();
  expect(trimmedSection(1e10, 'E12', 0.01, 0)!.fixed).toBe(8.2e8);
});
