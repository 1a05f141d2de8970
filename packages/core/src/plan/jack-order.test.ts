import fc from 'fast-check';
import { fewestJackChanges, jackChangesOf } from './jack-order.ts';
import { runs } from '../test/runs.ts';

const step = (instrument: string, jack: string) => ({ instrument, jack });

test('a change is another jack than at the instrument’s own last use', () => {
  expect(jackChangesOf([])).toBe(0);
  expect(jackChangesOf([step('a', 'V'), step('b', 'V'), step('a', 'V'), step('b', 'mA'), step('a', 'mA')])).toBe(2);
});

test('volts, then the milliampere jack, then the ten ampere jack: two changes, whatever the order was', () => {
  const volts = [step('a', 'V'), step('a', 'V')];
  const amps = [step('a', '10 A'), step('a', 'mA'), step('a', '10 A'), step('a', 'mA')];
  expect(jackChangesOf(fewestJackChanges([volts, amps]).flat())).toBe(2);
});

test('nothing is lost or added, groups stay in their order, and no order has fewer changes than jacks need', () => {
  const any = fc.array(
    fc.array(fc.record({ instrument: fc.constantFrom('a', 'b'), jack: fc.constantFrom('V', 'mA', '10 A') })),
    {
      minLength: 1,
      maxLength: 3,
    },
  );
  fc.assert(
    fc.property(any, (groups) => {
      const ordered = fewestJackChanges(groups);
      const text = (steps: readonly object[]): string[] => steps.map((one) => JSON.stringify(one)).sort();
      expect(ordered.map(text)).toEqual(groups.map(text));
      expect(jackChangesOf(ordered.flat())).toBeLessThanOrEqual(jackChangesOf(groups.flat()));
    }),
    { numRuns: runs(300) },
  );
});
