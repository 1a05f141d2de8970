import type { Element } from '../element.ts';
import type { Network } from '../network.ts';

/**
 * The network with every equal part taken over from the former one, object and all, and the whole of it where
 * nothing has changed: what is worked out or shown of a part that an edit leaves alone need not be looked at again.
 */
export function keepUnchanged(network: Network, before: Network): Network {
  const former = new Map(before.elements.map((element) => [element.id, element]));
  const elements = network.elements.map((element) => {
    const own = former.get(element.id);
    return own && saysTheSame(own, element) ? own : element;
  });
  const listed =
    elements.length === before.elements.length &&
    elements.every((element, index) => element === before.elements[index]);
  const kept = { ...network, elements: listed ? before.elements : elements };
  return saysTheSame(kept, before) ? before : kept;
}

/** Returns whether two flat objects have the same values, in whatever order of their keys. */
function saysTheSame<T extends Element | Network>(a: T, b: T): boolean {
  const keys = Object.keys(a) as (keyof T)[];
  return keys.length === Object.keys(b).length && keys.every((key) => a[key] === b[key]);
}
