import { formatQuantity } from '../quantity/index.ts';
import type { Hypothesis, RealPlace } from './fault.ts';

const ohms = (value: Hypothesis['value']): string => formatQuantity(value as number, 'Ω', { digits: 3, trim: true });

/** A hypothesis as a sentence. */
export function faultSentence({ fault, where, value }: Hypothesis): string {
  const [first = '', second = ''] = where;
  switch (fault) {
    case 'prefix':
      return `${first} was written down with the wrong prefix: ${(value as number) > 1 ? `${value as number} times too large` : `${1 / (value as number)} times too small`}.`;
    case 'leads-swapped':
      return `The leads of ${first} were swapped.`;
    case 'one-point':
      return `Both leads of ${first} were on one point.`;
    case 'hanging':
      return `A lead of ${first} was in no circuit.`;
    case 'digits-swapped':
      return `Two digits of ${first} were exchanged: the display was ${String(value)}.`;
    case 'wrong-scale':
      return `${first} was read from the scale of ${String(value)}.`;
    case 'wrong-place':
      return `${first} was read ${placeWords(value as RealPlace)}.`;
    case 'across':
      return `The ammeter of ${first} was laid across its part.`;
    case 'blown-fuse':
      return `The fuse of the meter of ${first} is blown.`;
    case 'open':
      return `${first} is open.`;
    case 'short':
      return `${first} is shorted.`;
    case 'decade':
      return `${first} has ${value as number} times its resistance: another decade.`;
    case 'swapped':
      return `${first} and ${second} are exchanged.`;
    case 'out-of-tolerance':
      return `${first} has ${ohms(value)}, outside its tolerance.`;
    case 'contact':
      return `${first} has a bad contact of ${ohms(value)}.`;
    case 'supply-off':
      return `${first} is off.`;
    case 'supply-reversed':
      return `${first} is connected the other way round.`;
    case 'supply-value':
      return `${first} is set to ${formatQuantity(value as number, 'V', { digits: 4, trim: true })}.`;
    case 'supply-limited':
      return `${first} is at a current limit of ${formatQuantity(value as number, 'A', { digits: 3, trim: true })}.`;
    case 'switch':
      return `${first} is the other way.`;
    case 'meter': {
      const { quantity, factor } = value as { readonly quantity: string; readonly factor: number };
      return `The resistance of ${first} on ${quantity === 'dc-current' ? 'current' : 'voltage'} is ${factor.toPrecision(3)} times what is assumed.`;
    }
  }
}

const placeWords = (place: RealPlace): string =>
  'red' in place
    ? `from ${place.red} to ${place.black}`
    : `at ${place.node} into ${place.ends.map((end) => end.replace(/\.(from|to)$/, '')).join(', ')}`;
