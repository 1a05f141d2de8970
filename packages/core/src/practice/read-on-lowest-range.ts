import { rangesOf } from '../instrument/index.ts';
import type { Observation } from '../readings/index.ts';
import type { BenchPlace, SimulatedBench } from './simulated-bench.ts';

/** Reading at a place, and its range. */
export interface SharpReading {
  readonly place: BenchPlace;
  readonly observation: Observation;
}

/**
 * A place of a simulated bench read as one does by hand: from the highest range down to the lowest that does not go over.
 *
 * @returns null if the place or a range for it is not there
 */
export function readOnLowestRange(bench: SimulatedBench, spot: BenchPlace): SharpReading | null {
  const instrument = bench.bench.instruments.find(({ id }) => id === spot.instrument);
  if (!instrument) return null;
  const falling = [...rangesOf(instrument, spot.quantity)].sort((a, b) => b.fullScale - a.fullScale);
  let found: SharpReading | null = null;
  for (const { id } of falling) {
    const place = { ...spot, range: id } as BenchPlace;
    const observation = bench.read(place);
    if (!observation) return null;
    if (observation.shown === 'OL') return found ?? { place, observation };
    found = { place, observation };
  }
  return found;
}
