import {
  breachOf,
  elementLimits,
  fail,
  formatPercent,
  formatQuantity,
  namePattern,
  ok,
  parsePercent,
  parseQuantity,
  type Element,
  type Network,
  type QuantityKey,
  type Result,
  type Unit,
} from '@usual-drag/core';

interface Fault {
  readonly message: string;
}

/** A quantity of an element as it is typed and shown. Undefined stands for a value left out. */
export interface ElementField {
  readonly key: string;
  readonly label: string;
  readonly shown: string;
  readonly read: (text: string) => Result<unknown, Fault>;
  readonly put: (value: unknown) => Element;
}

/** The quantity that makes the part what it is; null for a switch or a link. */
export function mainField(element: Element): ElementField | null {
  switch (element.kind) {
    case 'source':
      return field(element, 'emf', 'EMF', 'V', 'needed');
    case 'resistor':
      return field(element, 'resistance', 'Resistance', 'Ω', 'needed');
    case 'current-source':
      return field(element, 'current', 'Current', 'A', 'needed');
    case 'load':
      return field(element, 'ratedVoltage', 'Rated voltage', 'V', 'needed');
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
      return field(element, 'ratedCurrent', 'Rated current', 'A', 'needed');
    default:
      return null;
  }
}

/** What else can be said of a part. */
export function moreFields(element: Element): ElementField[] {
  switch (element.kind) {
    case 'source':
      return [
        countField(element, 'cellsInSeries', 'Cells in series'),
        countField(element, 'cellsInParallel', 'Strings in parallel'),
        field(element, 'currentLimit', 'Current limit', 'A'),
      ];
    case 'resistor':
      return [
        field(element, 'measuredResistance', 'Measured', 'Ω'),
        field(element, 'powerRating', 'Power rating', 'W'),
      ];
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
    return taken ? fail({ message: `There is a ${name} already.` }) : ok(name);
  };

export function nodeField(text: string): Result<string, Fault> {
  const name = text.trim();
  return namePattern.test(name) ? ok(name) : fail({ message: 'A node has up to 32 letters, digits, - and _.' });
}

function field(element: Element, key: QuantityKey, label: string, unit: Unit, needed?: 'needed'): ElementField {
  return make(
    element,
    key,
    label,
    needed,
    (text) => parseQuantity(text, unit),
    (value) => formatQuantity(value, unit, { digits: 6, trim: true }),
  );
}

const percentField = (element: Element, key: QuantityKey, label: string): ElementField =>
  make(element, key, label, undefined, parsePercent, (value) => formatPercent(value, { digits: 4, trim: true }));

const countField = (element: Element, key: QuantityKey, label: string): ElementField =>
  make(
    element,
    key,
    label,
    undefined,
    (text) => (/^\d+$/.test(text.trim()) ? ok(Number(text)) : fail({ message: 'A whole number.' })),
    String,
  );

function make(
  element: Element,
  key: QuantityKey,
  label: string,
  needed: 'needed' | undefined,
  parse: (text: string) => Result<number, Fault>,
  print: (value: number) => string,
): ElementField {
  const value = (element as unknown as Record<string, number | undefined>)[key];
  return {
    key,
    label,
    shown: value === undefined ? '' : print(value),
    read: (text) => {
      if (text.trim() === '' && !needed) return ok(undefined);
      const parsed = parse(text);
      if (!parsed.ok) return parsed;
      const breach = breachOf(elementLimits[key], parsed.value);
      return breach ? fail({ message: `${label} ${breach}.` }) : parsed;
    },
    put: (next) => {
      const { [key]: _old, ...rest } = element as unknown as Record<string, unknown>;
      return (next === undefined ? rest : { ...rest, [key]: next }) as unknown as Element;
    },
  };
}
