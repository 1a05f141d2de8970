import {
  contactName,
  possibleFaults,
  replacesTolerance,
  withFault,
  type Bench,
  type CircuitHypothesis,
} from '../faults/index.ts';
import { placedIn, type CircuitReading, type ResistanceReading } from '../readings/index.ts';
import { attach, circuitOf, quickCircuit } from '../solver/index.ts';
import { tolerancedParts, toleranceResponse, type CircuitOutput } from '../uncertainty/index.ts';
import { diagnosedKindOf, type ValueSearch } from './by-kind.ts';
import { possibleMeters } from './circuit-faults.ts';
import { fitOne, type Search } from './fit-one.ts';
import { isolatedPart } from './isolated-part.ts';
import { attachmentsOf, fuseOf, isInCircuit, type Observed } from './observed.ts';
import { misfitOf, type CircuitPrediction } from './prediction.ts';

/**
 * Every fault of a circuit whose loads are not ohmic: no change of one part then follows from the sound circuit, so each
 * hypothesis is solved for by itself, reading by reading.
 */
export function faultsByResolving(bench: Bench, observed: readonly Observed[]): CircuitPrediction[] {
  const predict = (hypothesis: CircuitHypothesis, fitted = 0): CircuitPrediction | null => {
    const changed = withFault(bench, hypothesis);
    const told = observed.map((one) =>
      isInCircuit(one) ? readAnew(asFitted(changed, hypothesis), one) : readIsolated(bench, one, hypothesis),
    );
    if (told.includes(null)) return null;
    return {
      hypothesis,
      values: Float64Array.from(told, (one) => one!.indicated),
      u: Float64Array.from(told, (one, k) => Math.hypot(observed[k]!.u, one!.tolerance)),
      fitted,
    };
  };
  const fit = (candidate: CircuitHypothesis, search: ValueSearch<CircuitHypothesis>): CircuitPrediction | null => {
    const misfit = (value: number): number => {
      const predicted = predict(search.at(candidate, value), 1);
      return predicted ? misfitOf(predicted, observed) : Infinity;
    };
    const [least, most] = search.limits(candidate, bench.network);
    const best = search.at(candidate, fitOne(misfit, least, most, undefined, coarse));
    return (search.isFault?.(best, bench.network) ?? true) ? predict(best, 1) : null;
  };
  const candidates = [...possibleFaults(bench.network), ...possibleMeters(bench.instruments, observed)];
  return candidates.flatMap((candidate) => {
    const { search } = diagnosedKindOf(candidate);
    const found = search ? fit(candidate, search) : predict(candidate);
    return found ? [found] : [];
  });
}

/** Each step solves every reading's circuit: 24 golden sections still find a value to 1e-5 of the first interval. */
const coarse: Search = { steps: 40, sections: 24 };

/** The tolerance of a part with a fitted value is excluded. */
function asFitted(bench: Bench, hypothesis: CircuitHypothesis): Bench {
  if (!replacesTolerance(hypothesis)) return bench;
  const [id] = hypothesis.where;
  const elements = bench.network.elements.map((one) => {
    if (one.id !== id || one.kind !== 'resistor') return one;
    const { tolerance: _own, ...rest } = one;
    return rest;
  });
  return { ...bench, network: { ...bench.network, elements } };
}

/** Returns the indication for a part out of circuit. */
function readIsolated({ network }: Bench, { reading, value }: Observed, hypothesis: CircuitHypothesis) {
  const { resistance, span } = isolatedPart(network, reading as ResistanceReading, value, hypothesis);
  return { indicated: resistance, tolerance: span / Math.sqrt(3) };
}

/** What a reading's meter would indicate on a bench, and what the parts' tolerances make of that: V or A, standard. */
function readAnew(
  { network: whole, instruments }: Bench,
  observed: Observed & { readonly reading: CircuitReading },
): { readonly indicated: number; readonly tolerance: number } | null {
  const placed = placedIn(whole, observed.reading);
  if (!placed) return null;
  const { network, reading } = placed;
  const bare = circuitOf(network);
  const lifted = attachmentsOf(reading, instruments).map((one) =>
    typeof one.to === 'string'
      ? one
      : { ...one, to: { liftedEnds: one.to.liftedEnds.map((end) => endIn(network, end)) } },
  );
  const { circuit, nodeNumber } = attach(bare, lifted);
  const quick = quickCircuit(circuit, []);
  if (!quick) return null;
  quick.solve([]);
  const output: CircuitOutput =
    reading.quantity === 'dc-voltage'
      ? { from: nodeNumber.get(reading.red)!, to: nodeNumber.get(reading.black)! }
      : { branch: network.elements.length, reversed: reading.reversed ?? false };
  const read =
    output.branch === undefined
      ? quick.voltage(output.from, output.to)
      : quick.current(output.branch) * (output.reversed ? -1 : 1);
  const indicated = Number.isNaN(read) ? 0 : read;
  if (Math.abs(indicated) > fuseOf(observed)) return { indicated: 0, tolerance: 0 };
  const toleranced = tolerancedParts(network);
  const response = toleranced.length > 0 ? toleranceResponse(circuit, toleranced, output) : null;
  return { indicated, tolerance: response ? Math.hypot(...response.slopes) / Math.sqrt(3) : 0 };
}

/** The end of a part; of a load with a bad contact behind it the contact's outer one. */
function endIn({ elements }: { readonly elements: readonly { readonly id: string }[] }, end: string): string {
  const behind = contactName(end.replace(/\.to$/, ''));
  return end.endsWith('.to') && elements.some(({ id }) => id === behind) ? `${behind}.to` : end;
}
