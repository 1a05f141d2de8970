import type { ReadStep } from './plan.ts';

type Jacked = Pick<ReadStep, 'instrument' | 'jack'>;

/** How often, over some readings in their order, an instrument needs another jack than at its last use. */
export function jackChangesOf(steps: readonly Jacked[]): number {
  const last = new Map<string, string>();
  let changes = 0;
  for (const { instrument, jack } of steps) {
    if (last.has(instrument) && last.get(instrument) !== jack) changes += 1;
    last.set(instrument, jack);
  }
  return changes;
}

/**
 * Each of some groups, kept in their order, so that instruments and jacks change least: by instrument as first met, and within
 * it the jack first that the instrument uses at present.
 */
export function fewestJackChanges<S extends Jacked>(groups: readonly (readonly S[])[]): S[][] {
  const standing = new Map<string, string>();
  return groups.map((group, index) => {
    const next = groups.slice(index + 1).flat();
    const instruments = [...new Set(group.map(({ instrument }) => instrument))];
    return instruments.flatMap((instrument) => {
      const own = group.filter((step) => step.instrument === instrument);
      const jacks = [...new Set(own.map(({ jack }) => jack))];
      const following = next.find((step) => step.instrument === instrument)?.jack;
      // The present jack comes first, the one that is needed next last, if there are others between.
      const place = (jack: string): number => (jack === standing.get(instrument) ? 0 : jack === following ? 2 : 1);
      const order = [...jacks].sort((a, b) => place(a) - place(b));
      standing.set(instrument, order.at(-1)!);
      return order.flatMap((jack) => own.filter((step) => step.jack === jack));
    });
  });
}
