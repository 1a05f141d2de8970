import { sameChoice } from './same-choice.ts';

const options = () => [
  { value: 'a', text: 'first' },
  { value: 'b', text: 'second' },
];
const shown = { label: 'Range', value: 'a', options: options() };

test('options made anew that say the same are no reason to draw again', () => {
  expect(sameChoice(shown, { ...shown, options: options() })).toBe(true);
});

test('another value, label, option, text or number of options is', () => {
  expect(sameChoice(shown, { ...shown, value: 'b' })).toBe(false);
  expect(sameChoice<typeof shown & { showLabel?: boolean }>(shown, { ...shown, showLabel: true })).toBe(false);
  expect(sameChoice<typeof shown & { showLabel?: boolean }>({ ...shown, showLabel: true }, shown)).toBe(false);
  expect(sameChoice(shown, { ...shown, options: options().slice(1) })).toBe(false);
  expect(sameChoice(shown, { ...shown, options: options().with(1, { value: 'b', text: 'other' }) })).toBe(false);
  expect(sameChoice(shown, { ...shown, options: options().with(1, { value: 'c', text: 'second' }) })).toBe(false);
});
