import type { Source } from '../../network/index.ts';
import { differenceFrom } from '../predictions/comparing.ts';
import type { CircuitPredictions } from '../predictions/circuit-predictions.ts';
import type { Observed } from '../predictions/observed.ts';
import type { CircuitPrediction } from '../predictions/prediction.ts';
import type { ReadingCircuit } from '../predictions/reading-circuit.ts';

/** The EMF of the least misfit: every indication is a straight line in it. */
export function supplyValue(look: CircuitPredictions, source: Source): CircuitPrediction[] {
  const { id, emf, cellsInSeries = 1 } = source;
  const whole = emf * cellsInSeries;
  const off = look.circuitsWith({ ...source, emf: 0 });
  if (!off) return [];
  const at = (volts: number): CircuitPrediction => {
    const share = volts / whole;
    const between = (a: number, b: number): number => a + (b - a) * share;
    const circuits = look.circuits.map((on, k): ReadingCircuit => {
      const rest = off[k]!;
      return {
        ...on,
        indicated: between(rest.indicated, on.indicated),
        currents: on.currents.map((current, i) => between(rest.currents[i]!, current)),
      };
    });
    return look.predict({ fault: 'supply-value', where: [id], value: volts }, circuits, [], [], 1, Infinity)!;
  };
  const { u } = at(whole);
  const lines = look.circuits.map((on, k) => ({
    offset: off[k]!.indicated,
    slope: (on.indicated - off[k]!.indicated) / whole,
    observed: look.observed[k]!,
    weight: 1 / u[k]! ** 2,
  }));
  let volts = whole;
  for (let round = 0; round < signRounds; round += 1) volts = fittedLine(lines, volts);
  return [at(volts)];
}

/** Rounds after which the signs of readings that are recorded without one no longer change. */
const signRounds = 3;

interface IndicationLine {
  /** V or A indicated with an EMF of 0, and for each volt of it. */
  readonly offset: number;
  readonly slope: number;
  readonly observed: Observed;
  readonly weight: number;
}

/** Returns the EMF of the weighted least squares, V; a reading without a sign takes that of its prediction at `near`. */
function fittedLine(lines: readonly IndicationLine[], near: number): number {
  let [sum, total] = [0, 0];
  for (const { offset, slope, observed, weight } of lines) {
    const predicted = offset + slope * near;
    const difference =
      differenceFrom(observed, predicted) * (observed.comparison !== 'signed' && predicted < 0 ? -1 : 1);
    sum += weight * slope * difference;
    total += weight * slope * slope;
  }
  return total === 0 ? near : near + sum / total;
}

/** A constant current if more would flow. */
export function supplyLimited(look: CircuitPredictions, source: Source): CircuitPrediction[] {
  const { id, from, to } = source;
  const driven = (current: number) => look.circuitsWith({ id, from, to, kind: 'current-source', current });
  const [none, one] = [driven(0), driven(1)];
  if (!none || !one) return [];
  const usual = look.circuits.map(({ indicated }, k) => {
    const perAmp = one[k]!.indicated - none[k]!.indicated;
    return perAmp === 0 ? 0 : (indicated - none[k]!.indicated) / perAmp;
  });
  const most = Math.max(0, ...usual.map(Math.abs));
  if (!(most > 0)) return [];
  const holds = (k: number, amps: number): number | null =>
    Math.abs(usual[k]!) <= amps ? null : Math.sign(usual[k]!) * amps;
  const at = (amps: number): CircuitPrediction => {
    const circuits = look.circuits.map((free, k): ReadingCircuit => {
      const current = holds(k, amps);
      if (current === null) return free;
      const [low, high] = [none[k]!, one[k]!];
      return {
        ...low,
        indicated: low.indicated + current * (high.indicated - low.indicated),
        currents: low.currents.map((own, i) => own + current * (high.currents[i]! - own)),
      };
    });
    return look.predict({ fault: 'supply-limited', where: [id], value: amps }, circuits, [], [], 1, Infinity)!;
  };
  const indicatedAt = (amps: number, into: Float64Array): void => {
    for (let k = 0; k < into.length; k += 1) {
      const current = holds(k, amps);
      const [low, high] = [none[k]!.indicated, one[k]!.indicated];
      into[k] = current === null ? look.circuits[k]!.indicated : low + current * (high - low);
    }
  };
  return look.fittedBy(indicatedAt, at, most, [most * 1e-3, most]);
}
