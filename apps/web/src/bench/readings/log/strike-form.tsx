import { useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { strikeOut } from './strike-out.ts';

interface Props {
  /** Id of the reading. */
  readonly id: string;
  /** Called once it is struck out, or the form is left. */
  readonly onClose: () => void;
}

/** Strikes a reading out, with the reason. */
export function StrikeForm({ id, onClose }: Props) {
  const [why, setWhy] = useState('');
  return (
    <form
      className="flex grow gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (why.trim() === '') return;
        strikeOut(id, why.trim());
        onClose();
      }}
    >
      <input
        autoFocus
        data-typing="true"
        aria-label={`Why ${id} is struck out`}
        placeholder={`why ${id} is struck out, for example: lead was on C`}
        className="min-h-9 min-w-0 grow rounded-lg border border-line bg-sheet px-2 pointer-coarse:min-h-11"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && onClose()}
      />
      <Button type="submit" disabled={why.trim() === ''}>
        Strike out
      </Button>
      <Button onClick={onClose}>Cancel</Button>
    </form>
  );
}
