import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../ui/button.tsx';

/** Deletes what is archived, after saying plainly what that means. */
export function DeleteForGood({ name, onDelete }: { readonly name: string; readonly onDelete: () => void }) {
  const [asked, setAsked] = useState(false);
  if (!asked)
    return (
      <Button tone="quiet" aria-label={`Delete ${name} for good`} onClick={() => setAsked(true)}>
        <Trash2 aria-hidden size={18} /> Delete for good …
      </Button>
    );
  return (
    <span role="alert" className="flex basis-full flex-wrap items-center gap-2 pb-1">
      <span className="grow">
        “{name}” and its whole history will be deleted, with what was signed of it. Only a backup can restore it.
      </span>
      <Button onClick={onDelete}>Delete for good</Button>
      <Button tone="quiet" onClick={() => setAsked(false)}>
        Cancel
      </Button>
    </span>
  );
}
