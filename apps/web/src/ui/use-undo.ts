import { useMemo } from 'react';
import { undoCommands, useCommands } from './commands.ts';
import { useNewest } from './use-newest.ts';

/** Offers undo and redo on a page; neither does anything while it is not given. */
export function useUndo(source: string, undo: (() => void) | undefined, redo: (() => void) | undefined): void {
  const [newestUndo, newestRedo] = [useNewest(() => undo?.()), useNewest(() => redo?.())];
  useCommands(
    source,
    useMemo(() => undoCommands(newestUndo, newestRedo), [newestUndo, newestRedo]),
  );
}
