import fc from 'fast-check';
import Papa from 'papaparse';
import { csvRows, csvText } from './csv.ts';

/** Whether a spreadsheet would run a cell, as it stands in the file, as a formula. */
const runs = (cell: string): boolean => /^[=+\-@\t\r]/.test(cell) && !Number.isFinite(Number(cell));

test.each([
  ['=1+1', "'=1+1"],
  ['@sum', "'@sum"],
  ['+49 30', "'+49 30"],
  ['-cmd', "'-cmd"],
  ['\tx', "'\tx"],
  ['\rx', "'\rx"],
  ["'=x", "''=x"],
  ['-0.5', '-0.5'],
  ['+6.36E-3', '+6.36E-3'],
  ['−0.5', '−0.5'],
  ["it's", "it's"],
  ["'quoted'", "'quoted'"],
])('the cell %j is written as %j', (cell, written) => {
  const line = csvText([[cell, 'x']]);
  expect([`${written},x`, `"${written}",x`]).toContain(line);
  expect(csvRows(`${line}\n`)).toEqual([[cell, 'x']]);
});

test('numbers stay numbers', () => expect(csvText({ fields: ['a'], data: [[-0.5]] })).toBe('a\r\n-0.5'));

test('no table has a formula in it, and all of it is read back as it was', () => {
  let formulas = 0;
  const cell = fc.string({ unit: fc.constantFrom('=', '+', '-', '@', "'", '1', '.', 'e', 'x', ',', '"', ' ', '\n') });
  const table = fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 5 });
  fc.assert(
    fc.property(table, (cells) => {
      const rows = cells.map((row) => [...row, 'end']);
      formulas += rows.flat().filter(runs).length;
      const text = csvText(rows);
      expect(csvRows(text)).toEqual(rows);
      expect(Papa.parse<string[]>(text, { delimiter: ',' }).data.flat().filter(runs)).toEqual([]);
    }),
    { numRuns: 500 },
  );
  expect(formulas).toBeGreaterThan(100);
});
