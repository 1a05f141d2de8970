import type { Instrument } from '../instrument/index.ts';
import { solveSetup, solveUnloaded } from '../loading/index.ts';
import { replaceElement, type Network, type Resistor } from '../network/index.ts';
import { read } from '../test/read-line.ts';
import { expectationOf } from './expectation.ts';
import { setupOf } from './setup-of.ts';
import type { Reading } from './reading.ts';

const instruments: readonly Instrument[] = [
  {
    id: 'm',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: '20 V', fullScale: 19.99, resistance: 1e6, resolution: 0.01 }] },
      { quantity: 'dc-current', ranges: [{ id: '1 A', fullScale: 1, resistance: 0.5, resolution: 0.001 }] },
    ],
  },
];
const network = read('E1 24V/2: R1 47 5% + (R2 220 5% || L1 12V 0.3A ^0.55) + R3 10 1%');
const readings = [
  { id: 'M1', quantity: 'dc-voltage', instrument: 'm', range: '20 V', red: 'B', black: '0', observations: [] },
  { id: 'M2', quantity: 'dc-current', instrument: 'm', range: '1 A', node: 'B', ends: ['L1.from'], observations: [] },
] as unknown as Exclude<Reading, { readonly quantity: 'resistance' }>[];

const solved = (of: Network) => {
  const unloaded = solveUnloaded(of);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
};

test('limits of a reading beside a lamp: every corner of the parts’ tolerances solved by itself', () => {
  const parts = network.elements.filter((part): part is Resistor => part.kind === 'resistor');
  for (const reading of readings) {
    const { expected, limits } = expectationOf(solved(network), instruments, reading);
    const corners = Array.from({ length: 8 }, (_, corner) => {
      const at = parts.reduce<Network>(
        (changed, part, k) =>
          replaceElement(changed, part.id, {
            ...part,
            resistance: part.resistance * (1 + (corner & (1 << k) ? 1 : -1) * part.tolerance!),
          }),
        network,
      );
      const values = solveSetup(solved(at), instruments, setupOf(reading));
      return values.ok ? values.value.meters.own!.indicated! : NaN;
    });
    expect(limits!.low / Math.min(...corners)).toBeCloseTo(1, 7);
    expect(limits!.high / Math.max(...corners)).toBeCloseTo(1, 7);
    expect(limits!.low).toBeLessThan(expected!);
  }
});
