import { isToleranced, type Element, type Network } from '../network/index.ts';
import { formatQuantity } from '../quantity/index.ts';
import type { Hypothesis } from './fault.ts';
import { faultsOfElement } from './possible-faults.ts';

/** A fault to be tried on a network, and what it is called beside its part. */
export interface FaultOnPurpose {
  readonly hypothesis: Hypothesis;
  readonly name: string;
}

/** Ω of a bad contact that is tried: hardly felt, felt, nearly open. */
const contacts = [10, 1000, 100_000];

/** The faults that can be tried on one part, each with a value where it needs one. */
export function faultsOnPurpose(network: Network, element: Element): FaultOnPurpose[] {
  const single = faultsOfElement(element).flatMap((hypothesis): FaultOnPurpose[] => {
    switch (hypothesis.fault) {
      case 'open':
        return [{ hypothesis, name: element.kind === 'link' ? 'missing' : 'open' }];
      case 'short':
        return [{ hypothesis, name: 'shorted' }];
      case 'contact':
        return contacts.map((value) => ({
          hypothesis: { ...hypothesis, value },
          name: `bad contact, ${formatQuantity(value, 'Ω', { digits: 3, trim: true })}`,
        }));
      case 'decade':
        return [{ hypothesis, name: `wrong decade, × ${hypothesis.value as number}` }];
      case 'out-of-tolerance':
        return element.kind === 'resistor' && isToleranced(network, element)
          ? [
              {
                hypothesis: { ...hypothesis, value: element.resistance * (1 + 2 * element.tolerance) },
                name: 'twice its tolerance too high',
              },
            ]
          : [];
      case 'supply-off':
        return [{ hypothesis, name: 'switched off' }];
      case 'supply-reversed':
        return [{ hypothesis, name: 'connected the other way round' }];
      case 'supply-value':
        return element.kind === 'source'
          ? [
              {
                hypothesis: { ...hypothesis, value: (element.emf * (element.cellsInSeries ?? 1)) / 2 },
                name: 'set to half',
              },
            ]
          : [];
      case 'switch':
        return [{ hypothesis, name: element.kind === 'switch' && element.closed ? 'open' : 'closed' }];
      default:
        return [];
    }
  });
  return [...single, ...swapsOf(network, element)];
}

const swapsOf = ({ elements }: Network, element: Element): FaultOnPurpose[] =>
  elements.flatMap((other): FaultOnPurpose[] => {
    if (element.kind !== 'resistor' || other.kind !== 'resistor') return [];
    if (other.id === element.id || other.resistance === element.resistance) return [];
    const hypothesis: Hypothesis = { fault: 'swapped', where: [element.id, other.id], value: null };
    return [{ hypothesis, name: `exchanged with ${other.id}` }];
  });
