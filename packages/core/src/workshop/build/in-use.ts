import { rangesOf, type Instrument, type MeterQuantity, type Range } from '../../instrument/index.ts';
import { loadedBy, loadingPoints, type MapPoint, type Unloaded } from '../../loading/index.ts';

/** Effect of a meter at one place of a job, on the range that it would be set to there. */
export interface UseAtPlace extends MapPoint {
  /** The lowest range that holds what it would indicate; the highest where none does. */
  readonly range: Range;
  /** Whether the indication is beyond that range. */
  readonly over: boolean;
}

/**
 * The loading or insertion error that a meter causes at every place of a network, before it is built. The worst first.
 *
 * @param unloaded  the job's network, solved without any meter
 */
export function placesInUse(unloaded: Unloaded, instrument: Instrument, quantity: MeterQuantity): UseAtPlace[] {
  const rising = [...rangesOf(instrument, quantity)].sort((a, b) => a.fullScale - b.fullScale);
  if (rising.length === 0) return [];
  const places = loadingPoints(unloaded, quantity);
  const onRanges = rising.map((range) => loadedBy(places, quantity, range.resistance));
  return places
    .map((_, place): UseAtPlace => {
      const holds = onRanges.findIndex((map, k) => map[place]!.indicated <= rising[k]!.fullScale);
      const k = holds < 0 ? rising.length - 1 : holds;
      return { ...onRanges[k]![place]!, range: rising[k]!, over: holds < 0 };
    })
    .sort((a, b) => b.share - a.share);
}
