import { fail, ok, type Result } from '@usual-drag/core/result';
import type { Unit } from '@usual-drag/core/quantity';
import { elementLimits, namePattern, type Element, type Network, type QuantityKey } from '@usual-drag/core/network';
import { asCount, asPlainNumber, inPercent, inUnit, numberField, type NumberField } from '../../ui/number-field.ts';

interface Fault {
  readonly message: string;
}

/** A quantity of an element as it is typed and shown. */
export type ElementField = NumberField<Element>;

/** The quantity that makes the part what it is; null for a switch or a link. */
export function mainField(element: Element): ElementField | null {
  switch (element.kind) {
    case 'source':
      return field(element, 'emf', 'EMF', 'V', true);
    case 'resistor':
      return field(element, 'resistance', 'Resistance', 'Ω', true);
    case 'current-source':
      return field(element, 'current', 'Current', 'A', true);
    case 'load':
      return field(element, 'ratedVoltage', 'Rated voltage', 'V', true);
    default:
      return null;
  }
}

/** The quantity that matters next. */
export function secondField(element: Element): ElementField | null {
  switch (element.kind) {
    case 'source':
      return field(element, 'internalResistance', 'Internal resistance', 'Ω');
    case 'resistor':
      return percentField(element, 'tolerance', 'Tolerance');
    case 'current-source':
      return field(element, 'compliance', 'Compliance', 'V');
    case 'load':
      return field(element, 'ratedCurrent', 'Rated current', 'A', true);
    default:
      return null;
  }
}

/** Returns the further fields of a part. */
export function moreFields(element: Element): ElementField[] {
  switch (element.kind) {
    case 'source':
      return [
        countField(element, 'cellsInSeries', 'Cells in series'),
        countField(element, 'cellsInParallel', 'Strings in parallel'),
        field(element, 'currentLimit', 'Current limit', 'A'),
        field(element, 'ceiling', 'Never set above', 'V'),
      ];
    case 'resistor':
      return [
        field(element, 'measuredResistance', 'Measured', 'Ω'),
        field(element, 'powerRating', 'Power rating', 'W'),
      ];
    case 'current-source':
      return [field(element, 'ceiling', 'Never set above', 'A')];
    case 'load':
      return [exponentField(element)];
    default:
      return [];
  }
}

/** Returns the words that a part may have beside its purpose. */
export function wordsOf(
  element: Element,
): readonly { readonly key: string; readonly label: string; readonly text: string }[] {
  switch (element.kind) {
    case 'source':
    case 'current-source':
      return [{ key: 'channel', label: 'Channel', text: element.channel ?? '' }];
    case 'resistor':
      return [{ key: 'bodyLabel', label: 'Label on its body', text: element.bodyLabel ?? '' }];
    default:
      return [];
  }
}

/** The rating and the measured value of a resistor, which have columns of their own; nothing for other parts. */
export const tableFields = (element: Element): [ElementField | null, ElementField | null] =>
  element.kind === 'resistor'
    ? [field(element, 'powerRating', 'Power rating', 'W'), field(element, 'measuredResistance', 'Measured', 'Ω')]
    : [null, null];

/** A name that no other part has. */
export const nameField =
  (network: Network, own: string) =>
  (text: string): Result<string, Fault> => {
    const name = text.trim();
    if (!namePattern.test(name)) return fail({ message: 'Up to 32 letters, digits, - and _, without spaces.' });
    const taken = name !== own && network.elements.some((element) => element.id === name);
    return taken ? fail({ message: `${name} already exists.` }) : ok(name);
  };

export function nodeField(text: string): Result<string, Fault> {
  const name = text.trim();
  return namePattern.test(name) ? ok(name) : fail({ message: 'A node has up to 32 letters, digits, - and _.' });
}

function field(element: Element, key: QuantityKey, label: string, unit: Unit, needed = false): ElementField {
  return numberField(element, key, { label, limit: elementLimits[key], needed, ...inUnit(unit) });
}

const percentField = (element: Element, key: QuantityKey, label: string): ElementField =>
  numberField(element, key, { label, limit: elementLimits[key], ...inPercent });

/** Exponent of a load's current over its voltage. */
const exponentField = (element: Element): ElementField =>
  numberField(element, 'exponent', { label: 'Exponent', limit: elementLimits.exponent, ...asPlainNumber });

const countField = (element: Element, key: QuantityKey, label: string): ElementField =>
  numberField(element, key, { label, limit: elementLimits[key], ...asCount });
