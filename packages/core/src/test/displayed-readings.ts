import { withFault, type Bench, type Hypothesis } from '../faults/index.ts';
import { findRange, shownOn } from '../instrument/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { expectationOf, type Reading } from '../readings/index.ts';

/** Place and range of a reading of the first meter of a bench. */
export type ReadingPlace = { readonly range: string } & (
  | { readonly quantity: 'dc-voltage'; readonly red: string; readonly black: string }
  | { readonly quantity: 'dc-current'; readonly node: string; readonly ends: readonly string[] }
);

/** The readings of a bench with some faults hidden in it, as the display of its first meter shows them: M1, M2 … */
export function displayedReadings(bench: Bench, hidden: readonly Hypothesis[], places: readonly ReadingPlace[]) {
  const faulty = hidden.reduce(withFault, bench);
  const solved = solveUnloaded(faulty.network);
  if (!solved.ok) throw new Error(solved.fault.code);
  const meter = bench.instruments[0]!;
  return places.map((place, index): Reading => {
    const blank: Reading = { id: `M${index + 1}`, instrument: meter.id, observations: [], ...place };
    const { expected } = expectationOf(solved.value, faulty.instruments, blank);
    const range = findRange(meter, place.quantity, place.range)!;
    const { display, unit } = shownOn(meter, place.quantity, range, expected ?? 0);
    return { ...blank, observations: [{ shown: display!.replace('−', '-'), unit }] };
  });
}
