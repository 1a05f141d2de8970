import { possibleFaults, type HypothesisOf } from '../../faults/index.ts';
import { rangesOf, type Instrument } from '../../instrument/index.ts';
import type { Network } from '../../network/index.ts';
import { setupOf } from '../../readings/index.ts';
import { diagnosedKindOf } from '../by-kind.ts';
import { CircuitPredictions } from '../predictions/circuit-predictions.ts';
import { isInCircuit, type Observed } from '../predictions/observed.ts';
import type { CircuitPrediction } from '../predictions/prediction.ts';

/** Returns every fault of the circuit with its predictions. Fitted values are those of the least misfit. */
export function circuitFaults(
  network: Network,
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): CircuitPrediction[] {
  const look = CircuitPredictions.of(network, instruments, observed);
  if (!look) return [];
  return [...possibleFaults(network), ...possibleMeters(instruments, observed)].flatMap((fault) =>
    diagnosedKindOf(fault).predict(look, fault),
  );
}

/** Returns the faults of the instruments that readings were taken with: one for each quantity, with the factor 1. */
export const possibleMeters = (
  instruments: readonly Instrument[],
  observed: readonly Observed[],
): readonly HypothesisOf<'meter'>[] =>
  instruments.flatMap((instrument) =>
    (['dc-voltage', 'dc-current'] as const).flatMap((quantity): HypothesisOf<'meter'>[] => {
      const used = observed
        .filter(isInCircuit)
        .some(({ reading }) =>
          setupOf(reading).meters.some((one) => one.instrument === instrument.id && one.quantity === quantity),
        );
      const isIdeal = rangesOf(instrument, quantity).every(({ resistance }) => resistance === 0);
      return used && !isIdeal ? [{ fault: 'meter', where: [instrument.id], value: { quantity, factor: 1 } }] : [];
    }),
  );
