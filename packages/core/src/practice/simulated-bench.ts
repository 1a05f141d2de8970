import { withFault, type Bench, type CircuitHypothesis } from '../faults/index.ts';
import {
  certificateLimit,
  findRange,
  indicatedWhen,
  shownOn,
  smallestStep,
  type Instrument,
  type Range,
  type ResistanceRange,
} from '../instrument/index.ts';
import { isolatedPart } from '../diagnosis/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { isToleranced, type Network } from '../network/index.ts';
import { expectationOf, type Observation, type Reading } from '../readings/index.ts';
import { Draw } from './problems/draw.ts';

/** Place and settings of a meter: a reading without its name and its numbers. */
export type BenchPlace = ReadingPlaceOf<Reading>;
type ReadingPlaceOf<R> = R extends Reading
  ? Omit<R, 'id' | 'observations' | 'by' | 'note' | 'source' | 'struck'>
  : never;

/** A bench that behaves as a real one would, the same again from the same seed. */
export interface SimulatedBench {
  /** Real bench: the parts' own values, the fault. */
  readonly bench: Bench;
  /**
   * Returns the display of a meter at a place.
   *
   * @param time  how many observations there were at this place before: the last digit flickers
   * @returns null if the place or the range is not there
   */
  read(place: BenchPlace, time?: number): Observation | null;
}

/** Values of a simulated bench that the learner does not see. */
export interface BenchSecrets {
  readonly seed: number;
  /** A fault of the circuit; none if omitted. */
  readonly fault?: CircuitHypothesis | null;
}

/** Share of a tolerance, and of an accuracy limit, that hidden values may reach. */
const within = { tolerance: 0.8, accuracy: 0.5 };

/**
 * A job's network with hidden values inside its parts' tolerances, read by its instruments with hidden errors inside their
 * accuracy, and perhaps a fault in it. Each hidden value depends on the seed and its own name only: another part added
 * changes no other.
 */
export function simulatedBench(
  network: Network,
  instruments: readonly Instrument[],
  { seed, fault = null }: BenchSecrets,
): SimulatedBench {
  const real: Bench = { network: withHiddenValues(network, seed), instruments };
  const bench = fault ? withFault(real, fault) : real;
  let solved: Unloaded | null | undefined;
  const unloaded = (): Unloaded | null => {
    if (solved !== undefined) return solved;
    const found = solveUnloaded(bench.network);
    return (solved = found.ok ? found.value : null);
  };
  return {
    bench,
    read(place, time = 0) {
      const instrument = instruments.find(({ id }) => id === place.instrument);
      const range = instrument && findRange(instrument, place.quantity, place.range);
      if (!range) return null;
      const value = standingAt(place, { ...real, instruments: bench.instruments }, fault, unloaded);
      if (value === null) return null;
      const off = ownError(instrument, range, value, new Draw(seed, 'meter', instrument.id, place.quantity, range.id));
      const flicker = new Draw(seed, 'flicker', JSON.stringify(place), time).sign();
      const step = smallestStep(instrument, range);
      // A needle is read to a fifth of a division, and by another eye a little otherwise; a display's last digit wanders.
      const indicated = value === 0 ? 0 : value + off + 0.6 * step * flicker;
      const { display, unit } = shownOn(instrument, place.quantity, range, indicated);
      return display === null ? null : { shown: display.replace('−', '-'), unit };
    },
  };
}

/** V, A or Ω at a place before the instrument's own error; infinite if a part is open. */
function standingAt(
  place: BenchPlace,
  { network: real, instruments }: Bench,
  fault: CircuitHypothesis | null,
  unloaded: () => Unloaded | null,
): number | null {
  if (place.quantity === 'resistance') {
    const reading = { ...place, id: 'bench', observations: [] };
    const isThere = real.elements.some(({ id, kind }) => id === place.element && kind === 'resistor');
    return isThere ? isolatedPart(real, reading, NaN, fault ?? undefined).resistance : null;
  }
  const solved = unloaded();
  if (!solved) return null;
  const { expected, state } = expectationOf(solved, instruments, { ...place, id: 'bench', observations: [] });
  // A lead in no circuit shows nothing.
  return expected ?? (state === null ? null : 0);
}

/** The network with values that no one has measured yet. */
const withHiddenValues = (network: Network, seed: number): Network => ({
  ...network,
  values: 'nominal',
  elements: network.elements.map((element) => {
    if (element.kind !== 'resistor') return element;
    const { measuredResistance, ...part } = element;
    // A value measured out of circuit is its value, as far as that meter determines it.
    if (measuredResistance !== undefined) return { ...part, resistance: measuredResistance };
    if (!isToleranced({ ...network, values: 'nominal' }, element)) return part;
    const off = within.tolerance * (element.tolerance ?? 0) * new Draw(seed, 'part', element.id).sign();
    return { ...part, resistance: element.resistance * (1 + off) };
  }),
});

/** V, A or Ω that an instrument is off by on a range. */
function ownError(instrument: Instrument, range: Range | ResistanceRange, value: number, draw: Draw): number {
  const [gain, offset] = [within.accuracy * draw.sign(), within.accuracy * draw.sign()];
  const { accuracyOfRange = 0, accuracyOfReading = 0, accuracyCounts = 0, resolution = 0, fullScale } = range;
  if (!Number.isFinite(value)) return 0;
  // A certificate has given its own error.
  if (range.calibration)
    return (
      indicatedWhen(range.calibration, value) - value + within.accuracy * offset * certificateLimit(range.calibration)
    );
  if (instrument.display === 'analogue') return offset * accuracyOfRange * fullScale;
  return gain * accuracyOfReading * Math.abs(value) + offset * accuracyCounts * resolution;
}
