import type { Compared } from './predictions/comparing.ts';
import { distinguishedBy } from './predictions/prediction.ts';
import type { Scored } from './single-faults.ts';

/** Hypotheses that the available readings cannot distinguish from their leader, which is first. */
export interface Group<T extends Scored> {
  /** Misfit of the leader. */
  readonly misfit: number;
  readonly members: readonly T[];
}

/**
 * Groups hypotheses: the best leads the first group, and all whose predictions are within its 2u join it; the best of the rest
 * leads the next group.
 *
 * @param scored  best first
 */
export function groupsOf<T extends Scored>(scored: readonly T[], observed: readonly Compared[]): Group<T>[] {
  let rest = scored;
  const groups: Group<T>[] = [];
  while (rest.length > 0) {
    const leader = rest[0]!;
    const members: T[] = [];
    const others: T[] = [];
    // The reading that distinguished the last hypothesis is likely to distinguish the next.
    let at = 0;
    for (const one of rest) {
      at = distinguishedBy(one.prediction, leader.prediction, observed, at);
      (at === -1 ? members : others).push(one);
      at = Math.max(0, at);
    }
    groups.push({ misfit: leader.misfit, members });
    rest = others;
  }
  return groups;
}
