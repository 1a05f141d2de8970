import { changeRanges, rangesOf, type MeterQuantity } from '../../instrument/index.ts';
import {
  elementLimits,
  leastExponent,
  type Element,
  type ElementKind,
  type Limit,
  type QuantityKey,
} from '../../network/index.ts';
import type { Bench } from '../../faults/index.ts';
import { setupOf } from '../../readings/index.ts';
import type { DiagnosedJob } from '../diagnosed-job.ts';

/** A name that is free to be fitted. */
export interface FreeName {
  readonly name: string;
  /** Its value in the job; a fit begins with it. */
  readonly start: number;
  /** Least and greatest value that a fit may try. */
  readonly bounds: Bounds;
  put(bench: Bench, value: number): Bench;
}

type Bounds = readonly [least: number, most: number];

/** Smallest value that a fit gives a quantity above zero, in its SI unit: with none the circuit could not be solved. */
const smallest = 1e-9;

/** Distance that a fitted exponent keeps from its open limit. */
const fromLimit = 1e-4;

/** Bounds of a fit, by the limit of the quantity in a file. */
const boundsOf: Readonly<Record<Limit, Bounds>> = {
  any: [-Infinity, Infinity],
  'not-negative': [0, Infinity],
  positive: [smallest, Infinity],
  exponent: [leastExponent + fromLimit, 1],
  count: [1, Infinity],
};

/** Quantities of each kind of element that can be free, with the value of one that is omitted. */
const freeQuantities: Readonly<Record<ElementKind, Readonly<Partial<Record<QuantityKey, number>>>>> = {
  source: { emf: 0, internalResistance: 0 },
  resistor: { resistance: 0 },
  load: { ratedCurrent: 0, exponent: 1 },
  'current-source': {},
  switch: {},
  link: {},
};

/** Names for an error: one of each kind. */
export const exampleNames =
  'E1.emf, E1.internalResistance, R1.resistance, L1.ratedCurrent, L1.exponent, meter:INSTRUMENT:dc-current and leads';

/**
 * Reads a name: `E1.emf`, `E1.internalResistance`, `R1.resistance`, `L1.ratedCurrent`, `L1.exponent`,
 * `meter:ID:dc-current`, `meter:ID:dc-current:RANGE` or `leads`.
 *
 * @returns null if the job has nothing of that name
 */
export const freeName = (name: string, job: DiagnosedJob): FreeName | null =>
  name === 'leads' ? leads : (meterName(name, job) ?? elementName(name, job));

/** One resistance in series with every ammeter, Ω. */
const leads: FreeName = {
  name: 'leads',
  start: 0,
  bounds: boundsOf['not-negative'],
  put: (bench, ohms) =>
    withMeters(
      bench,
      (_, of) => of === 'dc-current',
      (own) => own + ohms,
    ),
};

/** The resistance of all ranges of an instrument for a quantity, or of one of them, Ω. */
function meterName(name: string, { instruments = [], readings = [] }: DiagnosedJob): FreeName | null {
  const match = /^meter:(.+):(dc-current|dc-voltage)(?::(.+))?$/.exec(name);
  if (!match) return null;
  const [, id, quantity, range] = match as unknown as [string, string, MeterQuantity, string | undefined];
  const instrument = instruments.find((one) => one.id === id);
  const ranges = (instrument ? rangesOf(instrument, quantity) : []).filter(
    (one) => range === undefined || one.id === range,
  );
  if (ranges.length === 0) return null;
  const used = readings.flatMap((one) => (one.quantity === 'resistance' ? [] : setupOf(one).meters));
  const inUse = used.find(
    (one) => one.instrument === id && one.quantity === quantity && (range === undefined || one.range === range),
  );
  const start = ranges.find((one) => one.id === inUse?.range)?.resistance ?? ranges[0]!.resistance;
  const isMine = (instrument: string, of: string, at: string): boolean =>
    instrument === id && of === quantity && (range === undefined || at === range);
  return { name, start, bounds: boundsOf['not-negative'], put: (bench, ohms) => withMeters(bench, isMine, () => ohms) };
}

function elementName(name: string, { network }: DiagnosedJob): FreeName | null {
  const [id, key = ''] = name.split('.');
  const element = network.elements.find((one) => one.id === id);
  const quantities = element && freeQuantities[element.kind];
  if (!quantities || !isKeyOf(quantities, key)) return null;
  return {
    name,
    start: (element as Partial<Record<QuantityKey, number>>)[key] ?? quantities[key]!,
    bounds: boundsOf[elementLimits[key]],
    put: (bench, value) => ({
      ...bench,
      network: {
        ...bench.network,
        elements: bench.network.elements.map((one) => (one.id === id ? withQuantity(one, key, value) : one)),
      },
    }),
  };
}

const isKeyOf = (quantities: object, key: string): key is QuantityKey => Object.hasOwn(quantities, key);

/** An element with another value; a resistance is then no longer the measured one. */
function withQuantity(element: Element, key: QuantityKey, value: number): Element {
  const { measuredResistance: _former, ...rest } = element as Element & { readonly measuredResistance?: number };
  return { ...rest, [key]: value };
}

/** The bench with the resistance of some ranges changed, Ω. */
function withMeters(
  bench: Bench,
  isMine: (instrument: string, quantity: string, range: string) => boolean,
  change: (own: number) => number,
): Bench {
  const instruments = bench.instruments.map((instrument) =>
    changeRanges(instrument, (range, quantity) =>
      isMine(instrument.id, quantity, range.id)
        ? { ...range, resistance: Math.max(0, change(range.resistance)) }
        : range,
    ),
  );
  return { ...bench, instruments };
}
