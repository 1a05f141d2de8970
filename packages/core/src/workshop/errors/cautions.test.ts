import { workedOut } from '../../test/meter-projects.ts';
import { designCautions } from './cautions.ts';

const messages = (change: Parameters<typeof workedOut>[0]): string[] => {
  const { piece, sides } = workedOut(change);
  return designCautions(piece, sides[0]!).map(({ message }) => message.replace(/\u00a0/g, ' '));
};

test('a multiplier of 500 V is split by its limiting voltage, and the voltage itself is a caution', () => {
  const parts = { series: 'E24', tolerance: 0.01, powerRating: 0.25, maxParts: 1, limitingVoltage: 200 } as const;
  const found = messages({ parts, sides: [{ target: 'voltmeter', scheme: 'individual', ranges: [500] }] });
  expect(found[0]).toMatch(/^V1 puts \d+ V across one resistor rated for 200 V. Split it: 3 equal parts in series/);
  expect(found.at(-1)).toContain('it can kill');
  expect(found.at(-1)).toContain('local codes and licensed practice');
});

test('a shunt beyond half its power says what rating does', () => {
  // 0.072 Ω at 2.5 A takes 0.45 W, and a quarter-watt part is used up to an eighth.
  const found = messages({ parts: { series: 'E96', tolerance: 0.01, powerRating: 0.25, maxParts: 1 } });
  expect(found.find((message) => message.startsWith('A1'))).toMatch(
    /more than half its rating. Fit one of 0?\.?9\d\d? m?W/,
  );
  expect(found.at(-1)).toContain('Never open the shunt under load');
});

test('individual shunts want a make-before-break switch', () => {
  const sides = [{ target: 'ammeter', scheme: 'individual', ranges: [0.01, 0.1] }] as const;
  expect(messages({ sides }).some((message) => message.includes('make-before-break'))).toBe(true);
  expect(messages({ sides: [{ ...sides[0], ranges: [0.1] }] }).some((m) => m.includes('make-before'))).toBe(false);
});
