import type { Instrument } from '../instrument/index.ts';
import { parseLine } from '../network/index.ts';
import type { Setup } from './setup.ts';
import { solveUnloaded } from './unloaded.ts';
import { betterAlone, togetherAndApart } from './together.ts';

const kit: Instrument[] = [
  {
    id: 'm',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 10, resistance: 20_000 }] },
      { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.1, resistance: 10 }] },
    ],
  },
];

test('a resistor by voltmeter across the part and ammeter in the line: each moves the other', () => {
  const network = parseLine('E1 6V: W1 link @B R1 680');
  const unloaded = network.ok ? solveUnloaded(network.value) : null;
  if (!unloaded?.ok) throw new Error('not solved');
  const setup: Setup = {
    id: 'S',
    meters: [
      { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: 'v', red: 'B', black: '0' },
      { id: 'A1', instrument: 'm', quantity: 'dc-current', range: 'a', node: 'A', ends: ['W1.from'] },
    ],
  };
  const compared = togetherAndApart(unloaded.value, kit, setup);
  if (!compared.ok) throw new Error(compared.fault.code);
  const [volts, amps] = compared.value;
  // Alone the voltmeter sits on an ideal supply; with the ammeter in, 10 Ω are in series with 680 ∥ 20 k.
  const both = (680 * 20_000) / 20_680;
  expect(volts!.alone.indicated).toBeCloseTo(6, 12);
  expect(volts!.together.indicated).toBeCloseTo((6 * both) / (both + 10), 12);
  expect(amps!.alone.indicated).toBeCloseTo(6 / 690, 12);
  expect(amps!.together.indicated).toBeCloseTo(6 / (both + 10), 12);
  expect(amps!.shift).toBeCloseTo(6 / (both + 10) - 6 / 690, 12);
  expect(betterAlone(compared.value).map(({ meter }) => meter)).toEqual(
    ['A1', 'V1'].filter((id) => {
      const of = compared.value.find(({ meter }) => meter === id)!;
      return Math.abs(of.alone.error!) < Math.abs(of.together.error!);
    }),
  );
  expect(betterAlone(compared.value).map(({ meter }) => meter)).toContain('V1');
});
