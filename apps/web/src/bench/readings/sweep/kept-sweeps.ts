import { isBlankSweep, withKeptSweep, type KeptSweep } from '@usual-drag/core/job';
import { benchNow } from '../../model/bench-store.ts';
import { toast } from '../../../ui/toast.ts';
import { sayUndoable } from '../../model/say-undoable.ts';

/** Key under which browsers stored sweeps before the job format had a key for them. */
const storageKey = 'usual-drag-sweeps';

/** Moves the sweep that this browser stored for the job on the bench into the job, and deletes it from the browser. A sweep that does not fit the job stays. */
export function moveKeptSweep(jobId: string): void {
  const text = localStorage.getItem(storageKey);
  if (text === null || benchNow().jobId !== jobId) return;
  const stored = parsed(text);
  const { [jobId]: kept, ...others } = stored.state?.jobs ?? {};
  if (!kept) return;
  const { document, edit } = benchNow();
  if (withKeptSweep(document, kept)) {
    edit((job) => withKeptSweep(job, kept) ?? job);
    sayUndoable('The sweep that was stored in this browser is now part of the job.');
  } else if (!isBlankSweep(kept)) {
    toast(
      'The sweep that is stored in this browser has a part or a meter that the job no longer has. Add it to move the sweep.',
    );
    return;
  }
  localStorage.setItem(storageKey, JSON.stringify({ ...stored, state: { jobs: others } }));
}

interface Stored {
  readonly state?: { readonly jobs?: Readonly<Record<string, KeptSweep>> };
}

function parsed(text: string): Stored {
  try {
    return JSON.parse(text) as Stored;
  } catch {
    return {};
  }
}
