/** Extent of a plan. */
export type Depth = 'least' | 'parts' | 'checks';

/** Measurements in their order. */
export interface Plan {
  readonly format: 'usual-drag/plan';
  readonly version: 1;
  /** Number of times that the circuit is opened. */
  readonly breaks: number;
  /** Number of times that an instrument needs another jack than at its last use. */
  readonly jackChanges: number;
  readonly steps: readonly PlanStep[];
}

interface Step {
  readonly id: string;
  /** Hints for this step. */
  readonly notes?: readonly string[];
}

/** Sets a source and its limit, and switches it on. */
export interface SupplyStep extends Step {
  readonly do: 'supply';
  readonly element: string;
  /** V, or A of a current source. */
  readonly set: number;
  /** A; null if there is none to set. */
  readonly currentLimit: number | null;
  /** Which output of a bench supply it is. */
  readonly channel?: string;
  readonly cautions?: readonly string[];
}

/** Opens the circuit at a node: the ends are lifted off it. */
interface BreakStep extends Step {
  readonly do: 'break';
  readonly node: string;
  readonly ends: readonly string[];
  readonly cautions?: readonly string[];
}

/** Joins the ends to their node again. */
interface RestoreStep extends Step {
  readonly do: 'restore';
  readonly node: string;
  readonly ends: readonly string[];
}

interface OffStep extends Step {
  readonly do: 'off';
}

interface AnyReadStep extends Step {
  readonly do: 'read';
  readonly instrument: string;
  readonly range: string;
  /** The range to begin on, by convention. */
  readonly startRange: string;
  readonly jack: string;
  /** Indication of this meter alone in the circuit as it then is, V, A or Ω. */
  readonly expected: number;
  /** Limits of `expected` over the parts' tolerances. */
  readonly low: number;
  readonly high: number;
  /** `expected` as the instrument shows it. */
  readonly display: string;
  readonly unit: string;
  /** Rate of the instrument to read at, if the last digits depend on it. */
  readonly rate?: string;
  readonly cautions: readonly string[];
}

/** A step that reads a voltage. */
export interface VoltageStep extends AnyReadStep {
  readonly quantity: 'dc-voltage';
  readonly red: string;
  readonly black: string;
  /** Id of the source that is read unloaded, everything else lifted off one of its nodes. */
  readonly unloaded?: string;
}

/** A step that reads a current. */
export interface CurrentStep extends AnyReadStep {
  readonly quantity: 'dc-current';
  readonly node: string;
  readonly ends: readonly string[];
  readonly reversed?: boolean;
}

/** A step that reads a resistance out of circuit. */
export interface ResistanceStep extends AnyReadStep {
  readonly quantity: 'resistance';
  readonly element: string;
}

/** A step that takes a reading. */
export type ReadStep = VoltageStep | CurrentStep | ResistanceStep;
/** A step of a plan. */
export type PlanStep = SupplyStep | BreakStep | ReadStep | RestoreStep | OffStep;

/** A step before it has its number. */
export type Unnumbered<S extends PlanStep = PlanStep> = S extends PlanStep ? Omit<S, 'id'> : never;
