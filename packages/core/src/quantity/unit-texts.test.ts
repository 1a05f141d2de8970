import { amps, ohms, volts, watts } from './unit-texts.ts';

test('each unit has its text: four digits or as many as given, no zeros at the end', () => {
  const plain = (text: string): string => text.replace(/\u00a0|\u202f/g, ' ');
  expect(plain(ohms(4700))).toBe('4.7 kΩ');
  expect(plain(volts(4.09))).toBe('4.09 V');
  expect(plain(amps(0.123456, 3))).toBe('123 mA');
  expect(plain(watts(0.25, 6))).toBe('250 mW');
  expect(ohms(null)).toBe('–');
});
