import type { Part } from './resistance-net.ts';

/** Rule that a step of a reduction applies. */
export type Rule = 'series' | 'parallel' | 'star-delta' | 'delta-star' | 'star-mesh' | 'dead-end';

/** Which parts go next and by which rule. It depends on how the parts are joined only, never on their values. */
export interface Choice {
  readonly rule: Rule;
  /** In order: along the chain, as entered, or round the star. */
  readonly parts: readonly Part[];
  /** Series: the points from one end of the chain to the other. Star: its corners. Delta: its corners. */
  readonly points: readonly string[];
  /** The point that a star's arms meet in, before or after. */
  readonly centre?: string;
}

/**
 * The next step as a careful colleague would take it: what carries nothing goes first, then series and parallel, the
 * innermost group before the outer ones; where neither is left a delta whose star brings series parts, then a star.
 *
 * @returns null if one part is left between the terminals, or none
 */
export function chooseStep(parts: readonly Part[], top: string, bottom: string): Choice | null {
  const at = partsAt(parts);
  const dead = parts.find((part) => carriesNothing(part, at, top, bottom));
  if (dead) return { rule: 'dead-end', parts: [dead], points: [] };
  if (parts.length <= 1) return null;
  const simple = [...parallels(parts), ...chains(parts, at, top, bottom)];
  if (simple.length > 0) {
    const depth = depths(parts, top, bottom);
    const inward = (choice: Choice): number => Math.max(...choice.points.map((point) => depth.get(point) ?? Infinity));
    return simple.reduce((best, next) => (inward(next) > inward(best) ? next : best));
  }
  return delta(parts, at, top, bottom) ?? star(at, top, bottom);
}

type PartsAt = ReadonlyMap<string, readonly Part[]>;

function partsAt(parts: readonly Part[]): PartsAt {
  const at = new Map<string, Part[]>();
  for (const part of parts)
    for (const point of new Set([part.from, part.to])) at.set(point, [...(at.get(point) ?? []), part]);
  return at;
}

/** Both ends on one point, or one end where nothing else is joined and no terminal is. */
const carriesNothing = (part: Part, at: PartsAt, top: string, bottom: string): boolean =>
  part.from === part.to ||
  [part.from, part.to].some((point) => point !== top && point !== bottom && at.get(point)!.length === 1);

function parallels(parts: readonly Part[]): Choice[] {
  const groups = new Map<string, Part[]>();
  for (const part of parts) {
    const key = [part.from, part.to].sort().join(' ');
    groups.set(key, [...(groups.get(key) ?? []), part]);
  }
  return [...groups.values()]
    .filter((group) => group.length > 1)
    .map((group) => ({ rule: 'parallel', parts: group, points: [group[0]!.from, group[0]!.to] }));
}

/** Chains through points where just two parts meet, each as long as it gets. */
function chains(parts: readonly Part[], at: PartsAt, top: string, bottom: string): Choice[] {
  const through = (point: string): boolean => point !== top && point !== bottom && at.get(point)!.length === 2;
  const seen = new Set<Part>();
  const found: Choice[] = [];
  for (const part of parts) {
    if (seen.has(part)) continue;
    const chain = [part];
    const points = [part.from, part.to];
    const grow = (): boolean => {
      const end = points.at(-1)!;
      const next = through(end) ? at.get(end)!.find((other) => !chain.includes(other)) : undefined;
      if (!next) return false;
      chain.push(next);
      points.push(next.from === end ? next.to : next.from);
      return true;
    };
    while (grow());
    chain.reverse();
    points.reverse();
    while (grow());
    for (const member of chain) seen.add(member);
    if (chain.length < 2) continue;
    if (parts.indexOf(chain[0]!) > parts.indexOf(chain.at(-1)!)) {
      chain.reverse();
      points.reverse();
    }
    found.push({ rule: 'series', parts: chain, points });
  }
  return found;
}

/** Steps from the nearer terminal to every point. */
function depths(parts: readonly Part[], top: string, bottom: string): Map<string, number> {
  const depth = new Map([
    [top, 0],
    [bottom, 0],
  ]);
  for (const [point, steps] of depth)
    for (const { from, to } of parts) {
      const other = from === point ? to : to === point ? from : undefined;
      if (other !== undefined && !depth.has(other)) depth.set(other, steps + 1);
    }
  return depth;
}

/** A delta of which two corners have just one more part each: as a star it leaves two pairs in series. */
function delta(parts: readonly Part[], at: PartsAt, top: string, bottom: string): Choice | null {
  const useful = (point: string): boolean => point !== top && point !== bottom && at.get(point)!.length === 3;
  for (const base of parts) {
    if (!useful(base.from) || !useful(base.to)) continue;
    for (const left of at.get(base.from)!) {
      const corner = left.from === base.from ? left.to : left.from;
      const right = at.get(base.to)!.find(({ from, to }) => from === corner || to === corner);
      if (left === base || !right || right === base || corner === base.to) continue;
      const chosen = parts.filter((part) => part === base || part === left || part === right);
      return { rule: 'delta-star', parts: chosen, points: [corner, base.from, base.to] };
    }
  }
  return null;
}

/** The star with the fewest arms. */
function star(at: PartsAt, top: string, bottom: string): Choice | null {
  let best: Choice | null = null;
  for (const [centre, arms] of at) {
    if (centre === top || centre === bottom || (best && best.parts.length <= arms.length)) continue;
    const points = arms.map(({ from, to }) => (from === centre ? to : from));
    best = { rule: arms.length === 3 ? 'star-delta' : 'star-mesh', parts: arms, points, centre };
  }
  return best;
}
