import { curveOf, lawOf, type CurveQuantities } from './load-laws/index.ts';

interface TwoTerminal {
  /** Unique in the network, `[A-Za-z0-9_-]{1,32}`. */
  readonly id: string;
  /** Node of the first end; a source's + terminal. */
  readonly from: string;
  readonly to: string;
  readonly label?: string;
}

/** A voltage source: n cells in series and m such strings in parallel give n·emf behind n·r/m. */
export interface Source extends TwoTerminal {
  readonly kind: 'source';
  /** V of one cell, either sign. */
  readonly emf: number;
  /** Ω of one cell; an ideal source if omitted or 0. */
  readonly internalResistance?: number;
  readonly cellsInSeries?: number;
  readonly cellsInParallel?: number;
  /** A at which a bench supply stops holding its voltage. */
  readonly currentLimit?: number;
  /** V, never to be set higher. */
  readonly ceiling?: number;
  /** Which output of a bench supply it is. */
  readonly channel?: string;
}

/** A resistor, as marked and as measured. */
export interface Resistor extends TwoTerminal {
  readonly kind: 'resistor';
  /** Ω as marked. */
  readonly resistance: number;
  /** Fraction: 0.01 is 1 %. */
  readonly tolerance?: number;
  /** W. */
  readonly powerRating?: number;
  /** Ω as measured out of circuit. */
  readonly measuredResistance?: number;
  /** Label on the body, if its role in the drawing is another. */
  readonly bodyLabel?: string;
}

/** Drives `current` out of `from`, through the network, back into `to`. */
export interface CurrentSource extends TwoTerminal {
  readonly kind: 'current-source';
  /** A, either sign. */
  readonly current: number;
  /** V up to which it can hold its current. */
  readonly compliance?: number;
  /** A, never to be set higher. */
  readonly ceiling?: number;
  /** Which output of a bench supply it is. */
  readonly channel?: string;
}

/** A lamp, sounder or relay coil; it counts as ratedVoltage/ratedCurrent ohms unless it has the quantities of a law. */
export interface Load extends TwoTerminal, CurveQuantities {
  readonly kind: 'load';
  readonly ratedVoltage: number;
  readonly ratedCurrent: number;
  /** It carries nothing the wrong way round, V(from) < V(to). */
  readonly polarised?: boolean;
}

/** A switch: ideal if closed, no current if open. */
export interface Switch extends TwoTerminal {
  readonly kind: 'switch';
  readonly closed: boolean;
  /** It has to be held while reading. */
  readonly momentary?: boolean;
}

/** A wire without resistance. */
export interface Link extends TwoTerminal {
  readonly kind: 'link';
}

/** A part of a network. */
export type Element = Source | Resistor | CurrentSource | Load | Switch | Link;
/** Kind of a part. */
export type ElementKind = Element['kind'];

/** The element of a kind. */
export type ElementOf<Kind extends ElementKind> = Extract<Element, { readonly kind: Kind }>;

/** Returns whether a load is a resistance both ways. */
export function isOhmic(load: Load): boolean {
  const curve = curveOf(load);
  return !load.polarised && lawOf(curve).isOhmic(curve.values);
}

/** Returns whether an element drives the network. */
export const isSource = <E extends { readonly kind: ElementKind }>(
  element: E,
): element is E & { readonly kind: 'source' | 'current-source' } =>
  element.kind === 'source' || element.kind === 'current-source';

/** A source that drives nothing: a voltage source is its internal resistance, a current source is open. Other parts as they are. */
export function atRest(element: Element): Element {
  if (element.kind === 'source') return { ...element, emf: 0 };
  return element.kind === 'current-source' ? { ...element, current: 0 } : element;
}

/** An element's current in the direction from → to: a source's is counted out of `from`, through the network, into `to`. */
export const currentFromTo = <T extends number | null>(element: { readonly kind: ElementKind }, current: T): T =>
  (current !== null && isSource(element) ? 0 - current : current) as T;

/** Splits `R3.from`; null if it is not an end's name. */
export function parseEnd(end: string): { readonly element: string; readonly end: 'from' | 'to' } | null {
  const match = /^(.+)\.(from|to)$/.exec(end);
  return match ? { element: match[1]!, end: match[2] as 'from' | 'to' } : null;
}
