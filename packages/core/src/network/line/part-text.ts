import { fail, ok, type Result } from '../../result.ts';
import type { Element } from '../element.ts';
import type { LineFault } from './line-token.ts';
import { parseLine } from './parse-line.ts';

/**
 * Returns a part with newly typed values, as in a line: `47k 1%`, `24V/1R8`, `12V 0.3A`, `open`. Its name, its
 * ends and whatever the text does not contain stay; its kind follows from the values.
 */
export function readValues(element: Element, text: string): Result<Element, LineFault> {
  const before = `@${element.from} #${element.id} `;
  const read = parseLine(`${before}${text} @${element.to}`, { elements: [element] });
  if (!read.ok) {
    const at = Math.min(text.length, Math.max(0, read.fault.at - before.length));
    return fail({ ...read.fault, at });
  }
  if (read.value.elements.length !== 1)
    return fail({ message: 'One part at a time: its values, with their units.', at: 0, length: text.length });
  const [next] = read.value.elements as [Element];
  return ok(element.label === undefined || next.label !== undefined ? next : { ...next, label: element.label });
}
