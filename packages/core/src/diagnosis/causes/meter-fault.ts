import type { MeterQuantity } from '../../instrument/index.ts';
import { setupOf } from '../../readings/index.ts';
import type { Adjustable, CircuitPredictions } from '../predictions/circuit-predictions.ts';
import { meterName } from '../predictions/observed.ts';
import type { CircuitPrediction } from '../predictions/prediction.ts';

/**
 * Fits the factor on the resistance of all ranges of one quantity of an instrument.
 *
 * @param limits  of the factor
 * @returns the prediction at the factor of the least misfit; none if the readings are too far off
 */
export function meterFactor(
  look: CircuitPredictions,
  instrument: string,
  quantity: MeterQuantity,
  limits: readonly [number, number],
): CircuitPrediction[] {
  const adjustable = (k: number): Adjustable[] => {
    const { reading } = look.observed[k]!;
    if (reading.quantity === 'resistance') return [];
    return setupOf(reading).meters.flatMap((one) => {
      const circuit = look.circuits[k]!;
      const index = circuit.index.get(meterName(one));
      if (one.instrument !== instrument || one.quantity !== quantity || index === undefined) return [];
      return [{ index, by: (factor) => (factor - 1) * circuit.resistances[index]! }];
    });
  };
  return look.fitted(
    (factor) => ({ fault: 'meter', where: [instrument], value: { quantity, factor } }),
    look.circuits,
    adjustable,
    1,
    [],
    limits,
  );
}
