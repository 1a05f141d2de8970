import type { KeptCopy } from '@usual-drag/contract';
import { Button } from '../ui/button.tsx';
import { FiguresTable } from '../ui/figures-table.tsx';
import { megabytes, whenOnRecord } from '../ui/words.ts';

interface Props {
  readonly copies: readonly KeptCopy[];
  readonly isDisabled: boolean;
  /** Called with a copy's name, and with what it is called on screen. */
  readonly onRestore: (name: string, words: string) => void;
}

const reasons: Readonly<Record<KeptCopy['reason'], string>> = {
  start: 'at the start of the server',
  migration: 'before a change of the format',
  'before-restore': 'before a restoration',
};

/** Table of the automatic copies. */
export function CopiesTable({ copies, isDisabled, onRestore }: Props) {
  if (copies.length === 0) return <p className="text-soft">No copies yet. One is made at each start of the server.</p>;
  return (
    <FiguresTable
      label="Copies"
      head={['Copy', 'Made', 'Size', 'Action']}
      rows={copies.map(({ name, at, reason, bytes }) => ({
        key: name,
        cells: [
          whenOnRecord(at),
          reasons[reason],
          megabytes(bytes),
          <Button
            key="restore"
            tone="quiet"
            disabled={isDisabled}
            aria-label={`Restore the copy of ${whenOnRecord(at)}`}
            onClick={() => onRestore(name, `The copy of ${whenOnRecord(at)}`)}
          >
            Restore …
          </Button>,
        ],
      }))}
    />
  );
}
