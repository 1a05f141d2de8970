import type { Instrument } from '../instrument/index.ts';
import { solveSetup, solveUnloaded, type Meter } from '../loading/index.ts';
import { read } from '../test/read-line.ts';
import { makePlan } from './make-plan.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [{ id: '50 V', fullScale: 50, resistance: 20_000, resolution: 0.01, accuracyOfReading: 0.005 }],
    },
    {
      quantity: 'dc-current',
      ranges: [{ id: '1 A', fullScale: 1, resistance: 2, resolution: 1e-4, accuracyOfReading: 0.005 }],
    },
  ],
};
const network = read('E1 24V/2: R1 47 5% + (R2 220 5% || L1 12V 0.3A ^0.55) + L2 12V 0.2A ^0.2 polarised');

test('a plan beside lamps expects what the whole network gives with each meter in', () => {
  const unloaded = solveUnloaded(network);
  const made = makePlan({ network, instruments: [meter] });
  if (!unloaded.ok || !made.ok) throw new Error('unsolved');
  const untouched = made.value.steps.filter((step, index, all) => {
    const before = all.slice(0, index).findLast(({ do: what }) => what === 'break' || what === 'restore');
    // The unloaded source has a circuit of its own.
    return (
      step.do === 'read' &&
      step.quantity !== 'resistance' &&
      !(before?.do === 'break' && step.quantity === 'dc-voltage')
    );
  });
  expect(untouched.length).toBeGreaterThan(6);
  for (const step of untouched) {
    if (step.do !== 'read' || step.quantity === 'resistance') continue;
    const placed = { id: 'own', instrument: 'm', range: step.range };
    const own: Meter =
      step.quantity === 'dc-voltage'
        ? { ...placed, quantity: 'dc-voltage', red: step.red, black: step.black }
        : { ...placed, quantity: 'dc-current', node: step.node, ends: step.ends, reversed: step.reversed ?? false };
    const values = solveSetup(unloaded.value, [meter], { id: 'S', meters: [own] });
    if (!values.ok) throw new Error(values.fault.code);
    const { indicated } = values.value.meters.own!;
    expect(Math.abs(step.expected - indicated!)).toBeLessThan(1e-9 * Math.abs(indicated!));
    expect(step.low).toBeLessThanOrEqual(step.expected);
    expect(step.high).toBeGreaterThanOrEqual(step.expected);
  }
});
