import { writePercent, writeQuantity } from '../quantity/index.ts';
import type { Element, ElementKind, ElementOf } from './element.ts';
import { givenCurve, lawOf } from './load-laws/index.ts';

/** How a kind of element is named, made and written. */
interface NetworkKind<E> {
  /** The letter with which its names usually begin. */
  readonly letter: string;
  /** Usual values of a new one. */
  readonly usual: Omit<E, 'id' | 'from' | 'to'>;
  /** The quantity without which a line does not describe it, and what to type; null if there is none. */
  readonly needs: { readonly key: string; readonly hint: string } | null;
  /** Its values as the line notation has them. */
  write(element: E): Written;
}

/** Values of an element in the line notation. */
interface Written {
  /** Those that the circuit needs. */
  readonly words: readonly string[];
  /** Ratings, limits and measured values. */
  readonly more: readonly string[];
}

const byKind: { readonly [Kind in ElementKind]: NetworkKind<ElementOf<Kind>> } = {
  source: {
    letter: 'E',
    usual: { kind: 'source', emf: 12, internalResistance: 0.5 },
    needs: { key: 'emf', hint: 'its voltage, for example 24V/1R8' },
    write: ({ emf, internalResistance, cellsInSeries, cellsInParallel, currentLimit }) => ({
      words: [
        writeQuantity(emf, 'V') +
          (internalResistance === undefined ? '' : `/${writeQuantity(internalResistance, 'Ω')}`),
        ...[count(cellsInSeries, 's') + count(cellsInParallel, 'p')].filter(Boolean),
      ],
      more: optional(currentLimit, (value) => `<${writeQuantity(value, 'A')}`),
    }),
  },
  resistor: {
    letter: 'R',
    usual: { kind: 'resistor', resistance: 10_000 },
    needs: { key: 'resistance', hint: 'its resistance, for example 4k7' },
    write: ({ resistance, tolerance, powerRating, measuredResistance }) => ({
      words: [writeQuantity(resistance, 'Ω'), ...optional(tolerance, writePercent)],
      more: [
        ...optional(powerRating, (value) => writeQuantity(value, 'W')),
        ...optional(measuredResistance, (value) => `=${writeQuantity(value, 'Ω')}`),
      ],
    }),
  },
  'current-source': {
    letter: 'J',
    usual: { kind: 'current-source', current: 0.01 },
    needs: null,
    write: ({ current, compliance }) => ({
      words: [writeQuantity(current, 'A')],
      more: optional(compliance, (value) => `<${writeQuantity(value, 'V')}`),
    }),
  },
  load: {
    letter: 'L',
    usual: { kind: 'load', ratedVoltage: 12, ratedCurrent: 0.1 },
    needs: null,
    write: (load) => {
      const curve = givenCurve(load);
      return {
        words: [
          writeQuantity(load.ratedVoltage, 'V'),
          writeQuantity(load.ratedCurrent, 'A'),
          ...(curve ? [lawOf(curve).writeWord(curve.values)] : []),
          ...(load.polarised ? ['polarised'] : []),
        ],
        more: [],
      };
    },
  },
  switch: {
    letter: 'S',
    usual: { kind: 'switch', closed: true },
    needs: null,
    write: ({ closed }) => ({ words: [closed ? 'closed' : 'open'], more: [] }),
  },
  link: { letter: 'W', usual: { kind: 'link' }, needs: null, write: () => ({ words: ['link'], more: [] }) },
};

/** Returns how elements of a kind are named, made and written. */
export const networkKind = (kind: ElementKind): NetworkKind<Element> => byKind[kind];

const optional = (value: number | undefined, write: (value: number) => string): string[] =>
  value === undefined ? [] : [write(value)];

const count = (value: number | undefined, letter: string): string => (value === undefined ? '' : `${value}${letter}`);
