import { findRange, rangesOf } from '../../instrument/index.ts';
import type { Unloaded } from '../../loading/index.ts';
import { nodesOf, type Network } from '../../network/index.ts';
import { observedValue, type CircuitReading } from '../../readings/index.ts';
import { attach, solveCircuit, toNumber } from '../../solver/index.ts';
import { acrossPart, type ReadingHypothesis, type RealPlace } from '../../faults/index.ts';
import type { Elsewhere } from './elsewhere.ts';
import { isInCircuit, type Observed } from '../predictions/observed.ts';

/** An observed voltage or current. */
export type ObservedInCircuit = Observed & { readonly reading: CircuitReading };

/** A mistake in one reading, and the number that would then be recorded. */
export interface ReadingFaultShown<Fault extends ReadingHypothesis = ReadingHypothesis> {
  readonly hypothesis: Fault;
  /** Recorded number, V, A or Ω. */
  readonly value: number;
  /** Standard uncertainty of `value` from the parts' tolerances, V, A or Ω. */
  readonly tolerance: number;
  /** Standard uncertainty of the reading itself, V, A or Ω. */
  readonly u: number;
}

/** Returns the number of a reading that was read or written down wrong by a factor; none for `OL`, which has no number. */
export function scaled<Fault extends ReadingHypothesis>(observed: Observed, factor: number, hypothesis: Fault) {
  const { expected, tolerance, value, comparison } = observed;
  if (expected === null || comparison === 'over-range') return [];
  return [
    {
      hypothesis,
      value: expected * factor,
      tolerance: tolerance * Math.abs(factor),
      u: observed.uncertaintyAt(value / factor) * Math.abs(factor),
    },
  ];
}

/** Returns the number of a meter that was in no circuit: 0. None for a resistance reading. */
export const zero = <Fault extends ReadingHypothesis>(observed: Observed, hypothesis: Fault) =>
  isInCircuit(observed) ? [{ hypothesis, value: 0, tolerance: 0, u: observed.uncertaintyAt(observed.value) }] : [];

/** Returns the numbers of every two neighbouring digits exchanged in typing; none if there are several observations. */
export function digitsSwapped({ reading, instrument, value, expected, u, tolerance, comparison }: Observed) {
  if (expected === null || comparison === 'over-range') return [];
  const [only, ...more] = reading.observations;
  if (!only || more.length > 0) return [];
  const places = [...only.shown].flatMap((sign, at) => (/\d/.test(sign) ? [at] : []));
  return places.slice(1).flatMap((right, k) => {
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

/** Returns the ids of the ranges whose scale may have been read in place of the range's own, each with its factor. */
export function wrongScales({ reading, instrument }: Observed): { readonly range: string; readonly factor: number }[] {
  if (instrument.display !== 'analogue') return [];
  const own = findRange(instrument, reading.quantity, reading.scale ?? reading.range);
  if (!own) return [];
  return rangesOf(instrument, reading.quantity).flatMap((range) =>
    range.id === own.id || range.fullScale === own.fullScale
      ? []
      : [{ range: range.id, factor: range.fullScale / own.fullScale }],
  );
}

/** Returns the numbers at every other place: each ordered pair of nodes, each single end of a part. */
export function elsewhere(network: Network, at: Elsewhere, { reading, u }: ObservedInCircuit) {
  const shown = (place: CircuitReading, value: RealPlace) => ({
    hypothesis: { fault: 'wrong-place', where: [reading.id], value } as const,
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

/**
 * Returns the number of an ammeter connected across its part: it joins its node to the part's far end, and the circuit is not
 * opened.
 */
export function across({ network, named }: Unloaded, { reading, instrument, expected, u }: ObservedInCircuit) {
  if (expected === null || reading.quantity !== 'dc-current' || reading.ends.length !== 1) return [];
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
