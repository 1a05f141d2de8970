import { networkKind } from '../by-kind.ts';
import type { Element, ElementKind } from '../element.ts';
import { nodesOf, referenceOf, type Network } from '../network.ts';

/** Adds an element at the end. */
export const addElement = (network: Network, element: Element): Network => ({
  ...network,
  elements: [...network.elements, element],
});

/** Puts `next` in the place of the element called `id`; the same network where there is none. */
export const replaceElement = (network: Network, id: string, next: Element): Network =>
  keepReference({ ...network, elements: network.elements.map((e) => (e.id === id ? next : e)) });

/** Takes an element out; the last one stays, for a network has at least one part. */
export const removeElement = (network: Network, id: string): Network =>
  network.elements.length === 1
    ? network
    : keepReference({ ...network, elements: network.elements.filter((e) => e.id !== id) });

/** A chosen reference that an edit took away falls back to the customary one. */
export function keepReference(network: Network): Network {
  if (network.reference === undefined || nodesOf(network).includes(network.reference)) return network;
  const { reference: _gone, ...rest } = network;
  return rest;
}

/** The next free name of a kind: R5 after R4. */
export function nextElementId(network: Network, kind: ElementKind): string {
  const taken = new Set(network.elements.map((e) => e.id));
  let number = 1;
  const { letter } = networkKind(kind);
  while (taken.has(`${letter}${number}`)) number += 1;
  return `${letter}${number}`;
}

/** The next free node letter. */
export const nextNode = (network: Network): string => freeNodeName(new Set(nodesOf(network)));

/** The first node name that is not taken: A to Z, then N1, N2 … */
export function freeNodeName(taken: { has(name: string): boolean }): string {
  for (let number = 0; ; number += 1) {
    const name = number < 26 ? String.fromCharCode(65 + number) : `N${number - 25}`;
    if (!taken.has(name)) return name;
  }
}

/** A new element of a kind with customary values, across `from` and `to` or, left out, the last element's ends. */
export function newElement(network: Network, kind: ElementKind, from?: string, to?: string): Element {
  const last = network.elements[network.elements.length - 1];
  const ends = {
    id: nextElementId(network, kind),
    from: from ?? last?.from ?? 'A',
    to: to ?? referenceOf(network) ?? '0',
  };
  return { ...ends, ...networkKind(kind).usual } as Element;
}
