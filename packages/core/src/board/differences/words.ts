import type { Element, Network } from '../../network/index.ts';
import { stripWords, type Strip } from '../holes.ts';
import { isLoose, type Leg, type NodeMatch } from '../match-nodes.ts';

/** Returns a leg in words: `the second leg of R3`, `the + lead of E1`. */
export function legWords(network: Network, part: string, leg: Leg): string {
  const kind = network.elements.find(({ id }) => id === part)?.kind;
  return `the ${legName(kind ?? 'resistor', leg)} of ${part}`;
}

/** Returns the name of a leg of a kind of part: `second leg`, `+ lead`. */
export const legName = (kind: Element['kind'], leg: Leg): string => legNames[kind][leg];

const legs = { from: 'first leg', to: 'second leg' } as const;
const leads = { from: '+ lead', to: '− lead' } as const;

const legNames: Readonly<Record<Element['kind'], Readonly<Record<Leg, string>>>> = {
  source: leads,
  'current-source': leads,
  resistor: legs,
  load: legs,
  switch: legs,
  link: { from: 'first end', to: 'second end' },
};

/** Returns the strips that carry a group in words, at most two of them; null if it is a leg in no hole. */
export function netWords({ nets }: NodeMatch, net: Strip): string | null {
  if (isLoose(net)) return null;
  const strips = nets.strips(net);
  return (strips.length > 0 ? strips : [net]).slice(0, 2).map(stripWords).join(' and ');
}

/** Returns a sentence that begins with a capital letter. */
export const asSentence = (text: string): string => text[0]!.toUpperCase() + text.slice(1);
