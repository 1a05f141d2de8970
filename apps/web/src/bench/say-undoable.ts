import { offer } from '../ui/offer.ts';
import { undo, useBench } from './bench-store.ts';

/** Says what the last edit did, with a button that undoes it: for a while, and no longer than it is the last edit. */
export function sayUndoable(message: string, label = 'Undo'): void {
  const { document } = useBench.getState();
  const close = offer(message, label, undo);
  const stop = useBench.subscribe((now) => {
    if (now.document === document) return;
    stop();
    close();
  });
}
