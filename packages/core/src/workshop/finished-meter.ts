import { freeId, rangeName, type KitInstrument, type Range } from '../instrument/index.ts';
import type { Element, Network } from '../network/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { toNumber } from '../solver/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import type { Design, DesignResult } from './design.ts';
import type { Movement } from './movement.ts';

/**
 * The finished meter on one range as a network, fed with exactly its full scale: the movement is the resistor `M`, the sections
 * `S1`, `S2` … in the order of the design.
 *
 * @param sections  Ω
 * @param at        place of the range, rising
 */
export function meterOnRange(
  { target, scheme }: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: readonly number[],
  at: number,
): Network {
  const coil: Omit<Extract<Element, { kind: 'resistor' }>, 'from' | 'to'> = {
    id: 'M',
    kind: 'resistor',
    resistance: toNumber(movement.resistance),
    label: 'movement',
  };
  const section = (index: number, from: string, to: string): Element => ({
    id: `S${index + 1}`,
    kind: 'resistor',
    from,
    to,
    resistance: sections[index]!,
  });
  const range = ranges[at]!;
  if (target === 'voltmeter') {
    const feed: Element = { id: 'E', kind: 'source', from: '+', to: '-', emf: range };
    const order =
      scheme === 'string'
        ? sections
            .map((_, k) => k)
            .slice(0, at + 1)
            .reverse()
        : [at];
    const nodes = ['+', ...order.slice(1).map((index) => `T${index + 1}`), 'm'];
    const chain = order.map((index, k) => section(index, nodes[k]!, nodes[k + 1]!));
    return plain([feed, ...chain, { ...coil, from: 'm', to: '-' }]);
  }
  const feed: Element = { id: 'J', kind: 'current-source', from: '+', to: '-', current: range };
  if (scheme === 'individual') return plain([feed, section(at, '+', '-'), { ...coil, from: '+', to: '-' }]);
  // From the common end up: the terminal is the tap above as many sections as serve the range.
  const taps = sections.length - at;
  const node = (k: number): string => (k === 0 ? '-' : k === taps ? '+' : k === sections.length ? 'm' : `T${k}`);
  const ring = sections.map((_, k) => section(k, node(k + 1), node(k)));
  return plain([feed, ...ring, { ...coil, from: node(sections.length), to: '-' }]);
}

/** Node names of the workshop as names of the format: + and − are the terminals. */
function plain(elements: readonly Element[]): Network {
  const name = (node: string): string => (node === '+' ? 'P' : node === '-' ? 'N' : node);
  return { reference: 'N', elements: elements.map((e) => ({ ...e, from: name(e.from), to: name(e.to) })) };
}

/** Relative amount by which the movement is off its full scale on every range, solved as a network. */
export function movementCheck(
  design: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: readonly number[],
): Result<readonly number[], { readonly message: string }> {
  const off: number[] = [];
  for (let at = 0; at < ranges.length; at += 1) {
    const solved = solveUnloaded(meterOnRange(design, movement, ranges, sections, at));
    if (!solved.ok) return fail({ message: `The ${ranges[at]} range cannot be solved.` });
    off.push(solved.value.values.elements.M!.current! / toNumber(movement.current) - 1);
  }
  return ok(off);
}

/**
 * The finished meter for the kit: the resistance of each range from the parts that were chosen, and a class that holds the worst
 * case of the parts and the movement's own.
 *
 * @param movementClass  of the movement, as a fraction of full scale
 * @param taken          ids that are on the shelf already
 */
export function instrumentFromDesign(
  design: Design,
  movement: Movement,
  result: DesignResult,
  movementClass: number,
  divisions: number,
  taken: readonly string[],
): KitInstrument {
  const unit = design.target === 'ammeter' ? 'A' : 'V';
  const fullScales = result.ranges.map(({ range }) => range);
  const sections = result.sections.map(({ parts }) => parts.resistance);
  const ranges = result.ranges.map(({ range }, at): Range => {
    const solved = solveUnloaded(meterOnRange(design, movement, fullScales, sections, at));
    const terminals = solved.ok ? solved.value.values.elements[design.target === 'ammeter' ? 'J' : 'E'] : undefined;
    const worst = Math.max(...result.asBuilt[at]!.worstCase.map(Math.abs));
    return {
      id: rangeName(range, unit),
      fullScale: range,
      resistance: terminals ? terminals.voltage! / terminals.current! : result.ranges[at]!.meterResistance,
      accuracyOfRange: movementClass + worst,
      divisions,
      jack: rangeName(range, unit),
    };
  });
  const name = design.title ?? `Panel ${design.target}`;
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 58);
  return {
    id: freeId(slug === '' ? design.target : slug, taken),
    name,
    display: 'analogue',
    functions: [{ quantity: design.target === 'ammeter' ? 'dc-current' : 'dc-voltage', ranges }],
    notes: 'Made in the workshop: its resistance and class are worked out from the movement and the parts.',
  };
}
