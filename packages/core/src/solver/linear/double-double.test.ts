import fc from 'fast-check';
import { minus, plus, rational, times, over, toDouble, type Rational } from '../../test/rational.ts';
import {
  add,
  divide,
  DoubleDoubleArray,
  exactly,
  multiply,
  subtract,
  toNumber,
  type DoubleDouble,
} from './double-double.ts';

const number = fc
  .double({ min: -1e12, max: 1e12, noNaN: true, noDefaultInfinity: true })
  .filter((x) => x === 0 || Math.abs(x) > 1e-12);
const value = fc.tuple(number, number).map(([a, b]) => add(exactly(a), exactly(b * 1e-20)));

const exact = ({ hi, lo }: DoubleDouble): Rational => plus(rational(hi), rational(lo));

function within(computed: DoubleDouble, wanted: Rational, size: number): void {
  expect(Math.abs(toDouble(minus(exact(computed), wanted)))).toBeLessThanOrEqual(1e-30 * size);
}

test('sums, differences, products and quotients keep 30 digits', () => {
  fc.assert(
    fc.property(value, value, (a, b) => {
      within(add(a, b), plus(exact(a), exact(b)), Math.abs(a.hi) + Math.abs(b.hi));
      within(subtract(a, b), minus(exact(a), exact(b)), Math.abs(a.hi) + Math.abs(b.hi));
      within(multiply(a, b), times(exact(a), exact(b)), Math.abs(a.hi * b.hi));
      if (b.hi !== 0) within(divide(a, b), over(exact(a), exact(b)), Math.abs(a.hi / b.hi));
    }),
  );
});

test('adding a product in place is the same as adding it', () => {
  fc.assert(
    fc.property(value, value, value, (start, a, b) => {
      const array = new DoubleDoubleArray();
      array.push(start.hi, start.lo);
      array.addProduct(0, a.hi, a.lo, b.hi, b.lo);
      const size = Math.abs(start.hi) + Math.abs(a.hi * b.hi);
      within(array.at(0), plus(exact(start), times(exact(a), exact(b))), size);
    }),
  );
});

test('an array grows as values are pushed', () => {
  const array = new DoubleDoubleArray();
  for (let i = 0; i < 10; i += 1) array.push(i, 0);
  expect(array.length).toBe(10);
  expect(toNumber(array.at(7))).toBe(7);
});

test('a third times three is one, which doubles only reach by rounding', () => {
  const third = divide(exactly(1), exactly(3));
  expect(toNumber(subtract(multiply(third, exactly(3)), exactly(1)))).toBeLessThan(1e-31);
});
