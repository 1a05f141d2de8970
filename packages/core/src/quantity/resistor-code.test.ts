import fc from 'fast-check';
import { bandsOf, readBands, type Band } from './colour-bands.ts';
import { nearestPreferred, seriesForTolerance, seriesNames, seriesOf, seriesValues } from './preferred-values.ts';
import { printedCodeOf, readPrintedCode } from './printed-code.ts';

const bands = (text: string): Band[] => text.split(' ') as Band[];

test.each([
  ['brown green orange gold', 15_000, 0.05, null],
  ['yellow violet red', 4700, 0.2, null],
  ['green blue red gold', 5600, 0.05, null],
  ['red red gold silver', 2.2, 0.1, null],
  ['brown black black brown brown', 1000, 0.01, null],
  ['yellow violet black red brown red', 47_000, 0.01, 50e-6],
  ['brown black pink gold', 0.01, 0.05, null],
])('%s reads as it is printed in the standard', (text, resistance, tolerance, temperatureCoefficient) => {
  expect(readBands(bands(text))).toEqual({ ok: true, value: { resistance, tolerance, temperatureCoefficient } });
});

test('a row that cannot be is refused, with the band that is wrong', () => {
  expect(readBands(bands('gold orange green brown'))).toMatchObject({
    ok: false,
    fault: { message: expect.stringContaining('Band 1 cannot be gold') as unknown },
  });
  expect(readBands(bands('brown green orange black')).ok).toBe(false);
  expect(readBands(bands('brown green')).ok).toBe(false);
});

test('bands and value lead to each other', () => {
  expect(bandsOf(15_000, 0.05)).toEqual(bands('brown green orange gold'));
  expect(bandsOf(4700)).toEqual(bands('yellow violet red'));
  expect(bandsOf(4700, 0.01)).toEqual(bands('yellow violet black brown brown'));
  expect(bandsOf(56_210, 0.01)).toBeNull();
  expect(bandsOf(4700, 0.07)).toBeNull();
  fc.assert(
    fc.property(
      fc.constantFrom(...seriesNames.flatMap((series) => seriesValues(series))),
      fc.integer({ min: -1, max: 6 }),
      fc.constantFrom(0.0025, 0.01, 0.02, 0.05, 0.1),
      (figure, decade, tolerance) => {
        const value = Number(`${Math.round(figure * 100)}e${decade - 2}`);
        const row = bandsOf(value, tolerance);
        const read = row && readBands(row);
        expect(read).toMatchObject({ ok: true, value: { tolerance } });
        if (read?.ok) expect(read.value.resistance / value).toBeCloseTo(1, 12);
      },
    ),
  );
});

test.each([
  ['4K7J', 4700, 0.05],
  ['R22', 0.22, null],
  ['0R22', 0.22, null],
  ['2M2', 2_200_000, null],
  ['473', 47_000, null],
  ['4702', 47_000, null],
  ['220', 22, null],
  ['01C', 10_000, 0.01],
  ['68C', 49_900, 0.01],
  ['96X', 97.6, 0.01],
  ['10KF', 10_000, 0.01],
])('%s printed on a part', (code, resistance, tolerance) => {
  expect(readPrintedCode(code)).toMatchObject({ ok: true, value: { resistance, tolerance } });
});

test('what is no code says so', () => {
  for (const text of ['', 'abc', '4K7Q', '97C', 'K', '000']) expect(readPrintedCode(text).ok).toBe(false);
});

test('the code of a value', () => {
  expect(printedCodeOf(4700, 0.05)).toBe('4K7J');
  expect(printedCodeOf(0.22)).toBe('R22');
  expect(printedCodeOf(56_000, 0.01)).toBe('56KF');
  expect(printedCodeOf(123_456)).toBeNull();
});

test('the coarsest series that has a value', () => {
  expect([1000, 220, 330, 3900, 5100, 49_900, 487, 101, 4800, 56_210].map(seriesOf)).toEqual([
    'E3',
    'E3',
    'E6',
    'E12',
    'E24',
    'E96',
    'E48',
    'E192',
    null,
    null,
  ]);
  expect(seriesNames.map((series) => seriesValues(series).length)).toEqual([3, 6, 12, 24, 48, 96, 192]);
  expect(seriesValues('E192')).toContain(9.2);
});

test('the nearest value of a series, by ratio, across a decade too', () => {
  expect(nearestPreferred(4800, 'E24')).toBe(4700);
  expect(nearestPreferred(9700, 'E12')).toBe(10_000);
  expect(nearestPreferred(0.98, 'E6')).toBe(1);
  expect(nearestPreferred(56_210, 'E96')).toBe(56_200);
  expect([undefined, 0.1, 0.01, 0.001].map(seriesForTolerance)).toEqual(['E24', 'E24', 'E96', 'E192']);
});
