import { keepReference, nextNode } from './edits.ts';
import { parseEnd, type Element } from '../element.ts';
import { endsAt, nodesOf, type Network } from '../network.ts';

/** Puts `added` in series behind `id`, between it and the node of its `to` end. Undone by `closeOver(added.id)`. */
export function insertInSeries(network: Network, id: string, added: Element): Network {
  const middle = nextNode(network);
  return {
    ...network,
    elements: network.elements.flatMap((element) =>
      element.id === id
        ? [
            { ...element, to: middle },
            { ...added, from: middle, to: element.to },
          ]
        : [element],
    ),
  };
}

/** Puts `added` across the same two nodes as `id`. Undone by removing it. */
export const addInParallel = (network: Network, id: string, added: Element): Network => ({
  ...network,
  elements: network.elements.flatMap((element) =>
    element.id === id ? [element, { ...added, from: element.from, to: element.to }] : [element],
  ),
});

/** Takes an element out and makes its two nodes one, as if a wire were put in its place. The last element stays. */
export function closeOver(network: Network, id: string): Network {
  const gone = network.elements.find((element) => element.id === id);
  if (!gone || network.elements.length === 1) return network;
  const rest = { ...network, elements: network.elements.filter((element) => element !== gone) };
  return joinNodes(rest, gone.to, gone.from);
}

/** Moves one end of an element onto another node, new or not. Undone by moving it back. */
export function moveEnd(network: Network, end: string, node: string): Network {
  const moved = parseEnd(end);
  if (!moved) return network;
  return keepReference({
    ...network,
    elements: network.elements.map((element) =>
      element.id === moved.element ? { ...element, [moved.end]: node } : element,
    ),
  });
}

/** Swaps the two ends of an element. Undone by doing it again. */
export const swapEnds = (network: Network, id: string): Network => ({
  ...network,
  elements: network.elements.map((element) =>
    element.id === id ? { ...element, from: element.to, to: element.from } : element,
  ),
});

/** Makes two nodes one, called `kept`. Undone by `splitNode` with the ends that were on `gone`. */
export function joinNodes(network: Network, kept: string, gone: string): Network {
  const name = (node: string): string => (node === gone ? kept : node);
  return {
    ...network,
    ...(network.reference !== undefined && { reference: name(network.reference) }),
    elements: network.elements.map((element) => ({ ...element, from: name(element.from), to: name(element.to) })),
  };
}

/** Takes some ends off a node and joins them to a node of their own. Undone by `joinNodes`. */
export function splitNode(network: Network, node: string, ends: readonly string[], name = nextNode(network)): Network {
  const here = new Set(endsAt(network, node));
  return ends.filter((end) => here.has(end)).reduce((now, end) => moveEnd(now, end, name), network);
}

/** Gives a node another name; the same network where that name is taken. Undone by naming it back. */
export const renameNode = (network: Network, node: string, name: string): Network =>
  nodesOf(network).includes(name) ? network : joinNodes(network, name, node);

/** Takes several elements out. At least one stays: the first, where all were meant to go. */
export function removeElements(network: Network, ids: readonly string[]): Network {
  const left = network.elements.filter(({ id }) => !ids.includes(id));
  return keepReference({ ...network, elements: left.length > 0 ? left : network.elements.slice(0, 1) });
}
