import { useDocuments } from '../../documents/documents.ts';
import { offer } from '../../ui/offer.ts';
import { benchNow, undo } from './bench-store.ts';

/** Says what the last edit did, with a button that undoes it: for a while, and no longer than it is the last edit. */
export function sayUndoable(message: string, label = 'Undo'): void {
  const { document } = benchNow();
  const close = offer(message, label, undo);
  const stop = useDocuments.subscribe(() => {
    if (benchNow().document === document) return;
    stop();
    close();
  });
}
