import { reduceNet, resistanceNet } from '../reduction/index.ts';
import type { Network } from '../network/index.ts';
import type { Application } from './sheet-rules.ts';
import { written } from './sheet-words.ts';
import type { Worksheet } from './worksheet.ts';

/** Returns how resistances give another: the reduction's formulas for a source, or the difference for a resistor. */
export function equivalentText(
  { network }: Worksheet,
  { of, from }: Application,
  resistanceOf: (id: string) => number | undefined,
): string {
  const element = network.elements.find(({ id }) => id === of)!;
  const names = from.map(({ of: id }) => `${id} ${written(resistanceOf(id)!, 'resistance')}`).join(', ');
  const result = written(resistanceOf(of)!, 'resistance');
  if (element.kind !== 'source') return `what is left for ${of} with ${names}: ${result}`;
  const taken = new Set(from.map(({ of: id }) => id));
  const resistors: Network['elements'] = network.elements.flatMap((part) =>
    taken.has(part.id) && part.kind === 'resistor'
      ? [{ id: part.id, kind: 'resistor' as const, from: part.from, to: part.to, resistance: resistanceOf(part.id)! }]
      : [],
  );
  const source = { id: of, kind: 'source', from: element.from, to: element.to, emf: 1 } as const;
  const { steps } = reduceNet(resistanceNet({ elements: [source, ...resistors] }, source));
  return steps.length > 0 ? steps.flatMap(({ formulas }) => formulas[0]!).join('; ') : `${of} sees ${names}: ${result}`;
}
