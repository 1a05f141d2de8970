import type { GroupTree, Tree } from '../worked-tree.ts';

/** Mistakes in reducing a tree and dividing along it. */
export type TwistKind =
  | 'reciprocal-not-inverted'
  | 'added-parallel'
  | 'reciprocals-of-series'
  | 'divider-inverted'
  | 'meter-in-series'
  | 'rounded-early';

/** One way of going wrong, at one place or everywhere. */
export interface Twist {
  readonly kind: TwistKind;
  /** The groups where it happens; all of its kind if omitted. */
  readonly groups?: readonly GroupTree[];
  /** Of `rounded-early`: which of the intermediate values is rounded, by their order; all if omitted. */
  readonly place?: number;
  /** Of `meter-in-series`: the meter's part. */
  readonly meter?: string;
  /** A series group's last voltage is what the others leave, not its own product. */
  readonly bySubtraction?: boolean;
}

interface Carried {
  readonly voltage: number;
  readonly current: number;
}

/** Results for every part and for the tree as a whole, with one mistake. */
export interface Reckoned {
  readonly resistance: number;
  readonly parts: ReadonlyMap<string, Carried>;
  /** Number of intermediate values to round. */
  readonly places: number;
}

/** Two digits, as one writes down in haste. */
export const twoDigits = (value: number): number => Number(value.toPrecision(2));

/** Works a tree out on a voltage: down to one resistance, then back up, with a twist where there is one. */
export function reckon(tree: Tree, emf: number, twist?: Twist): Reckoned {
  let places = 0;
  const keep = (value: number): number => {
    const place = places;
    places += 1;
    const isRounded = twist?.kind === 'rounded-early' && (twist.place === undefined || twist.place === place);
    return isRounded ? twoDigits(value) : value;
  };
  const twisted = (group: GroupTree, kind: TwistKind): boolean =>
    twist?.kind === kind && (twist.groups === undefined || twist.groups.includes(group));
  const resistances = new Map<Tree, number>();
  const reduce = (one: Tree): number => {
    const resistance = one.kind === 'part' ? one.resistance : joined(one, one.items.map(reduce));
    const kept = one.kind === 'part' ? resistance : keep(resistance);
    resistances.set(one, kept);
    return kept;
  };
  const joined = (group: GroupTree, ohms: readonly number[]): number => {
    if (twisted(group, 'meter-in-series')) return asInSeries(group, ohms, twist!.meter!);
    if (group.kind === 'series') return twisted(group, 'reciprocals-of-series') ? inParallel(ohms) : sum(ohms);
    if (twisted(group, 'added-parallel')) return sum(ohms);
    return twisted(group, 'reciprocal-not-inverted') ? sum(ohms.map((r) => 1 / r)) : inParallel(ohms);
  };
  const parts = new Map<string, Carried>();
  const share = (one: Tree, voltage: number, current: number): void => {
    if (one.kind === 'part') {
      parts.set(one.id, { voltage, current });
      return;
    }
    const ohms = one.items.map((item) => resistances.get(item)!);
    const inverted = twisted(one, 'divider-inverted');
    if (twisted(one, 'meter-in-series')) {
      // The voltage across both, or the current into both, goes for the meter's.
      for (const item of one.items) if (item.kind === 'part') parts.set(item.id, { voltage, current });
      return;
    }
    const whole = sum(ohms);
    let left = voltage;
    one.items.forEach((item, k) => {
      if (one.kind === 'parallel') {
        const own = keep(inverted ? (current * ohms[k]!) / whole : voltage / ohms[k]!);
        share(item, inverted ? own * ohms[k]! : voltage, own);
        return;
      }
      const isLast = k === one.items.length - 1;
      const usual = twist?.bySubtraction && isLast ? left : current * ohms[k]!;
      const own = keep(inverted ? (voltage * (whole - ohms[k]!)) / whole : usual);
      left -= own;
      share(item, own, inverted ? own / ohms[k]! : current);
    });
  };
  const resistance = reduce(tree);
  share(tree, emf, keep(emf / resistance));
  return { resistance, parts, places };
}

/** A voltmeter added to the part that it is across, or an ammeter in parallel with the part that it is in series with. */
function asInSeries(group: GroupTree, ohms: readonly number[], meter: string): number {
  const own = group.items.findIndex((item) => item.kind === 'part' && item.id === meter);
  const others = ohms.filter((_, k) => k !== own);
  return group.kind === 'parallel' ? inParallel(others) + ohms[own]! : inParallel([sum(others), ohms[own]!]);
}

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);
const inParallel = (ohms: readonly number[]): number => 1 / sum(ohms.map((r) => 1 / r));
