import type { Design, Scheme } from './design.ts';
import type { Movement } from '../movement/movement.ts';
import { planDesign } from './schemes.ts';

/** Result of one scheme beside the other. */
export interface SchemeInBrief {
  readonly scheme: Scheme;
  /** Resistances to build, Ω. */
  readonly resistances: readonly number[];
  /** V at full scale, the least and the most over the ranges; null for a voltmeter. */
  readonly burden: readonly [number, number] | null;
  /** W in the hottest resistance. */
  readonly power: number;
  readonly selector: string;
  readonly whenOpen: string;
}

const words: Readonly<Record<string, Pick<SchemeInBrief, 'selector' | 'whenOpen'>>> = {
  'ammeter individual': {
    selector: 'make before break, heavy contacts: their resistance is part of the shunt',
    whenOpen: 'the whole current flows through the movement and burns it out',
  },
  'ammeter universal': {
    selector: 'any, contacts outside the shunt: their resistance only adds to the burden',
    whenOpen: 'the circuit opens, the movement keeps its shunt',
  },
  'voltmeter individual': {
    selector: 'any; a wrong part spoils one range only',
    whenOpen: 'the needle falls to zero: no proof that the circuit is dead',
  },
  'voltmeter string': {
    selector: 'any; lower values in all, but each serves every range above it',
    whenOpen: 'the needle falls to zero on every range above: no proof that the circuit is dead',
  },
};

/** Both schemes that a target can have, exact values; those that cannot be are left out. */
export function compareSchemes(design: Design, movement: Movement): SchemeInBrief[] {
  const schemes: readonly Scheme[] =
    design.target === 'ammeter' ? ['individual', 'universal'] : ['individual', 'string'];
  return schemes.flatMap((scheme): SchemeInBrief[] => {
    const plan = planDesign({ ...design, scheme }, movement);
    if (!plan.ok) return [];
    const { ranges, sections } = plan.value;
    const burdens = ranges.flatMap(({ burden }) => (burden === null ? [] : [burden]));
    return [
      {
        scheme,
        resistances: sections.map(({ resistance }) => resistance),
        burden: burdens.length === 0 ? null : [Math.min(...burdens), Math.max(...burdens)],
        power: Math.max(...sections.map(({ power }) => power)),
        ...words[`${design.target} ${scheme}`]!,
      },
    ];
  });
}
