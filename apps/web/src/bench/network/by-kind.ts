import type { Unit } from '@usual-drag/core/quantity';
import {
  curveQuantities,
  elementLimits,
  type Element,
  type ElementKind,
  type QuantityKey,
} from '@usual-drag/core/network';
import { asCount, asPlainNumber, inPercent, inUnit, numberField, type NumberField } from '../../ui/number-field.ts';

/** A quantity of an element as it is typed and shown. */
export type ElementField = NumberField<Element>;

/** A property that an element has or has not. */
interface ElementFlag {
  readonly key: 'momentary' | 'polarised';
  readonly label: string;
}

/** A word that an element may have beside its purpose. */
interface ElementWord {
  readonly key: 'channel' | 'bodyLabel';
  readonly label: string;
}

/** Fields of a kind of element. */
interface FieldsOfKind {
  /** The quantity that makes the element what it is, and the one that matters next; null if it has none. */
  readonly main: Field | null;
  readonly second: Field | null;
  /** Quantities that have columns of their own in the table. */
  readonly rating: Field | null;
  readonly measured: Field | null;
  /** Further quantities. */
  readonly more: readonly Field[];
  readonly words: readonly ElementWord[];
  readonly flags: readonly ElementFlag[];
}

type Field = (element: Element) => ElementField;

const none = { main: null, second: null, rating: null, measured: null, more: [], words: [], flags: [] } as const;

const rating = inUnitOf('powerRating', 'Power rating', 'W');
const measured = inUnitOf('measuredResistance', 'Measured', 'Ω');
const channel = { key: 'channel', label: 'Channel' } as const;

const byKind: Readonly<Record<ElementKind, FieldsOfKind>> = {
  source: {
    ...none,
    main: inUnitOf('emf', 'EMF', 'V', true),
    second: inUnitOf('internalResistance', 'Internal resistance', 'Ω'),
    more: [
      countOf('cellsInSeries', 'Cells in series'),
      countOf('cellsInParallel', 'Strings in parallel'),
      inUnitOf('currentLimit', 'Current limit', 'A'),
      inUnitOf('ceiling', 'Never set above', 'V'),
    ],
    words: [channel],
  },
  resistor: {
    ...none,
    main: inUnitOf('resistance', 'Resistance', 'Ω', true),
    second: (element) =>
      numberField(element, 'tolerance', { label: 'Tolerance', limit: elementLimits.tolerance, ...inPercent }),
    rating,
    measured,
    more: [measured, rating],
    words: [{ key: 'bodyLabel', label: 'Label on its body' }],
  },
  'current-source': {
    ...none,
    main: inUnitOf('current', 'Current', 'A', true),
    second: inUnitOf('compliance', 'Compliance', 'V'),
    more: [inUnitOf('ceiling', 'Never set above', 'A')],
    words: [channel],
  },
  load: {
    ...none,
    main: inUnitOf('ratedVoltage', 'Rated voltage', 'V', true),
    second: inUnitOf('ratedCurrent', 'Rated current', 'A', true),
    more: Object.entries(curveQuantities).map(([key, { name, limit, unit }]) => (element: Element) => {
      const label = name.charAt(0).toUpperCase() + name.slice(1);
      return numberField(element, key, { label, limit, ...(unit === null ? asPlainNumber : inUnit(unit)) });
    }),
    flags: [{ key: 'polarised', label: 'polarised, + on the first end' }],
  },
  switch: { ...none, flags: [{ key: 'momentary', label: 'has to be held' }] },
  link: none,
};

/** Returns the fields of a kind of element. */
export const fieldsOfKind = (kind: ElementKind): FieldsOfKind => byKind[kind];

function inUnitOf(key: QuantityKey, label: string, unit: Unit, needed = false): Field {
  return (element) => numberField(element, key, { label, limit: elementLimits[key], needed, ...inUnit(unit) });
}

function countOf(key: QuantityKey, label: string): Field {
  return (element) => numberField(element, key, { label, limit: elementLimits[key], ...asCount });
}
