/** A voltmeter's leads on two nodes. */
export interface VoltmeterPlacement {
  readonly id: string;
  readonly instrument: string;
  readonly quantity: 'dc-voltage';
  readonly range: string;
  readonly red: string;
  readonly black: string;
}

/**
 * An ammeter that breaks the circuit at a node: the ends are lifted off it and joined to the black lead, the red lead
 * stays on the node. `reversed` swaps the two leads.
 */
export interface AmmeterPlacement {
  readonly id: string;
  readonly instrument: string;
  readonly quantity: 'dc-current';
  readonly range: string;
  readonly node: string;
  readonly ends: readonly string[];
  readonly reversed?: boolean;
}

/** A meter in a set-up. */
export type Meter = VoltmeterPlacement | AmmeterPlacement;

/** The meters that are connected at the same time. */
export interface Setup {
  readonly id: string;
  readonly meters: readonly Meter[];
}
