import { create } from 'zustand';

interface Selection {
  /** Names of the selected parts; commands act on the last one. */
  readonly parts: readonly string[];
  /** The node whose rail is selected. */
  readonly rail: string | null;
  /** Node that is pointed at, by any of its letters. */
  readonly hovered: string | null;
  selectPart(id: string, add?: boolean): void;
  selectParts(ids: readonly string[]): void;
  selectRail(node: string): void;
  clear(): void;
  hover(node: string | null): void;
}

/** Selection on the bench, the same in the drawing and in the tables. It is not part of the job and is not undone. */
export const useSelection = create<Selection>()((set) => ({
  parts: [],
  rail: null,
  hovered: null,
  selectPart: (id, add = false) =>
    set((now) => {
      const { parts, rail } = now;
      if (!add) return parts.length === 1 && parts[0] === id && rail === null ? now : { parts: [id], rail: null };
      return { parts: parts.includes(id) ? parts.filter((other) => other !== id) : [...parts, id], rail: null };
    }),
  selectParts: (parts) => set({ parts, rail: null }),
  selectRail: (rail) => set({ rail, parts: [] }),
  clear: () => set({ parts: [], rail: null }),
  hover: (hovered) => set({ hovered }),
}));

/** The part that commands act on: the last one selected. */
export const usePartInHand = (): string | null => useSelection((state) => state.parts.at(-1) ?? null);
