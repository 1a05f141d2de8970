import { findRange, rangesOf } from '../instrument/index.ts';
import type { Unloaded } from '../loading/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { observedValue, type CircuitReading } from '../readings/index.ts';
import { attach, solveCircuit, toNumber } from '../solver/index.ts';
import { acrossPart, type Hypothesis } from '../faults/index.ts';
import type { Elsewhere } from './elsewhere.ts';
import { isInCircuit, type Observed } from './observed.ts';

type ObservedInCircuit = Observed & { readonly reading: CircuitReading };

/** A mistake in one reading, and the number that would then be recorded. */
export interface ReadingFaultShown {
  readonly hypothesis: Hypothesis;
  readonly value: number;
  /** Standard uncertainty of `value` from the parts' tolerances, V, A or Ω. */
  readonly tolerance: number;
  /** Standard uncertainty of the reading itself. */
  readonly u: number;
}

/** Returns every mistake that one reading may contain, with the number that would then be recorded. */
export const readingFaults = (unloaded: Unloaded, at: Elsewhere, observed: Observed): ReadingFaultShown[] => [
  ...numberFaults(observed),
  ...(isInCircuit(observed) ? connectionFaults(unloaded, at, observed) : []),
];

/** The meter was read or written down wrongly. `OL` has neither digits nor a prefix. */
function numberFaults(observed: Observed): ReadingFaultShown[] {
  const { reading, expected, tolerance, value, comparison } = observed;
  if (expected === null || comparison === 'over-range') return [];
  const scaled = (fault: Hypothesis['fault'], factor: number, given: Hypothesis['value']): ReadingFaultShown => ({
    hypothesis: { fault, where: [reading.id], value: given },
    value: expected * factor,
    tolerance: tolerance * Math.abs(factor),
    u: observed.uncertaintyAt(value / factor) * Math.abs(factor),
  });
  return [
    ...[1e3, 1e-3, 1e6, 1e-6].map((factor) => scaled('prefix', factor, factor)),
    ...digitsSwapped(observed, expected),
    ...wrongScales(observed).map(({ range, factor }) => scaled('wrong-scale', factor, range)),
  ];
}

/** The meter was connected wrongly. */
function connectionFaults(unloaded: Unloaded, at: Elsewhere, observed: ObservedInCircuit): ReadingFaultShown[] {
  const { reading, u, value, expected, tolerance } = observed;
  const where = [reading.id];
  const zero = (fault: Hypothesis['fault']): ReadingFaultShown => ({
    hypothesis: { fault, where, value: null },
    value: 0,
    tolerance: 0,
    u: observed.uncertaintyAt(value),
  });
  const nothing =
    reading.quantity === 'dc-voltage'
      ? [zero('one-point'), zero('hanging')]
      : [zero('blown-fuse'), zero('one-point'), zero('hanging')];
  const others = [...nothing, ...elsewhere(unloaded.network, at, observed)];
  if (expected === null) return others;
  const swapped: ReadingFaultShown = {
    hypothesis: { fault: 'leads-swapped', where, value: null },
    value: 0 - expected,
    tolerance,
    u,
  };
  return [swapped, ...others, ...across(unloaded, observed)];
}

/** Two neighbouring digits exchanged as they were typed; of one observation only. */
function digitsSwapped(
  { reading, instrument, value, u, tolerance, comparison }: Observed,
  expected: number,
): ReadingFaultShown[] {
  const [only, ...more] = reading.observations;
  if (!only || more.length > 0) return [];
  const places = [...only.shown].flatMap((sign, at) => (/\d/.test(sign) ? [at] : []));
  return places.slice(1).flatMap((right, k): ReadingFaultShown[] => {
    const left = places[k]!;
    const signs = [...only.shown];
    if (signs[left] === signs[right]) return [];
    [signs[left], signs[right]] = [signs[right]!, signs[left]!];
    const text = signs.join('');
    const put = observedValue({ ...reading, observations: [{ ...only, shown: text }] }, instrument).value!;
    const hypothesis = { fault: 'digits-swapped', where: [reading.id], value: text } as const;
    const signed = comparison === 'magnitude' ? Math.abs : (x: number) => x;
    return [{ hypothesis, value: signed(value) + signed(expected) - signed(put), tolerance, u }];
  });
}

/** Scales of a needle that were read instead of the range's. */
function wrongScales({ reading, instrument }: Observed): { readonly range: string; readonly factor: number }[] {
  if (instrument.display !== 'analogue') return [];
  const own = findRange(instrument, reading.quantity, reading.scale ?? reading.range);
  if (!own) return [];
  return rangesOf(instrument, reading.quantity).flatMap((range) =>
    range.id === own.id || range.fullScale === own.fullScale
      ? []
      : [{ range: range.id, factor: range.fullScale / own.fullScale }],
  );
}

/** Read at every other place: each ordered pair of nodes, each single end of a part. */
function elsewhere(network: Network, at: Elsewhere, { reading, u }: ObservedInCircuit): ReadingFaultShown[] {
  const shown = (place: CircuitReading, value: Hypothesis['value']): ReadingFaultShown => ({
    hypothesis: { fault: 'wrong-place', where: [reading.id], value },
    ...at(place),
    u,
  });
  if (reading.quantity === 'dc-voltage') {
    // A reading elsewhere is one in the circuit as it is: nothing was lifted for it.
    const { unloaded: _lifted, ...read } = reading;
    const nodes = nodesOf(network);
    return nodes.flatMap((red) =>
      nodes.flatMap((black) =>
        red === black || (red === reading.red && black === reading.black)
          ? []
          : [shown({ ...read, red, black }, { red, black })],
      ),
    );
  }
  return network.elements.flatMap((part) =>
    (['from', 'to'] as const).flatMap((side) => {
      const [node, ends] = [part[side], [`${part.id}.${side}`]];
      const same = node === reading.node && reading.ends.length === 1 && reading.ends[0] === ends[0];
      return same ? [] : [shown({ ...reading, node, ends }, { node, ends })];
    }),
  );
}

/** An ammeter laid across its part: it joins its node to the part's far end, and nothing is opened. */
function across({ network, named }: Unloaded, { reading, instrument, u }: ObservedInCircuit): ReadingFaultShown[] {
  if (reading.quantity !== 'dc-current' || reading.ends.length !== 1) return [];
  const range = findRange(instrument, 'dc-current', reading.range);
  const part = acrossPart(network, reading.ends);
  if (!range || part.to === reading.node) return [];
  const meter = { id: ' across', resistance: range.resistance, ...part, from: reading.node };
  const solved = solveCircuit(attach(named, [meter]).circuit);
  if (!solved.ok) return [];
  const current = solved.value.currents[network.elements.length];
  const amps = current ? toNumber(current) * (reading.reversed ? -1 : 1) : 0;
  const blown = range.fuse !== undefined && Math.abs(amps) > range.fuse;
  const hypothesis = { fault: 'across', where: [reading.id], value: null } as const;
  return [{ hypothesis, value: blown ? 0 : amps, tolerance: 0, u }];
}
