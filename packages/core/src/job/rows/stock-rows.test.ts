import fc from 'fast-check';
import { rowsFromStock, stockFromRows } from './stock-rows.ts';

test('a drawer as a technician writes it down', () => {
  const { stock, faults } = stockFromRows([['4k7', '12', '1 %'], ['0R1'], ['', ''], ['8.2 kΩ', '', '0.1%']]);
  expect(faults).toEqual([]);
  expect(stock).toEqual([
    { resistance: 4700, count: 12, tolerance: 0.01 },
    { resistance: 0.1 },
    { resistance: 8200, tolerance: 0.001 },
  ]);
});

test('a first row of headings says which column is which', () => {
  const { stock } = stockFromRows([
    ['Tolerance', 'Qty', 'Value / Ω'],
    ['5 %', '3', '100'],
  ]);
  expect(stock).toEqual([{ resistance: 100, count: 3, tolerance: 0.05 }]);
});

test.each([
  [['many', '3'], 1],
  [['-4', '3'], 1],
  [['100', 'some'], 1],
  [['100', '0'], 1],
  [['100', '1', 'tight'], 1],
])('%j is refused with its row', (cells, row) => {
  const { stock, faults } = stockFromRows([cells]);
  expect(stock).toEqual([]);
  expect(faults.map((fault) => fault.row)).toEqual([row]);
});

test('what is written out reads in as the same stock', () => {
  const part = fc.record(
    {
      resistance: fc.double({ min: 1e-3, max: 1e9, noNaN: true }),
      count: fc.integer({ min: 1, max: 500 }),
      tolerance: fc.constantFrom(0.0001, 0.001, 0.005, 0.01, 0.05),
    },
    { requiredKeys: ['resistance'] },
  );
  fc.assert(
    fc.property(fc.array(part), (stock) => {
      const { stock: again, faults } = stockFromRows(rowsFromStock(stock));
      expect(faults).toEqual([]);
      expect(again.map(({ count }) => count)).toEqual(stock.map(({ count }) => count));
      again.forEach(({ resistance, tolerance }, k) => {
        expect(Math.abs(resistance / stock[k]!.resistance - 1)).toBeLessThan(1e-14);
        expect(tolerance ?? null).toEqual(
          stock[k]!.tolerance === undefined ? null : expect.closeTo(stock[k]!.tolerance, 12),
        );
      });
    }),
  );
});
