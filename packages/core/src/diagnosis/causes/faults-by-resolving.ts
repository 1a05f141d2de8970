import {
  contactName,
  possibleFaults,
  replacesTolerance,
  withFault,
  type Bench,
  type CircuitHypothesis,
} from '../../faults/index.ts';
import { placedIn, type CircuitReading, type ResistanceReading } from '../../readings/index.ts';
import { attach, circuitOf, quickCircuit } from '../../solver/index.ts';
import { tolerancedParts, toleranceResponse, type CircuitOutput } from '../../uncertainty/index.ts';
import { diagnosedKindOf, type ValueSearch } from '../by-kind.ts';
import { possibleMeters } from './circuit-faults.ts';
import { fitOne, type Search } from '../fit/fit-one.ts';
import { isolatedPart } from './isolated-part.ts';
import { attachmentsOf, fuseOf, isInCircuit, type Observed } from '../predictions/observed.ts';
import { hopeless, misfitOf, type CircuitPrediction } from '../predictions/prediction.ts';

/**
 * Returns every fault of a circuit whose loads are not ohmic, with its predictions. The effect of a changed part does not follow
 * from the fault-free circuit then, so the circuit of each reading is solved again for each hypothesis.
 */
export function faultsByResolving(bench: Bench, observed: readonly Observed[]): CircuitPrediction[] {
  const solveAll = (hypothesis: CircuitHypothesis): readonly Resolved[] | null => {
    const changed = asFitted(withFault(bench, hypothesis), hypothesis);
    const all = observed.map((one) =>
      isInCircuit(one) ? resolved(changed, one) : resolvedIsolated(bench, one, hypothesis),
    );
    return all.every((one) => one !== null) ? all : null;
  };
  const predict = (hypothesis: CircuitHypothesis, fitted = 0): CircuitPrediction | null => {
    const all = solveAll(hypothesis);
    return (
      all && {
        hypothesis,
        values: Float64Array.from(all, ({ indicated }) => indicated),
        u: Float64Array.from(all, ({ tolerance }, k) => Math.hypot(observed[k]!.u, tolerance())),
        fitted,
      }
    );
  };
  /** Finds the value of the least misfit, weighted by the uncertainties at the value that was found before. */
  const fit = (candidate: CircuitHypothesis, search: ValueSearch<CircuitHypothesis>): CircuitPrediction | null => {
    const [least, most] = search.limits(candidate, bench.network);
    let found: CircuitPrediction | null = null;
    let u: Float64Array = Float64Array.from(observed, (one) => Math.hypot(one.u, one.tolerance));
    let value: number | undefined;
    for (let round = 0; round < fitRounds; round += 1) {
      const misfit = (tried: number): number => {
        const hypothesis = search.at(candidate, tried);
        const all = solveAll(hypothesis);
        if (!all) return Infinity;
        const values = Float64Array.from(all, ({ indicated }) => indicated);
        return misfitOf({ hypothesis, values, u, fitted: 1 }, observed);
      };
      value = fitOne(misfit, least, most, value, coarse);
      found = predict(search.at(candidate, value), 1);
      if (!found || misfitOf(found, observed) > hopeless) return found;
      u = found.u;
    }
    return found && (search.isFault?.(found.hypothesis, bench.network) ?? true) ? found : null;
  };
  const candidates = [...possibleFaults(bench.network), ...possibleMeters(bench.instruments, observed)];
  return candidates.flatMap((candidate) => {
    const { search } = diagnosedKindOf(candidate);
    const found = search ? fit(candidate, search) : predict(candidate);
    return found ? [found] : [];
  });
}

/** Rounds of a fit: with two, fitted values are within 1e-5 of those with the uncertainties of every single trial. */
const fitRounds = 2;

/** Each step solves every reading's circuit: 24 golden sections still find a value to 1e-5 of the first interval. */
const coarse: Search = { steps: 40, sections: 24 };

/** Returns the bench without the tolerance of a part whose fault has a fitted value for it. */
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

/** Indication of a reading on a changed bench, and its standard uncertainty from the parts' tolerances. */
interface Resolved {
  /** V, A or Ω. */
  readonly indicated: number;
  /** Returns the standard uncertainty, V, A or Ω; it solves the circuit again. */
  tolerance(): number;
}

/** Returns the indication for a part out of circuit. */
function resolvedIsolated({ network }: Bench, { reading, value }: Observed, hypothesis: CircuitHypothesis): Resolved {
  const { resistance, span } = isolatedPart(network, reading as ResistanceReading, value, hypothesis);
  return { indicated: resistance, tolerance: () => span / Math.sqrt(3) };
}

/** Returns the indication of a reading's meter on a bench; null if the circuit has no solution. */
function resolved(
  { network: whole, instruments }: Bench,
  observed: Observed & { readonly reading: CircuitReading },
): Resolved | null {
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
  if (Math.abs(indicated) > fuseOf(observed)) return { indicated: 0, tolerance: () => 0 };
  const tolerance = (): number => {
    const toleranced = tolerancedParts(network);
    const response = toleranced.length > 0 ? toleranceResponse(circuit, toleranced, output) : null;
    return response ? Math.hypot(...response.slopes) / Math.sqrt(3) : 0;
  };
  return { indicated, tolerance };
}

/** Returns the end of a part; for a load with a bad contact behind it, the outer end of the contact. */
function endIn({ elements }: { readonly elements: readonly { readonly id: string }[] }, end: string): string {
  const behind = contactName(end.replace(/\.to$/, ''));
  return end.endsWith('.to') && elements.some(({ id }) => id === behind) ? `${behind}.to` : end;
}
