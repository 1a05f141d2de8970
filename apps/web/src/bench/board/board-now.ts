import { emptyBoard, type Board } from '@usual-drag/core/board';
import { create } from 'zustand';
import { benchNow, useBench } from '../model/bench-store.ts';

const empty = emptyBoard();

/** Returns the strip board of the job on the bench; an empty one if it has none yet. */
export const useBoard = (): Board => useBench((state) => state.document.board) ?? empty;

/** Changes the board; the change can be undone as every edit of the job. */
export function editBoard(change: (board: Board) => Board): void {
  benchNow().edit((job) => {
    const before = job.board ?? empty;
    const board = change(before);
    return board === before ? job : { ...job, board };
  });
}

/** Holes that are pointed at on the board. They are not part of the job. */
interface BoardHand {
  /** Hole at which a wire begins; null if none is begun. */
  readonly wireFrom: string | null;
  /** Holes of the difference that is pointed at. */
  readonly marked: readonly string[];
}

export const useBoardHand = create<BoardHand>()(() => ({ wireFrom: null, marked: [] }));
