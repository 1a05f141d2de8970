import fc from 'fast-check';
import type { Element, Network } from '../network/index.ts';

/** Resistances from 1 mΩ to 1 GΩ, spread evenly over the decades, with preferred values among them. */
export const resistance = fc.oneof(
  fc.double({ min: -3, max: 9, noNaN: true }).map((decade) => 10 ** decade),
  fc.constantFrom(1, 10, 47, 100, 350, 1000, 4700, 10_000, 1e6),
);

const volts = fc.double({ min: -60, max: 60, noNaN: true }).map((v) => Math.round(v * 1000) / 1000 + 0);

/** Elements of every kind between a handful of nodes, islands, shorted parts and contradictions included. */
export const anyNetwork: fc.Arbitrary<Network> = networkOf(
  fc.oneof(
    { weight: 8, arbitrary: resistance.map((value) => ({ kind: 'resistor', resistance: value }) as const) },
    {
      weight: 3,
      arbitrary: fc
        .record({
          emf: volts,
          internalResistance: fc.oneof(fc.constant(0), resistance),
          cellsInSeries: fc.integer({ min: 1, max: 6 }),
          cellsInParallel: fc.integer({ min: 1, max: 3 }),
        })
        .map((source) => ({ kind: 'source', ...source }) as const),
    },
    {
      weight: 1,
      arbitrary: fc.constantFrom(0.001, -0.02, 0.5).map((current) => ({ kind: 'current-source', current }) as const),
    },
    {
      weight: 1,
      arbitrary: fc.constant({ kind: 'load', ratedVoltage: 12, ratedCurrent: 0.35 } as const),
    },
    { weight: 2, arbitrary: fc.boolean().map((closed) => ({ kind: 'switch', closed }) as const) },
    { weight: 2, arbitrary: fc.constant({ kind: 'link' } as const) },
  ),
);

/** Real sources and resistors only, all in one piece: always solvable. */
export const soundNetwork: fc.Arbitrary<Network> = fc
  .tuple(
    networkOf(
      fc.oneof(
        { weight: 4, arbitrary: resistance.map((value) => ({ kind: 'resistor', resistance: value }) as const) },
        {
          weight: 1,
          arbitrary: fc
            .record({ emf: volts, internalResistance: resistance })
            .map((source) => ({ kind: 'source', ...source }) as const),
        },
      ),
    ),
    resistance,
  )
  .map(([network, r]) => {
    const nodes = [...new Set(network.elements.flatMap((e) => [e.from, e.to]))];
    const ties = nodes.slice(1).map((node, index): Element => ({
      id: `T${index}`,
      kind: 'resistor',
      from: nodes[index]!,
      to: node,
      resistance: r * (index + 1),
    }));
    return { elements: [...network.elements, ...ties] };
  });

/**
 * Resistors, real sources and loads of every law in one piece: their current is a lamp's or a sounder's, and where nothing is
 * driven against a load's law the working point is a sensible one.
 */
export const loadedNetwork: fc.Arbitrary<Network> = networkOf(
  fc.oneof(
    {
      weight: 3,
      arbitrary: fc
        .constantFrom(1, 10, 47, 330, 1000, 4700)
        .map((value) => ({ kind: 'resistor', resistance: value }) as const),
    },
    {
      weight: 2,
      arbitrary: fc
        .record({ emf: fc.constantFrom(24, -9, 12, 36), internalResistance: fc.constantFrom(0.1, 1, 10) })
        .map((source) => ({ kind: 'source', ...source }) as const),
    },
    {
      weight: 3,
      arbitrary: fc
        .record({
          ratedVoltage: fc.constantFrom(6, 12, 24),
          ratedCurrent: fc.constantFrom(0.02, 0.12, 0.3),
          exponent: fc.constantFrom(0.1, 0.2, 0.55, 0.75, 1),
          polarised: fc.boolean(),
        })
        .map((load) => ({ kind: 'load', ...load }) as const),
    },
  ),
).map(({ elements }) => {
  const nodes = [...new Set(elements.flatMap((e) => [e.from, e.to]))];
  const ties = nodes.slice(1).map((node, index): Element => ({
    id: `T${index}`,
    kind: 'resistor',
    from: nodes[index]!,
    to: node,
    resistance: 100 * (index + 1),
  }));
  return { elements: [...elements, ...ties] };
});

function networkOf(
  part: fc.Arbitrary<Record<string, unknown> & { readonly kind: Element['kind'] }>,
): fc.Arbitrary<Network> {
  return fc.integer({ min: 2, max: 6 }).chain((count) => {
    const node = fc.integer({ min: 0, max: count - 1 }).map((n) => 'ABCDEF0'[n]!);
    return fc.array(fc.tuple(part, node, node), { minLength: 2, maxLength: 11 }).map((parts) => ({
      elements: parts.map(([of, from, to], index) => ({ id: `X${index}`, from, to, ...of }) as unknown as Element),
    }));
  });
}
