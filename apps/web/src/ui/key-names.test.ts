import { keyNamesOf } from './key-names.ts';

test('keys are named as they are pressed, by their first alternative', () => {
  expect(keyNamesOf('mod+shift+z')).toEqual(['Ctrl', 'Shift', 'Z']);
  expect(keyNamesOf('g>j')).toEqual(['G', 'J']);
  expect(keyNamesOf('delete, backspace')).toEqual(['Del']);
  expect(keyNamesOf('pagedown')).toEqual(['Page Down']);
  expect(keyNamesOf('?')).toEqual(['?']);
});
