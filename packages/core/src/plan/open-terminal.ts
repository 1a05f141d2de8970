import { isSource, nodesOf, type Network } from '../network/index.ts';

/** A source's terminal while all else is lifted off it: a place that the network does not have. */
export const openTerminal = (node: string): string => `${node.slice(0, 27)}-open`;

/** The network with a source left alone on a terminal, where one of some places is that; as it is where none is. */
export function withOpenTerminal(network: Network, places: readonly string[]): Network {
  const nodes = nodesOf(network);
  const open = nodes.find((node) => places.includes(openTerminal(node)) && !places.includes(node));
  if (open === undefined || nodes.includes(openTerminal(open))) return network;
  const at = (node: string): string => (node === open ? openTerminal(node) : node);
  return {
    ...network,
    elements: network.elements.map((one) => (isSource(one) ? { ...one, from: at(one.from), to: at(one.to) } : one)),
  };
}
