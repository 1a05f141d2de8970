import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { parseLine } from '../network/index.ts';
import { resistance } from '../test/random-network.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import {
  apparentError,
  apparentResistance,
  betterConnection,
  correctedResistance,
  crossoverResistance,
} from './voltmeter-ammeter.ts';

const ways = ['across-part', 'across-both'] as const;

test('what V/I comes to is what the two meters show in the circuit, both ways', () => {
  const network = parseLine('E1 6V/0R5: W1 link @B R1 680');
  const unloaded = network.ok ? solveUnloaded(network.value) : null;
  if (!unloaded?.ok) throw new Error('not solved');
  const kit: Instrument[] = [
    {
      id: 'm',
      functions: [
        { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 10, resistance: 20_000 }] },
        { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.1, resistance: 10 }] },
      ],
    },
  ];
  for (const way of ways) {
    const solved = solveSetup(unloaded.value, kit, {
      id: 'S',
      meters: [
        {
          id: 'V',
          instrument: 'm',
          quantity: 'dc-voltage',
          range: 'v',
          red: way === 'across-part' ? 'B' : 'A',
          black: '0',
        },
        { id: 'A', instrument: 'm', quantity: 'dc-current', range: 'a', node: 'A', ends: ['W1.from'] },
      ],
    });
    if (!solved.ok) throw new Error(solved.fault.code);
    const { V, A } = solved.value.meters;
    expect(V!.indicated! / A!.indicated!).toBeCloseTo(apparentResistance(680, 20_000, 10, way), 9);
  }
});

test('corrected, it is the part again; the error is as said', () => {
  fc.assert(
    fc.property(resistance, resistance, resistance, fc.constantFrom(...ways), (part, voltmeter, ammeter, way) => {
      if (part > 1e4 * voltmeter || ammeter > 1e4 * part) return;
      const apparent = apparentResistance(part, voltmeter, ammeter, way);
      expect(Math.abs(correctedResistance(apparent, voltmeter, ammeter, way)! / part - 1)).toBeLessThan(1e-9);
      expect(Math.abs(apparent / part - 1 - apparentError(part, voltmeter, ammeter, way))).toBeLessThan(1e-9);
    }),
  );
  expect(correctedResistance(20_000, 20_000, 10, 'across-part')).toBeNull();
  expect(correctedResistance(5, 20_000, 10, 'across-both')).toBeNull();
});

test('at the crossover both ways are off by the same; below it across the part alone is better', () => {
  const crossover = crossoverResistance(20_000, 10);
  expect(Math.abs(crossover / Math.sqrt(10 * 20_000) - 1)).toBeLessThan(0.02);
  expect(apparentError(crossover, 20_000, 10, 'across-both')).toBeCloseTo(
    -apparentError(crossover, 20_000, 10, 'across-part'),
    12,
  );
  expect(betterConnection(100, 20_000, 10)).toBe('across-part');
  expect(betterConnection(680, 20_000, 10)).toBe('across-both');
});
