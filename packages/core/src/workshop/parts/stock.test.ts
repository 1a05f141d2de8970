import { stockCount, stockTolerance, stockValues } from './stock.ts';

const stock = [
  { resistance: 4700, count: 3, tolerance: 0.01 },
  { resistance: 100 },
  { resistance: 4700, count: 2, tolerance: 0.05 },
  { resistance: 9100, count: 1 },
];

test('values once each, rising as numbers', () => {
  expect([...stockValues(stock)]).toEqual([100, 4700, 9100]);
  expect([...stockValues([{ resistance: 1000 }, { resistance: 99 }])]).toEqual([99, 1000]);
});

test('the same value from two drawers is counted together; without a count there is no end of it', () => {
  expect([...stockCount(stock)]).toEqual([
    [4700, 5],
    [100, Infinity],
    [9100, 1],
  ]);
});

test('of two drawers the wider tolerance counts, and the usual one where none is written', () => {
  expect(stockTolerance(stock, 4700, 0.02)).toBe(0.05);
  expect(stockTolerance(stock, 100, 0.02)).toBe(0.02);
});
