import type { AmmeterPlacement, Meter, VoltmeterPlacement } from '../loading/index.ts';

/** A number as the display stood. */
export interface Observation {
  /** Digits with an optional sign and point, or `OL`. */
  readonly shown: string;
  /** A prefix (none, n, µ or u, m, k, M, G) with V, A or Ω. */
  readonly unit: string;
  /** When, as `2026-11-24T09:14:05Z`. */
  readonly at?: string;
}

interface Taken {
  /** Unique among the readings of a job. */
  readonly id: string;
  readonly instrument: string;
  readonly range: string;
  readonly observations: readonly Observation[];
  /** The other meters connected at the same time. */
  readonly alongside?: readonly Meter[];
  /** Analogue: the range whose scale the number was read from, where it is another than `range`. */
  readonly scale?: string;
  /** One of the instrument's rates. */
  readonly rate?: string;
  readonly by?: string;
  readonly note?: string;
  /** Origin of the number; typed if omitted. */
  readonly source?: 'typed' | 'instrument';
  /** Struck out, never erased. */
  readonly struck?: { readonly at?: string; readonly why: string };
}

/** A voltage that was read. */
export interface VoltageReading extends Taken, Pick<VoltmeterPlacement, 'quantity' | 'red' | 'black'> {
  /** Id of a source whose voltage this is, with everything else lifted off one of its nodes; `red` and `black` are its own. */
  readonly unloaded?: string;
}
/** A current that was read. */
export type CurrentReading = Taken & Pick<AmmeterPlacement, 'quantity' | 'node' | 'ends' | 'reversed'>;

/** A resistor measured out of circuit. */
export interface ResistanceReading extends Taken {
  readonly quantity: 'resistance';
  readonly element: string;
}

/** A reading with its meter connected in the circuit. */
export type CircuitReading = VoltageReading | CurrentReading;

/** A reading. It keeps its own placement: later edits of set-ups do not change it. */
export type Reading = CircuitReading | ResistanceReading;

/** Conventions of taking and comparing a job's readings. The first value of each applies if none is given. */
export interface Conventions {
  /** `magnitude`: readings and expectations are compared without their signs. */
  readonly sign?: 'keep' | 'magnitude';
  /** Which value several observations make. */
  readonly observations?: 'mean' | 'largest' | 'last';
  /** Direction that the screens count currents in; no figure depends on it. */
  readonly current?: 'conventional' | 'electron-flow';
  /** The range that a step starts on. */
  readonly firstRange?: 'highest' | 'expected';
  /** Current limit of a supply that the plan proposes. */
  readonly currentLimit?: 'just-above' | 'full';
  /** Which figure counts as what the supply gives. */
  readonly supply?: 'meter' | 'posts' | 'clips' | 'rated';
  /** Order in which the checks of a step are listed. */
  readonly checks?: 'function-leads-range-placement' | 'leads-function-range-placement';
}
