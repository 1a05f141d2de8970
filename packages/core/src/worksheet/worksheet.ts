import { namePattern } from '../network/index.ts';
import type { Unit } from '../quantity/index.ts';

/** Quantity of a part that can be asked for or given. */
export type SheetQuantity = 'voltage' | 'current' | 'resistance' | 'power';

/** Quantities of a part on a worksheet. */
export const sheetQuantities = ['voltage', 'current', 'resistance', 'power'] as const satisfies SheetQuantity[];

/** Unit of each quantity. */
export const unitOfSheet: Readonly<Record<SheetQuantity, Unit>> = {
  voltage: 'V',
  current: 'A',
  resistance: 'Ω',
  power: 'W',
};

/** A source or a resistor whose value may not be known. */
export type SheetElement = SheetSource | SheetResistor;

interface SheetTwoTerminal {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly label?: string;
}

/** A source on a worksheet. */
export interface SheetSource extends SheetTwoTerminal {
  readonly kind: 'source';
  /** V. */
  readonly emf?: number;
}

/** A resistor on a worksheet. */
export interface SheetResistor extends SheetTwoTerminal {
  readonly kind: 'resistor';
  /** Ω. */
  readonly resistance?: number;
}

/**
 * One value that is given: V from → to, A from → to through a resistor and out of `from` of a source, Ω, W taken by a resistor
 * and delivered by a source. A source's resistance is what it sees.
 */
export interface Given {
  readonly of: string;
  readonly quantity: SheetQuantity;
  readonly value: number;
}

/** A worksheet file: a circuit, and what is given of it. */
export interface Worksheet {
  readonly format: 'usual-drag/worksheet';
  readonly version: 1;
  readonly title?: string;
  readonly network: { readonly reference?: string; readonly elements: readonly SheetElement[] };
  readonly givens: readonly Given[];
}

/** The four values of a part, null if one does not follow. */
export type SheetValues = Readonly<Record<SheetQuantity, number | null>>;

/** Rule by which a value was found. */
export type SheetRule = 'ohm' | 'power' | 'series' | 'parallel' | 'junction' | 'loop' | 'equivalent' | 'equations';

/** One value worked out from others. */
export interface SheetStep {
  readonly of: string;
  readonly quantity: SheetQuantity;
  readonly value: number;
  readonly rule: SheetRule;
  /** Values that it follows from, such as `R1.voltage`: given, or computed in a step before. */
  readonly from: readonly string[];
  /** The rule with the numbers in it. */
  readonly text: string;
}

/** Given values that contradict each other. */
export interface SheetContradiction {
  /** Givens that cannot all hold. */
  readonly between: readonly string[];
  readonly text: string;
}

/** Consequences of the given values, in the published format. */
export interface WorksheetResult {
  readonly format: 'usual-drag/worksheet-result';
  readonly version: 1;
  readonly values: Readonly<Record<string, SheetValues>>;
  /** The other whole set, where a given power leaves two. */
  readonly alternative: Readonly<Record<string, SheetValues>> | null;
  readonly steps: readonly SheetStep[];
  readonly complete: boolean;
  /** Values that would complete it; empty if it is complete. */
  readonly missing: readonly string[];
  readonly contradiction: SheetContradiction | null;
}

/** A fault that keeps a worksheet from being solved. */
export interface WorksheetFault {
  readonly code: 'invalid-value' | 'duplicate-id' | 'unknown-node';
  readonly message: string;
  readonly where: readonly string[];
}

/** `R1.voltage`. */
export const keyOf = ({ of, quantity }: Pick<Given, 'of' | 'quantity'>): string => `${of}.${quantity}`;

/** Returns all givens: in the list, and on the parts. Of a repeated value the first is taken; the other is compared with it. */
export function givensOf({ network, givens }: Worksheet): readonly Given[] {
  const onParts = network.elements.flatMap((element): Given[] => {
    const value = element.kind === 'source' ? element.emf : element.resistance;
    return value === undefined
      ? []
      : [{ of: element.id, quantity: element.kind === 'source' ? 'voltage' : 'resistance', value }];
  });
  return [...onParts, ...givens];
}

/** Returns the faults that prevent a worksheet from being solved: names that are repeated, not allowed or missing. */
export function worksheetFaults({ network, givens }: Worksheet): WorksheetFault[] {
  const ids = network.elements.map(({ id }) => id);
  const nodes = new Set(network.elements.flatMap(({ from, to }) => [from, to]));
  const faults: WorksheetFault[] = [];
  const refuse = (code: WorksheetFault['code'], message: string, ...where: string[]): void => {
    faults.push({ code, message, where });
  };
  if (ids.length === 0) refuse('invalid-value', 'The worksheet has no parts. Add a source and a resistor.');
  network.elements.forEach(({ id, from, to }, index) => {
    for (const name of [id, from, to])
      if (!namePattern.test(name))
        refuse('invalid-value', `“${name}” must be up to 32 letters, digits, - and _, without spaces.`, id);
    if (ids.indexOf(id) !== index) refuse('duplicate-id', `Two parts are called ${id}. Give one another name.`, id);
  });
  if (network.reference !== undefined && !nodes.has(network.reference))
    refuse('unknown-node', `The reference ${network.reference} is not a node of this circuit.`, network.reference);
  for (const given of givens)
    if (!ids.includes(given.of))
      refuse('invalid-value', `${keyOf(given)} is given, but there is no part ${given.of}.`, given.of);
  return faults;
}
