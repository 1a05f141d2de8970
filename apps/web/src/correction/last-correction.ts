import type { MeterQuantity } from '@usual-drag/core/instrument';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The last correction: its instrument and its values. */
interface LastCorrection {
  readonly quantity: MeterQuantity;
  readonly instrument: string;
  readonly range: string;
  /** V or A; null if nothing is typed. */
  readonly read: number | null;
  /** Ω; null if nothing is typed. */
  readonly source: number | null;
  /** Ratio to which the source resistance is known. */
  readonly spread: number;
}

/** The last correction, stored in this browser. The page opens with it. */
export const useLastCorrection = create<LastCorrection>()(
  persist(
    (): LastCorrection => ({
      quantity: 'dc-voltage',
      instrument: '',
      range: '',
      read: null,
      source: null,
      spread: 0.05,
    }),
    { name: 'usual-drag-correction' },
  ),
);
