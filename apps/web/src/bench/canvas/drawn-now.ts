import type { DrawnMeters, PartStyle } from '@usual-drag/core/drawing';
import type { Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { create } from 'zustand';

/** Contents of the drawing on the bench, for its export. */
export interface Drawn {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  /** Figures beside parts and rails. */
  readonly live?: Readonly<Record<string, string>>;
  readonly style: PartStyle;
  readonly meters: DrawnMeters | null;
}

/** The drawing that is on the screen; null if there is none. */
export const useDrawnNow = create<{ readonly drawn: Drawn | null }>()(() => ({ drawn: null }));
