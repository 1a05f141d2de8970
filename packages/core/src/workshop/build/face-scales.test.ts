import fc from 'fast-check';
import { builtInKit, findRange, type Instrument } from '../../instrument/index.ts';
import { faceScales, figureAt, scaleOf, valueAt } from './face-scales.ts';

const old = builtInKit.find(({ id }) => id === 'analogue-2k')!;

test('ranges that differ by the decimal point share a scale, which ends at the largest of their voltages up to 300 V', () => {
  expect(faceScales(old).map(({ fullScale, ranges }) => [fullScale, ranges.map(({ range }) => range)])).toEqual(
    expect.arrayContaining([
      [10, ['10 V', '100 mA']],
      [50, ['50 V', '500 µA', '500 mA']],
      [250, ['2.5 V', '250 V', '25 mA']],
    ]),
  );
});

test('3.64 V on 10 V is 3.64 on 0–10; on 2.5 V a value of 1.25 V is 125 on 0–250', () => {
  const scales = faceScales(old);
  const at = (range: string, value: number): number =>
    figureAt(scaleOf(scales, { quantity: 'dc-voltage', range })!, findRange(old, 'dc-voltage', range)!, value);
  expect(at('10 V', 3.64)).toBeCloseTo(3.64, 12);
  expect(at('2.5 V', 1.25)).toBeCloseTo(125, 12);
  expect(at('50 V', 18.2)).toBeCloseTo(18.2, 12);
});

test('numbers end at full scale, and marks stand between them', () => {
  for (const { fullScale, majors, minors, divisions } of faceScales(old)) {
    expect(majors[0]).toBe(0);
    expect(majors.at(-1)).toBe(fullScale);
    expect(majors.length + minors.length).toBe(divisions + 1);
    expect(minors.some((figure) => majors.includes(figure))).toBe(false);
  }
});

test('property: value and figure convert both ways, and every range is on one scale', () => {
  const fullScales = fc.uniqueArray(fc.constantFrom(0.1, 0.25, 0.5, 1, 2.5, 3, 5, 10, 30, 50, 100, 250, 500, 1000), {
    minLength: 1,
    maxLength: 6,
  });
  let converted = 0;
  fc.assert(
    fc.property(fullScales, fc.double({ min: 0, max: 1, noNaN: true }), (ends, share) => {
      const ranges = ends.map((fullScale) => ({ id: `${fullScale} V`, fullScale, resistance: 1e4, divisions: 50 }));
      const instrument: Instrument = { id: 'm', display: 'analogue', functions: [{ quantity: 'dc-voltage', ranges }] };
      const scales = faceScales(instrument);
      expect(scales.flatMap((scale) => scale.ranges).length).toBe(ranges.length);
      for (const range of ranges) {
        const scale = scaleOf(scales, { quantity: 'dc-voltage', range: range.id })!;
        const value = share * range.fullScale;
        expect(Math.abs(valueAt(scale, range, figureAt(scale, range, value)) - value)).toBeLessThan(
          1e-12 * range.fullScale,
        );
        converted += 1;
      }
    }),
    { numRuns: 100 },
  );
  expect(converted).toBeGreaterThan(150);
});
