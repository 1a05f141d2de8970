import { formatQuantity } from '@usual-drag/core/quantity';
import { isLinear, type Unloaded } from '@usual-drag/core/loading';
import type { ReactNode } from 'react';
import { Note } from '../../ui/note.tsx';

interface Props {
  readonly unloaded: Unloaded;
  /** Explains why the view does not apply to this circuit, and what replaces it. */
  readonly children: ReactNode;
}

/** The loads that are not ohmic, each as its tangent at the working point; nothing if all are ohmic. */
export function ByTangents({ unloaded, children }: Props) {
  if (isLinear(unloaded)) return null;
  const { network, named, tangent } = unloaded;
  const loads = network.elements.flatMap(({ id }, index) => {
    if (!named.circuit.branches[index]!.law) return [];
    const { kind, resistance, emf } = tangent.circuit.branches[index]!;
    if (kind === 'open') return [{ id, words: 'is reverse-biased and carries no current' }];
    const ohms = formatQuantity(resistance.hi, 'Ω', { digits: 4, trim: true });
    const volts = formatQuantity(Math.abs(emf.hi), 'V', { digits: 4, trim: true });
    return [{ id, words: `V = ${ohms} · I${emf.hi === 0 ? '' : ` ${emf.hi < 0 ? '−' : '+'} ${volts}`}` }];
  });
  return (
    <Note kind="limit">
      <b>{loads.map(({ id }) => id).join(', ')}</b> {loads.length === 1 ? 'is' : 'are'} not ohmic. {children}
      <span className="figures mt-1 flex flex-wrap gap-x-5">
        {loads.map(({ id, words }) => (
          <span key={id}>
            {id}: {words}
          </span>
        ))}
      </span>
    </Note>
  );
}
