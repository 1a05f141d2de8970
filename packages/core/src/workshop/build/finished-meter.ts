import type { Element, Network } from '../../network/index.ts';
import { fail, ok, type Result } from '../../result.ts';
import { toNumber } from '../../solver/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import type { Design } from '../scheme/design.ts';
import type { Movement } from '../movement/movement.ts';
import { sectionName } from '../scheme/section-words.ts';

/**
 * The finished meter on one range as a network, fed with exactly its full scale: the movement is the resistor `M`, the sections
 * `A1`, `A2` … or `V1`, `V2` … in the order of the design.
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
    id: sectionName(target, index),
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
  const shunt = sections.map((_, k) => section(k, node(k + 1), node(k)));
  return plain([feed, ...shunt, { ...coil, from: node(sections.length), to: '-' }]);
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
