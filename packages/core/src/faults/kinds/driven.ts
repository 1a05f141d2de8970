import type { Element } from '../../network/index.ts';

/** Returns a source with another EMF or current; any other element unchanged. Adding 0 turns −0 into 0. */
export function driven(element: Element, change: (own: number) => number): Element {
  if (element.kind === 'source') return { ...element, emf: change(element.emf) + 0 };
  return element.kind === 'current-source' ? { ...element, current: change(element.current) + 0 } : element;
}
