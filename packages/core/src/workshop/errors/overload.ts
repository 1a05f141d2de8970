import { solveUnloaded } from '../../loading/index.ts';
import type { Network } from '../../network/index.ts';
import { toNumber } from '../../solver/index.ts';
import type { Design, DesignResult } from '../scheme/design.ts';
import { meterOnRange } from '../build/finished-meter.ts';
import type { Movement } from '../movement/movement.ts';
import { sectionName } from '../scheme/section-words.ts';

/** Load of the movement when something fails. */
export interface MeterFault {
  readonly what: 'section-opens' | 'section-shorts' | 'range-too-low';
  /** A or V that the meter is set to. */
  readonly range: number;
  /** Place of the section that fails; null if none does. */
  readonly section: number | null;
  /** A or V that is applied. */
  readonly applied: number;
  /** Movement's current over its full scale; 0 if the needle falls to zero. */
  readonly times: number;
  /** W in the movement. */
  readonly power: number;
}

/**
 * Every single failure of a finished meter, solved as a network: each section that is in the circuit open (ammeter) or shorted
 * (voltmeter) with the range's full scale applied, and the highest range's full scale put to each lower one.
 *
 * A current is taken to be held by the circuit whatever the meter's resistance, which is the worst case.
 */
export function meterFaults(
  design: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  { ranges, sections }: Pick<DesignResult, 'ranges' | 'sections'>,
): MeterFault[] {
  const fullScales = ranges.map(({ range }) => range);
  const exact = sections.map(({ resistance }) => resistance);
  const [full, coil] = [toNumber(movement.current), toNumber(movement.resistance)];
  const top = fullScales.at(-1)!;
  const fault = design.target === 'ammeter' ? 'section-opens' : 'section-shorts';
  const seen = (network: Network): { readonly times: number; readonly power: number } => {
    const solved = solveUnloaded(network);
    const current = solved.ok ? Math.abs(solved.value.values.elements.M?.current ?? 0) : 0;
    return { times: current / full, power: current ** 2 * coil };
  };
  return fullScales.flatMap((range, at): MeterFault[] => {
    const sound = meterOnRange(design, movement, fullScales, exact, at);
    const failures = exact.flatMap((_, section): MeterFault[] => {
      const id = sectionName(design.target, section);
      if (!sound.elements.some((element) => element.id === id)) return [];
      return [{ what: fault, range, section, applied: range, ...seen(failed(sound, id, fault)) }];
    });
    if (at === fullScales.length - 1) return failures;
    const tooLow = seen({ ...sound, elements: sound.elements.map((element) => fedWith(element, top)) });
    return [...failures, { what: 'range-too-low', range, section: null, applied: top, ...tooLow }];
  });
}

/** Returns the failures worth knowing: of each range the worst section, and the range left too low. */
export function worstFaults(list: readonly MeterFault[]): MeterFault[] {
  const kept = new Map<string, MeterFault>();
  for (const fault of list) {
    const key = `${fault.what} ${fault.range}`;
    const before = kept.get(key);
    if (!before || fault.times > before.times) kept.set(key, fault);
  }
  return [...kept.values()].sort((a, b) => b.times - a.times);
}

/** An open part is left out; a shorted one is a link. */
const failed = (network: Network, id: string, fault: 'section-opens' | 'section-shorts'): Network => ({
  ...network,
  elements: network.elements.flatMap((element) => {
    if (element.id !== id) return [element];
    return fault === 'section-opens' ? [] : [{ id, kind: 'link' as const, from: element.from, to: element.to }];
  }),
});

const fedWith = (element: Network['elements'][number], amount: number): Network['elements'][number] =>
  element.kind === 'source'
    ? { ...element, emf: amount }
    : element.kind === 'current-source'
      ? { ...element, current: amount }
      : element;

/** V at which a pair of silicon diodes across the movement takes the rest. */
const diodeDrop = 0.6;

/** Effect of two diodes back to back across the movement. */
export interface Diodes {
  /** Full scales at which they hold the movement. */
  readonly holdAt: number;
  /** They take nothing that shows below full scale: it drops well under their knee. */
  readonly fit: boolean;
}

/** Returns the overload at which diodes across a movement hold its voltage. */
export const diodesAcross = ({ voltage }: Movement): Diodes => ({
  holdAt: diodeDrop / toNumber(voltage),
  fit: toNumber(voltage) <= diodeDrop / 2,
});

/** Ratings of fuses that are sold, A: ten a decade. */
const fuseRatings = [0.032, 0.1, 1, 10].flatMap((decade, index) =>
  index === 0
    ? [0.032, 0.04, 0.05, 0.063, 0.08]
    : [1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8].map((figure) => Number((figure * decade).toPrecision(3))),
);

/** The smallest fuse that carries a current for good, A; null above what is sold. */
export const fuseFor = (current: number): number | null => fuseRatings.find((rating) => rating >= current) ?? null;
