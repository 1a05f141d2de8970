import type { Element, ResistorValues } from '../network/index.ts';
import { solverKind } from './by-kind.ts';
import type { Branch } from './circuit.ts';

/** Returns the branch of an element whose ends are on the given nodes. */
export const elementBranch = (
  element: Element,
  from: number,
  to: number,
  values: ResistorValues = 'nominal',
): Branch => ({ id: element.id, from, to, ...solverKind(element.kind).branch(element, values) });
