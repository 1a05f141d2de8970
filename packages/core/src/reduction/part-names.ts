import type { Part } from './resistance-net.ts';

/** Names for what parts are joined into: R3 and R4 make R34, R2 and R34 make R234; what would grow too long is Z1, Z2 … */
export interface PartNames {
  readonly of: (parts: readonly Part[]) => string;
  /** The arm of a new star that ends on a corner. */
  readonly arm: (corner: string) => string;
  /** A name for the point that a new star meets in. */
  readonly centre: (parts: readonly Part[]) => string;
}

const longest = 8;

/** Names that none of the parts has, each given once. */
export function namesFor(parts: readonly Part[]): PartNames {
  const taken = new Set(parts.map((part) => part.id));
  const points = new Set(parts.flatMap(({ from, to }) => [from, to]));
  const claim = (candidates: readonly string[], stem: string): string => {
    let name = candidates.find((candidate) => candidate.length <= longest && !taken.has(candidate));
    for (let number = 1; name === undefined; number += 1) if (!taken.has(`${stem}${number}`)) name = `${stem}${number}`;
    taken.add(name);
    return name;
  };
  return {
    of: (joined) => {
      const ids = joined.map((part) => part.id);
      return claim([short(ids), ids.join('_')], 'Z');
    },
    arm: (corner) => claim([`R${corner}`], 'Z'),
    centre: (present) => {
      for (const { from, to } of present) points.add(from).add(to);
      let number = 1;
      while (points.has(`Y${number}`)) number += 1;
      points.add(`Y${number}`);
      return `Y${number}`;
    },
  };
}

/** R3, R4 as R34; names that share no letters one after the other. */
function short(ids: readonly string[]): string {
  const split = ids.map((id) => /^([A-Za-z]+)(\d+)$/.exec(id));
  const letters = split[0]?.[1];
  if (letters === undefined || split.some((match) => match?.[1] !== letters)) return ids.join('');
  return letters + split.map((match) => match![2]).join('');
}
