import { readDisplay } from './read-display.ts';

test.each([
  ['6.37', 'V', '6.37', null],
  ['-6.37', 'V', '-6.37', null],
  ['−6,37', 'V', '−6.37', null],
  ['412m', 'A', '412', 'm'],
  ['4.12 mA', 'A', '4.12', 'm'],
  ['4.12A', 'A', '4.12', ''],
  ['160.7u', 'A', '160.7', 'µ'],
  ['160.7 µA', 'A', '160.7', 'µ'],
  ['56.3k', 'Ω', '56.3', 'k'],
  ['56.3 kohm', 'Ω', '56.3', 'k'],
  ['1.2M', 'Ω', '1.2', 'M'],
  ['o', 'V', 'O', null],
  ['ol', 'V', 'OL', null],
  ['OL', 'Ω', 'OL', null],
])('“%s” in %s is %s with the prefix %p', (text, unit, shown, prefix) =>
  expect(readDisplay(text, unit)).toEqual({ shown, prefix, otherUnit: null, by: 0 }),
);

test('star and slash of the number pad go one prefix up or down and leave the number', () => {
  expect(readDisplay('6.37*', 'V')).toEqual({ shown: '6.37', prefix: null, otherUnit: null, by: 1 });
  expect(readDisplay('6.37/', 'V')).toEqual({ shown: '6.37', prefix: null, otherUnit: null, by: -1 });
});

test('a letter that is no prefix changes nothing, and what is no display stays as it was typed', () => {
  expect(readDisplay('6.37q', 'V')).toEqual({ shown: '6.37', prefix: null, otherUnit: null, by: 0 });
  expect(readDisplay('6.3.7 x 9', 'V')).toEqual({ shown: '6.3.7 x 9', prefix: null, otherUnit: null, by: 0 });
});

test.each([
  ['1.345 V', 'A', 'V'],
  ['13.5mA', 'V', 'A'],
  ['470 ohm', 'V', 'Ω'],
  ['1.5 kΩ', 'A', 'Ω'],
])('“%s” where %s is read has the unit %s of another quantity, and stays as it was typed', (text, unit, otherUnit) =>
  expect(readDisplay(text, unit)).toEqual({ shown: text, prefix: null, otherUnit, by: 0 }),
);
