import { useQuery } from '@tanstack/react-query';
import { largestBackup, type AboutAnswer, type CheckedBackup } from '@usual-drag/contract';
import { Download, FileUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ServerWarnings } from '../about/server-warnings.tsx';
import { backupAddress, checkBackup, checkCopy, copiesQuery, restoreBackup } from '../api/backup.ts';
import { queries } from '../api/queries.ts';
import { HelpLink } from '../help/help-link.tsx';
import { Button } from '../ui/button.tsx';
import { useCommands, type Command } from '../ui/commands.ts';
import { FileInput } from '../ui/file-input.tsx';
import { Note } from '../ui/note.tsx';
import { toast } from '../ui/toast.ts';
import { whenOnRecord } from '../ui/words.ts';
import { CheckedBackupCard } from './checked-backup-card.tsx';
import { CopiesTable } from './copies-table.tsx';
import { Section } from './section.tsx';

const downloadBackup = (): void =>
  Object.assign(document.createElement('a'), { href: backupAddress, download: '' }).click();

/** State of a restoration: the chosen backup is checked, then confirmed. */
type State =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'working'; readonly doing: string }
  | { readonly kind: 'checked'; readonly name: string; readonly backup: CheckedBackup }
  | { readonly kind: 'refused'; readonly message: string };

/** Backs up the database file, and restores a backup or a copy. */
export function FileBackup({ about }: { readonly about: AboutAnswer }) {
  const { data: copies } = useQuery(copiesQuery);
  const [state, setState] = useState<State>({ kind: 'nothing' });
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const commands = useMemo(
    (): Command[] => [
      { group: 'Actions', text: 'Back up everything', run: downloadBackup },
      { group: 'Actions', text: 'Restore a backup', run: () => file.current?.click() },
    ],
    [],
  );
  useCommands('backup', commands);

  const attempt = async (doing: string, work: () => Promise<void>): Promise<void> => {
    setState({ kind: 'working', doing });
    try {
      await work();
    } catch (fault) {
      setState({ kind: 'refused', message: (fault as Error).message });
    }
  };
  const check = (name: string, ask: () => Promise<CheckedBackup>): void =>
    void attempt(`Checking ${name} …`, async () => setState({ kind: 'checked', name, backup: await ask() }));
  const take = (chosen: File): void =>
    chosen.size > largestBackup
      ? setState({
          kind: 'refused',
          message: `${chosen.name} is larger than 1 GB. Stop the server and restore it with: ${about.commands.restore}`,
        })
      : check(chosen.name, () => checkBackup(chosen));
  const restore = (name: string, { id }: CheckedBackup): void =>
    void attempt(`Restoring ${name} …`, async () => {
      await restoreBackup(id);
      await queries.invalidateQueries();
      await navigate('/');
      toast(`${name} was restored. The former data is the newest copy on the Backup page.`, { duration: 15_000 });
    });

  return (
    <>
      <Section title="Back up">
        <p>One file with everything: jobs, kit, workshop, practice, signatures and history.</p>
        <Button className="self-start" onClick={downloadBackup}>
          <Download aria-hidden size={16} /> Back up everything
        </Button>
      </Section>
      <Section title="Restore">
        <p>
          Restoring a backup replaces all present data. The backup is checked first, and a copy of the present data is
          made.
        </p>
        <FileInput ref={file} label="Backup to restore" accept=".backup,.sqlite" onTake={take} />
        <Button className="self-start" disabled={state.kind === 'working'} onClick={() => file.current?.click()}>
          <FileUp aria-hidden size={16} /> Choose a backup …
        </Button>
        <p role="status" className="empty:hidden">
          {state.kind === 'working' && state.doing}
        </p>
        {state.kind === 'refused' && (
          <div role="alert">
            <Note kind="limit">
              {state.message} <HelpLink to="running#a-backup-is-refused" about="a backup that is refused" />
            </Note>
          </div>
        )}
        {state.kind === 'checked' && (
          <CheckedBackupCard
            name={state.name}
            backup={state.backup}
            onRestore={() => restore(state.name, state.backup)}
            onCancel={() => setState({ kind: 'nothing' })}
          />
        )}
        {/* Drawn together, so that neither moves the controls of the other. */}
        {copies && (
          <>
            <OnSchedule about={about} />
            <CopiesTable
              copies={copies}
              isDisabled={state.kind === 'working'}
              onRestore={(name, words) => check(words, () => checkCopy(name))}
            />
          </>
        )}
      </Section>
    </>
  );
}

/** State of the copies on schedule in a second folder. */
function OnSchedule({ about: { scheduledCopies, warnings } }: { readonly about: AboutAnswer }) {
  if (!scheduledCopies)
    return (
      <p className="text-[15px] text-soft">
        The server makes a copy at each start, on the same disk. It can also copy into a second folder on schedule.{' '}
        <HelpLink to="running#copies-on-schedule" about="copies on schedule" />
      </p>
    );
  const { everyHours, folder, lastAt, isOverdue } = scheduledCopies;
  if (isOverdue) return <ServerWarnings warnings={warnings.filter(({ about }) => about === 'copies')} />;
  return (
    <p className="text-[15px] text-soft">
      Copies are made every {everyHours} h in <span className="break-all">{folder}</span>.{' '}
      {lastAt === null ? 'None has been made yet.' : `The last one was made on ${whenOnRecord(lastAt)}.`}
    </p>
  );
}
