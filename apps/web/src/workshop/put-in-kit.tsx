import { kitInstrumentOf, nextVersion } from '@usual-drag/core/workshop';
import { BadgeCheck, PackagePlus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { useDocumentList } from '../documents/use-document-list.ts';
import { Button } from '../ui/button.tsx';
import { offer } from '../ui/offer.ts';
import type { SheetProps } from './sheets/sheet-props.ts';

interface PutInKitProps extends SheetProps {
  /** The design is that of an earlier state of the project, and the present one is being computed. */
  readonly isFormer: boolean;
}

/** Makes the meter an instrument of the kit, or a new version of the one that it became before. Jobs keep what they used. */
export function PutInKit({ project, sides, isFormer, onEdit }: PutInKitProps) {
  const { list: kit, add, save } = useDocumentList('instruments');
  const navigate = useNavigate();
  const before = kit?.find(({ id }) => id === project.instrument?.id)?.document ?? null;
  const version = nextVersion(project, before);
  const put = (): void => {
    const taken = (kit ?? []).map(({ id }) => id);
    const made = kitInstrumentOf(project, sides, before, taken, new Date().toISOString().slice(0, 10));
    (before ? save : add)(made);
    onEdit((now) => ({ ...now, instrument: { id: made.id, version } }));
    offer(
      version === 1
        ? `${made.name} is in the kit, with its ranges, resistance and class.`
        : `${made.name} is in the kit as version ${version}. Jobs keep the one that they used.`,
      'Show',
      () => void navigate(`/kit/${encodeURIComponent(made.id)}`),
    );
  };
  return (
    <>
      {before && (
        <Link
          to={`/kit/${encodeURIComponent(before.id)}/certificates`}
          className="inline-flex min-h-9 items-center gap-1.5 rounded-lg border border-line bg-sheet px-3 hover:border-soft pointer-coarse:min-h-11"
        >
          <BadgeCheck aria-hidden size={16} /> Check against a standard
        </Link>
      )}
      <Button tone="strong" disabled={!kit || isFormer} onClick={put}>
        <PackagePlus aria-hidden size={17} />
        {before ? `Update in the kit (version ${version})` : 'Add to the kit'}
      </Button>
    </>
  );
}
