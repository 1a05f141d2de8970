import type { Mark } from '../symbols/mark.ts';
import { svgText } from '../symbols/svg.ts';
import { correctionPicture } from './correction-picture.ts';

const texts = (marks: readonly Mark[]): string[] => marks.flatMap((mark) => (mark.shape === 'text' ? [mark.text] : []));

test('before anything is typed there is the loop alone, with the meter of the quantity', () => {
  const volts = correctionPicture({ quantity: 'dc-voltage', indicated: null, corrected: null });
  expect(texts(volts.marks)).toEqual(['+', 'V', '0']);
  expect(volts.sag).toBeNull();
  expect(texts(correctionPicture({ quantity: 'dc-current', indicated: null, corrected: null }).marks)).toContain('A');
});

test('the indicated value is below the corrected one in proportion, the gap is hatched', () => {
  const { marks, sag, height } = correctionPicture({
    quantity: 'dc-voltage',
    indicated: 1.6,
    corrected: { value: 6.4, uncertainty: 0 },
  });
  expect(texts(marks)).toEqual(expect.arrayContaining(['6.40\u00a0V', '1.60\u00a0V']));
  const zero = sag!.y + sag!.height / (1 - 1.6 / 6.4);
  expect(zero).toBeLessThan(height);
  // The whole height is the corrected value: a quarter of it is below the gap.
  expect((zero - sag!.y - sag!.height) / (zero - sag!.y)).toBeCloseTo(0.25, 9);
});

test('a negative reading has the height of its amount; texts keep apart; nothing is undefined', () => {
  const picture = correctionPicture({
    quantity: 'dc-current',
    indicated: -9.99e-3,
    corrected: { value: -10e-3, uncertainty: 1e-4 },
  });
  const ys = picture.marks.flatMap((mark) => (mark.shape === 'text' && /mA/.test(mark.text) ? [mark.y] : []));
  expect(Math.abs(ys[0]! - ys[1]!)).toBeGreaterThanOrEqual(15);
  expect(texts(picture.marks)).toEqual(expect.arrayContaining(['−10.0\u00a0mA', '−9.99\u00a0mA']));
  expect(svgText(picture, picture.marks, 'x')).not.toMatch(/NaN|undefined/);
});
