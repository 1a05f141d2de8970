import type { Report } from '@usual-drag/core/report';
import { useMemo, useRef, useState } from 'react';
import { queries } from '../../api/queries.ts';
import { signaturesQuery, signJob } from '../../api/signatures.ts';
import { documentState, useDocuments } from '../../documents/documents.ts';
import { Button } from '../../ui/button.tsx';
import { useCommands, type Command } from '../../ui/commands.ts';
import { Note } from '../../ui/note.tsx';
import { toast } from '../../ui/toast.ts';
import { whenOnRecord } from '../../ui/words.ts';
import { tick } from '../model/reading-entry.ts';

interface Props {
  readonly jobId: string;
  readonly report: Report;
}

/** The bench is restored, then the record is signed: it freezes as it is. */
export function SignReport({ jobId, report }: Props) {
  const { state, signature, restoring } = report;
  if (state === 'signed')
    return (
      <p className="rounded-xl border border-line bg-sheet p-3">
        <b>Signed by {signature!.by}</b>, {whenOnRecord(signature!.at)}. The record cannot be changed: an edit of the
        job starts a new draft.
      </p>
    );
  return (
    <>
      <section aria-label="Restoring">
        <h2 className="mb-1 text-[17px] font-bold">Restore the bench</h2>
        <ul className="flex flex-col rounded-xl border border-line bg-sheet px-3 py-1">
          {restoring.map(({ text, done }) => (
            <li key={text}>
              <label className="flex min-h-9 items-center gap-2.5 pointer-coarse:min-h-11">
                <input
                  type="checkbox"
                  className="size-5 shrink-0 accent-(--ochre-line)"
                  checked={done}
                  onChange={() => tick('after', text)}
                />
                {text}
              </label>
            </li>
          ))}
        </ul>
      </section>
      <SignForm jobId={jobId} report={report} />
    </>
  );
}

function SignForm({ jobId, report }: Props) {
  const { hash, sections, restoring, state, signature, job } = report;
  const [name, setName] = useState(job.record?.by ?? signature?.by ?? '');
  const [isSigning, setSigning] = useState(false);
  const stored = useDocuments(({ open }) => documentState(open, 'jobs', jobId));
  const isSaved = stored?.saving.kind === 'saved' && stored.revision !== null;
  const open = restoring.filter(({ done }) => !done).length;
  const sign = async (): Promise<void> => {
    if (!isSaved || isSigning || name.trim() === '') return;
    setSigning(true);
    const restored = restoring.filter(({ done }) => done).map(({ text }) => text);
    try {
      await signJob(jobId, { revision: stored.revision, hash, by: name.trim(), sections: [...sections], restored });
      await queries.invalidateQueries(signaturesQuery(jobId));
    } catch (fault) {
      toast.error(`Not signed: ${(fault as Error).message}`);
    }
    setSigning(false);
  };
  const field = useRef<HTMLInputElement>(null);
  const commands = useMemo(
    (): Command[] => [{ group: 'Actions', text: 'Sign the report', run: () => field.current?.focus() }],
    [],
  );
  useCommands('sign', commands);
  return (
    <form
      aria-label="Sign"
      className="flex flex-col gap-2 rounded-xl border border-line bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void sign();
      }}
    >
      {state === 'changed' && (
        <Note kind="limit">
          New draft: signed by {signature!.by} on {whenOnRecord(signature!.at)}, and edited since. The signed record is
          kept below.
        </Note>
      )}
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex min-w-0 grow flex-col text-[14px] text-soft">
          Your name
          <input
            ref={field}
            data-typing="true"
            className="min-h-9 rounded-lg border border-line bg-ground px-2 text-[16px] text-ink pointer-coarse:min-h-11"
            value={name}
            maxLength={64}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button
          type="submit"
          tone="strong"
          disabled={!isSaved || isSigning || name.trim() === '' || sections.length === 0}
        >
          Sign
        </Button>
      </div>
      <p className="text-[14px] text-soft">
        {!isSaved
          ? 'Not saved yet. Sign after it is saved.'
          : sections.length === 0
            ? 'No section is chosen. Choose what the record contains, below.'
            : open > 0
              ? `${open} of ${restoring.length} not ticked off. The record lists them.`
              : 'Everything is ticked off.'}
      </p>
    </form>
  );
}
