import { usualParts, type Design } from '@usual-drag/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A design on the workshop's board, with what its movement is like beyond the figures. */
export interface BoardDesign {
  readonly design: Design;
  /** Fraction of full scale. */
  readonly movementClass: number;
  readonly divisions: number;
}

interface Board {
  readonly designs: readonly BoardDesign[];
  readonly chosen: number;
  choose(index: number): void;
  change(next: BoardDesign): void;
  add(next: BoardDesign): void;
  remove(): void;
}

const base = { format: 'usual-drag/design', version: 1, parts: usualParts } as const;

/** The two designs that a new board begins with: old panel meters of the lift station that are given new ranges. */
const samples: readonly BoardDesign[] = [
  {
    design: {
      ...base,
      title: 'Feed-current panel meter',
      target: 'ammeter',
      movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
      scheme: 'universal',
      ranges: [0.025, 0.25, 2.5],
    },
    movementClass: 0.015,
    divisions: 50,
  },
  {
    design: {
      ...base,
      title: 'Level-loop test voltmeter',
      target: 'voltmeter',
      movement: { fullScaleCurrent: 5e-5, resistance: 2000 },
      scheme: 'string',
      ranges: [2.5, 10, 50],
    },
    movementClass: 0.015,
    divisions: 50,
  },
];

/** The designs under way, kept in this browser. */
export const useBoard = create<Board>()(
  persist(
    (set) => ({
      designs: samples,
      chosen: 0,
      choose: (chosen) => set({ chosen }),
      change: (next) =>
        set(({ designs, chosen }) => ({ designs: designs.map((other, k) => (k === chosen ? next : other)) })),
      add: (next) => set(({ designs }) => ({ designs: [...designs, next], chosen: designs.length })),
      remove: () =>
        set(({ designs, chosen }) => {
          const left = designs.filter((_, k) => k !== chosen);
          return { designs: left.length > 0 ? left : samples, chosen: Math.max(0, chosen - 1) };
        }),
    }),
    { name: 'usual-drag-designs' },
  ),
);
