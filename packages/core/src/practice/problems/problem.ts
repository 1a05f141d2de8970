import type { Hypothesis } from '../../faults/index.ts';
import type { Job } from '../../job/index.ts';
import type { Design } from '../../workshop/index.ts';

/** Kinds of problems, in the order of learning. */
export const problemKinds = [
  'equivalent',
  'voltages-currents',
  'power-charge',
  'voltmeter',
  'ammeter',
  'both-meters',
  'correct',
  'range',
  'read-needle',
  'set-meter',
  'shunt',
  'multiplier',
  'find-fault',
] as const;
/** Kind of a problem. */
export type ProblemKind = (typeof problemKinds)[number];

/** Levels of difficulty. */
export const levels = [1, 2, 3] as const;
/** Level of difficulty, 1 the easiest. */
export type Level = (typeof levels)[number];

/** Quantity that a question asks for. */
export type AskedFor =
  | { readonly what: 'equivalent'; readonly source: string }
  | { readonly what: 'voltage' | 'current' | 'power'; readonly element: string }
  | { readonly what: 'charge'; readonly element: string; readonly seconds: number }
  | AskedOfMeter
  | { readonly what: 'section'; readonly range: number }
  | { readonly what: 'fault' };

/** Meter of a set-up. */
interface AtMeter {
  readonly setup: string;
  readonly meter: string;
}

/** Quantity of a reading that a question asks for; `shown` is the reading to be corrected, V or A. */
export type AskedOfReading =
  | (AtMeter & { readonly what: 'indicated' | 'true' | 'error' | 'relative-error' | 'range' })
  | (AtMeter & { readonly what: 'corrected'; readonly shown: number });

/**
 * Question about the face of an instrument: the value, V or A, that its needle indicates; the jack of the red lead on the best
 * range; whether the fuse of an ammeter's range holds if it is put across a source by mistake.
 */
export type AskedOfFace =
  | (AtMeter & { readonly what: 'needle'; readonly shown: number })
  | (AtMeter & { readonly what: 'jack' })
  | (AtMeter & { readonly what: 'fuse'; readonly range: string; readonly source: string });

/** Question about a meter of a set-up. */
export type AskedOfMeter = AskedOfReading | AskedOfFace;

/** Quantity of a part of a circuit, or of the whole, that a question asks for. */
export type AskedOfPart = Exclude<AskedFor, AskedOfMeter | { readonly what: 'section' | 'fault' }>;

/** One question of a problem. */
export interface Ask {
  readonly id: string;
  readonly text: string;
  readonly of: AskedFor;
  /** V, A, Ω, W or C with a prefix, or %; left out if the answer has none. */
  readonly unit?: string;
}

/** A problem, the same again from the same kind, level and seed. */
export interface Problem {
  readonly format: 'usual-drag/problem';
  readonly version: 1;
  readonly kind: ProblemKind;
  readonly level: Level;
  readonly seed: number;
  readonly text: string;
  /** The circuit, its instruments and set-ups. */
  readonly job?: Job;
  /** Of a shunt or multiplier. */
  readonly design?: Design;
  readonly asks: readonly Ask[];
  readonly solution?: Readonly<Record<string, { readonly value: Answer }>>;
}

/** In SI, a range's id, a jack, `yes` or `no`, or a fault. */
export type Answer = number | string | Hypothesis;
