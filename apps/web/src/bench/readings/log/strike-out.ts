import { strikeReading } from '@usual-drag/core/job';
import { benchNow } from '../../model/bench-store.ts';
import { useReadingEntry } from '../../model/reading-entry.ts';
import { sayUndoable } from '../../model/say-undoable.ts';

/** Strikes a reading out, with the reason, and offers to undo it. */
export function strikeOut(id: string, why: string): void {
  benchNow().edit((job) => strikeReading(job, id, why, new Date().toISOString()));
  useReadingEntry.setState({ again: null });
  sayUndoable(`${id} is struck out. It stays in the log.`);
}
