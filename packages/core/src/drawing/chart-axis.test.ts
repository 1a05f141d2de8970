import fc from 'fast-check';
import { chartAxis } from './chart-axis.ts';

const textsOf = (...of: Parameters<typeof chartAxis>): string[] => {
  const { ticks, text } = chartAxis(...of);
  return ticks.map(text);
};

test('an even axis has round steps and its unit once', () => {
  expect(textsOf(0.0031, 0.0189, 'A')).toEqual(['5', '10', '15']);
  expect(chartAxis(0.0031, 0.0189, 'A').unit).toBe('mA');
  expect(textsOf(-4, 12, 'V')).toEqual(['0', '5', '10']);
  expect(textsOf(-9, 1, 'V')).toEqual(['−8', '−6', '−4', '−2', '0']);
  expect(textsOf(0, 24, 'V')).toEqual(['0', '5', '10', '15', '20']);
  expect(textsOf(3, 3, 'V')).toEqual(['3']);
  expect(textsOf(Math.min(), Math.max(), 'V')).toEqual([]);
});

test('a logarithmic axis has decades, each with its prefix; 2 and 5 as well over less than three', () => {
  expect(textsOf(3.1e3, 4.6e6, 'Ω', 'ratio')).toEqual(
    ['10 k', '100 k', '1 M'].map((text) => text.replace(' ', '\u00a0')),
  );
  expect(chartAxis(3.1e3, 4.6e6, 'Ω', 'ratio').unit).toBe('Ω');
  expect(chartAxis(20, 700, 'Ω', 'ratio').ticks).toEqual([20, 50, 100, 200, 500]);
  expect(chartAxis(1e-9, 1e12, 'Ω', 'ratio').ticks.length).toBeLessThanOrEqual(8);
});

test('property: ticks are within the axis, rising, and at one, two or five times a power of ten', () => {
  let checked = 0;
  const sizes = fc.double({ min: 1e-9, max: 1e9, noNaN: true });
  fc.assert(
    fc.property(
      sizes,
      fc.double({ min: 1.01, max: 1e6, noNaN: true }),
      fc.constantFrom('even', 'ratio'),
      (low, ratio, spread) => {
        const high = low * ratio;
        const { ticks, text } = chartAxis(low, high, 'Ω', spread);
        for (const [k, tick] of ticks.entries()) {
          expect(tick).toBeGreaterThanOrEqual(low * (1 - 1e-6));
          expect(tick).toBeLessThanOrEqual(high * (1 + 1e-6));
          if (k > 0) expect(tick).toBeGreaterThan(ticks[k - 1]!);
          expect(text(tick)).not.toBe('');
          checked += 1;
        }
        if (spread === 'even') expect(ticks.length).toBeGreaterThanOrEqual(2);
        const steps = ticks.slice(1).map((tick, k) => tick - ticks[k]!);
        if (spread === 'even')
          for (const step of steps) {
            const lead = Number((step / 10 ** Math.floor(Math.log10(step) + 1e-6)).toPrecision(3));
            expect([1, 2, 5]).toContain(lead);
          }
      },
    ),
    { numRuns: 300 },
  );
  expect(checked).toBeGreaterThan(600);
});
