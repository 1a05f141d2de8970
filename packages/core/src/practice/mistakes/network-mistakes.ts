import type { MistakeValue } from './mistake.ts';
import { reckon, type Reckoned, type Twist, type TwistKind } from '../problems/twist.ts';
import { groupsOf, type GroupTree, type Tree } from '../worked-tree.ts';

/** Selects values of a tree that was computed. */
type Wanted = (reckoned: Reckoned) => readonly number[];

/** Finds the mistakes in a tree. */
export type MistakesIn = (tree: Tree, emf: number, wanted: Wanted, meter?: string) => MistakeValue[];

const kindsOf: Readonly<Record<GroupTree['kind'], readonly TwistKind[]>> = {
  series: ['reciprocals-of-series', 'divider-inverted'],
  parallel: ['reciprocal-not-inverted', 'added-parallel', 'divider-inverted'],
};

/**
 * Returns the values that mistakes in reducing a tree, and in dividing along it, give.
 *
 * @param meter  a part that is a meter: to add it where it is in parallel, or the other way about, is a slip of its own
 */
export const networkMistakes: MistakesIn = (tree, emf, wanted, meter) => {
  const groups = groupsOf(tree);
  const found: MistakeValue[] = [];
  const take = (twist: Twist, at: string): void => {
    for (const bySubtraction of [false, true])
      for (const value of wanted(reckon(tree, emf, { ...twist, bySubtraction })))
        if (Number.isFinite(value) && !found.some((one) => one.slip === twist.kind && one.value === value))
          found.push({ slip: twist.kind, value, at });
  };
  const hasMeter = ({ items }: GroupTree): boolean => items.some((item) => item.kind === 'part' && item.id === meter);
  const ofKind = (kind: TwistKind): GroupTree[] =>
    groups.filter(
      (group) =>
        kindsOf[group.kind].includes(kind) &&
        (!hasMeter(group) || (kind !== 'added-parallel' && kind !== 'reciprocals-of-series')),
    );
  for (const kind of new Set(Object.values(kindsOf).flat())) {
    const open = ofKind(kind);
    for (const group of open) take({ kind, groups: [group] }, nameOf(group));
    if (open.length > 1) take({ kind, groups: open }, '');
  }
  return found;
};

/** The same with those of rounding a value on the way: each alone, and all of them. */
export const networkMistakesAndRounding: MistakesIn = (tree, emf, wanted, meter) => {
  const { places } = reckon(tree, emf);
  const twists: Twist[] = [
    ...Array.from({ length: places }, (_, place): Twist => ({ kind: 'rounded-early', place })),
    { kind: 'rounded-early' },
  ];
  const rounded = twists.flatMap((twist) =>
    wanted(reckon(tree, emf, twist)).map((value): MistakeValue => ({ slip: 'rounded-early', value, at: '' })),
  );
  return [...networkMistakes(tree, emf, wanted, meter), ...rounded];
};

/** A group by its parts: `R2 and R3 in parallel`. */
function nameOf(group: GroupTree): string {
  const names = group.items.map((item) => (item.kind === 'part' ? item.id : `(${partsOf(item).join(', ')})`));
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)} in ${group.kind}`;
}

const partsOf = (tree: Tree): string[] => (tree.kind === 'part' ? [tree.id] : tree.items.flatMap(partsOf));
