import { meterProjectOf, type Design, type MeterProject } from '@usual-drag/core';
import { create } from 'zustand';
import { useShelfOf } from '../api/shelf.ts';
import { meterProjectShelf } from '../api/meter-projects.ts';

interface History {
  readonly past: Readonly<Record<string, readonly MeterProject[]>>;
  readonly future: Readonly<Record<string, readonly MeterProject[]>>;
}

/** What every meter project was before its edits, while the page is open. */
const useHistory = create<History>()(() => ({ past: {}, future: {} }));

/** An id that no other window gives: meter projects may be begun in several at once. */
const newId = (): string => `piece-${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`;

/** The meter projects on the board, and what can be done to the one that is open. */
export function useBoard(openId: string | undefined) {
  const { list, error, words, save, add } = useShelfOf(meterProjectShelf);
  const { past, future } = useHistory();
  const pieces = list?.map(({ document }) => document) ?? null;
  const piece = pieces?.find(({ id }) => id === openId) ?? pieces?.find(({ retired }) => !retired) ?? null;
  const step = (from: 'past' | 'future', to: 'past' | 'future') => {
    const last = piece && useHistory.getState()[from][piece.id]?.at(-1);
    if (!piece || !last) return undefined;
    return (): void => {
      useHistory.setState((now) => ({
        ...now,
        [from]: { ...now[from], [piece.id]: now[from][piece.id]!.slice(0, -1) },
        [to]: { ...now[to], [piece.id]: [...(now[to][piece.id] ?? []), piece] },
      }));
      save(last);
    };
  };
  return {
    pieces,
    piece,
    error,
    words,
    save,
    change: (next: MeterProject): void => {
      if (piece)
        useHistory.setState({
          past: { ...past, [piece.id]: [...(past[piece.id] ?? []), piece] },
          future: { ...future, [piece.id]: [] },
        });
      save(next);
    },
    /** Nothing where there is nothing to take back, or to do again. */
    undo: step('past', 'future'),
    redo: step('future', 'past'),
    /** Puts a design on the board and says under which id. */
    begin: (design: Design): string => {
      const made = meterProjectOf(newId(), design);
      add(made);
      return made.id;
    },
  };
}

/** What a new meter begins as. */
export const newDesign: Design = {
  format: 'usual-drag/design',
  version: 1,
  title: 'New meter',
  target: 'voltmeter',
  movement: { fullScaleCurrent: 1e-4, resistance: 1000 },
  scheme: 'string',
  ranges: [10],
};
