import { solveUnloaded } from '../loading/index.ts';
import { isSource, type Network } from '../network/index.ts';
import { formatQuantity } from '../quantity/index.ts';
import type { Hypothesis } from './fault.ts';
import { withFault } from './with-fault.ts';

/**
 * How a hypothesis is checked, in a sentence.
 *
 * @param network  tells a source from a part
 */
export function checkFor(hypothesis: Hypothesis, network: Network): string {
  const { fault, where, value } = hypothesis;
  const { elements } = network;
  const [first = '', second = ''] = where;
  switch (fault) {
    case 'prefix':
      return `Look at ${first} again: was the prefix of the display another?`;
    case 'leads-swapped':
      return `Read ${first} again with red and black as planned.`;
    case 'one-point':
      return `Were both leads of ${first} on one point? Read it again.`;
    case 'hanging':
      return `Did a lead of ${first} touch nothing? Press it on and read again.`;
    case 'digits-swapped':
      return `Was ${first} ${String(value)} on the display? Read it again.`;
    case 'wrong-scale':
      return `Was ${first} read from the scale of ${String(value)}?`;
    case 'wrong-place':
      return `Where were the leads of ${first}? Read it again where it was planned.`;
    case 'across':
      return `Was the ammeter of ${first} laid across the part? Open the circuit and put it in series.`;
    case 'blown-fuse':
      return `Check the fuse of the meter of ${first}: its resistance range across the leads.`;
    case 'open':
      return elements.some((one) => one.id === first && isSource(one))
        ? `Read the voltage of ${first} at its terminals, then inside of its fuse and switch: where it ends, it is open.`
        : `Read across ${first}: ${voltageAcross(hypothesis, network)} if it is open.`;
    case 'short':
      return `Read across ${first}: 0 V if it is shorted, although current flows.`;
    case 'decade':
      return `Supply off, ${first} out: read its bands and measure it.`;
    case 'swapped':
      return `Supply off: compare ${first} and ${second} with the drawing by their bands.`;
    case 'out-of-tolerance':
      return `Supply off, ${first} out: measure it.`;
    case 'contact':
      return `Move ${first} and its joints while reading: a bad contact makes the display wander.`;
    case 'supply-off':
      return `Read the voltage of ${first} at its terminals.`;
    case 'supply-reversed':
      return `Read the voltage of ${first} at its terminals, with its sign.`;
    case 'supply-value':
      return `Read the voltage of ${first} at its terminals.`;
    case 'supply-limited':
      return `Look at ${first}: is its current limit on? Raise it, or take load off.`;
    case 'switch':
      return `Look how ${first} is set.`;
    case 'meter':
      return `Measure the resistance of ${first} on this function with another instrument.`;
  }
}

/** The voltage across an open part, in words. */
function voltageAcross(hypothesis: Hypothesis, network: Network): string {
  const solved = solveUnloaded(withFault({ network, instruments: [] }, hypothesis).network);
  const voltage = solved.ok ? (solved.value.values.elements[hypothesis.where[0]!]?.voltage ?? null) : null;
  return voltage === null ? 'a voltage other than 0 V' : formatQuantity(Math.abs(voltage), 'V', { digits: 4 });
}
