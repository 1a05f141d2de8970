import type { DrawnMeters, PartStyle } from '@usual-drag/core/drawing';
import type { Network } from '@usual-drag/core/network';
import type { NetworkValues } from '@usual-drag/core/solver';
import { useEffect } from 'react';
import { create } from 'zustand';

/** Contents of the drawing on the bench, for its export. */
interface Drawn {
  readonly network: Network;
  readonly truth: NetworkValues | null;
  /** Figures beside parts and rails. */
  readonly live?: Readonly<Record<string, string>>;
  readonly style: PartStyle;
  readonly meters: DrawnMeters | null;
}

/** The drawing that is on the screen; null if there is none. */
export const useDrawnNow = create<{ readonly drawn: Drawn | null }>()(() => ({ drawn: null }));

/** Keeps what is drawn for its export, as long as the drawing is on the screen. */
export function useRememberDrawn(
  network: Network,
  truth: NetworkValues | null,
  live: Drawn['live'],
  style: PartStyle,
  meters: DrawnMeters | null,
): void {
  useEffect(() => {
    useDrawnNow.setState({ drawn: { network, truth, style, meters, ...(live && { live }) } });
  }, [network, truth, live, style, meters]);
  useEffect(() => () => useDrawnNow.setState({ drawn: null }), []);
}
