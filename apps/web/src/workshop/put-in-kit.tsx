import { kitInstrumentOf, nextVersion } from '@usual-drag/core';
import { PackagePlus } from 'lucide-react';
import { useNavigate } from 'react-router';
import { kitShelf } from '../api/kit.ts';
import { useShelfOf } from '../api/shelf.ts';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import type { SheetProps } from './sheets/sheet-props.ts';

/** Makes the meter an instrument of the kit, or a new version of the one that it became before. Jobs keep what they used. */
export function PutInKit({ piece, sides, onEdit }: SheetProps) {
  const { list: shelf, add, save } = useShelfOf(kitShelf);
  const navigate = useNavigate();
  const before = shelf?.find(({ id }) => id === piece.instrument?.id)?.document ?? null;
  const version = nextVersion(piece, before);
  const put = (): void => {
    const taken = (shelf ?? []).map(({ id }) => id);
    const made = kitInstrumentOf(piece, sides, before, taken, new Date().toISOString().slice(0, 10));
    (before ? save : add)(made);
    onEdit((now) => ({ ...now, instrument: { id: made.id, version } }));
    offer(
      version === 1
        ? `${made.name} is in the kit, with its ranges, resistance and class.`
        : `${made.name} is in the kit as version ${version}. Jobs keep the one that they used.`,
      'Show it',
      () => void navigate(`/kit/${encodeURIComponent(made.id)}`),
    );
  };
  return (
    <Button tone="strong" disabled={!shelf} onClick={put}>
      <PackagePlus aria-hidden size={17} />
      {before ? `Renew it in the kit (version ${version})` : 'Put it in the kit'}
    </Button>
  );
}
