import { formatDuration, parseDuration } from './parse-duration.ts';

test.each([
  ['90 s', 90],
  ['5 min', 300],
  ['2h', 7200],
  ['1h30', 5400],
  ['0,5 h', 1800],
  ['250 ms', 0.25],
])('%s', (text, seconds) => expect(parseDuration(text)).toEqual({ ok: true, value: seconds }));

test('a time without its unit is refused', () => {
  expect(parseDuration('5')).toMatchObject({
    ok: false,
    fault: { message: '5 of what? Type the unit too: 5 s or 5 min.' },
  });
  for (const text of ['', 'soon', '5 parsecs']) expect(parseDuration(text).ok).toBe(false);
});

test('times are printed in the unit they are said in', () => {
  expect([90, 300, 7200, 5400].map(formatDuration)).toEqual(
    ['90 s', '5 min', '2 h', '1.5 h'].map((t) => t.replace(' ', '\u00a0')),
  );
});
