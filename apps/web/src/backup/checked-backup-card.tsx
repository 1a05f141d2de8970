import type { CheckedBackup, StoredContents } from '@usual-drag/contract';
import { Button } from '../ui/button.tsx';
import { FiguresTable } from '../ui/figures-table.tsx';
import { whenOnRecord } from '../ui/words.ts';

interface Props {
  readonly name: string;
  readonly backup: CheckedBackup;
  readonly onRestore: () => void;
  readonly onCancel: () => void;
}

/** The lines of the comparison, each with its words. */
const lines: Readonly<Record<keyof StoredContents, string>> = {
  jobs: 'Jobs',
  instruments: 'Instruments',
  meterProjects: 'Workshop projects',
  signatures: 'Signed reports',
  attempts: 'Practised problems',
  changedAt: 'Last change',
};

/** Contents of a sound backup beside those that it would replace, and the question. */
export function CheckedBackupCard({ name, backup: { contents, present }, onRestore, onCancel }: Props) {
  const shown = (of: StoredContents, key: keyof StoredContents): string | number =>
    key === 'changedAt' ? (of.changedAt === null ? 'none' : whenOnRecord(of.changedAt)) : of[key];
  return (
    <div role="group" aria-label="The checked backup" className="flex flex-col gap-3 rounded-xl border border-line p-4">
      <p>
        <b>{name}</b> is sound. Restoring it replaces all present data, on every device.
      </p>
      <FiguresTable
        label="Backup and present data"
        head={['Contents', 'Backup', 'Present']}
        rows={(Object.keys(lines) as (keyof StoredContents)[]).map((key) => ({
          key,
          cells: [lines[key], shown(contents, key), shown(present, key)],
        }))}
      />
      <div className="flex flex-wrap gap-2">
        <Button tone="strong" onClick={onRestore}>
          Restore this backup
        </Button>
        <Button tone="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </div>
  );
}
