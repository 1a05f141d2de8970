import { readTemperature, temperatureText } from './temperature.ts';

test.each([
  ['21.5', 21.5],
  ['21,5 °C', 21.5],
  ['−3', -3],
  [' 8C ', 8],
])('%s is a temperature', (text, value) => {
  expect(readTemperature(text)).toEqual({ ok: true, value });
});

test.each(['', 'warm', '21 K', '-300', '1e3'])('“%s” is none, and what is wanted is said', (text) => {
  const read = readTemperature(text);
  expect(!read.ok && read.fault.message).toContain('°C');
});

test('what is printed is read again', () => {
  for (const value of [-3.25, 0, 21.5]) expect(readTemperature(temperatureText(value))).toEqual({ ok: true, value });
});
