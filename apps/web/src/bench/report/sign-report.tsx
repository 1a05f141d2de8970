import type { Report } from '@usual-drag/core/report';
import { queries } from '../../api/queries.ts';
import { signaturesQuery, signJob } from '../../api/signatures.ts';
import { documentState, useDocuments } from '../../documents/documents.ts';
import { Note } from '../../ui/note.tsx';
import { SignForm } from '../../ui/sign-form.tsx';
import { TickList } from '../../ui/tick-list.tsx';
import { tickedInWords, whenOnRecord } from '../../ui/words.ts';
import { tick } from '../model/reading-entry.ts';

interface Props {
  readonly jobId: string;
  readonly report: Report;
}

/** The bench is restored, then the record is signed: it freezes as it is. */
export function SignReport({ jobId, report }: Props) {
  const { hash, job, state, sections, signature, restoring } = report;
  const stored = useDocuments(({ open }) => documentState(open, 'jobs', jobId));
  if (state === 'signed')
    return (
      <p className="rounded-xl border border-line bg-sheet p-3">
        <b>Signed by {signature!.by}</b>, {whenOnRecord(signature!.at)}. The record cannot be changed: an edit of the
        job starts a new draft.
      </p>
    );
  const revision = stored?.saving.kind === 'saved' ? stored.revision : null;
  const sign = async (by: string): Promise<void> => {
    const restored = restoring.filter(({ done }) => done).map(({ text }) => text);
    await signJob(jobId, { revision: revision!, hash, by, sections: [...sections], restored });
    await queries.invalidateQueries(signaturesQuery(jobId));
  };
  return (
    <>
      <TickList label="Restore the bench" tasks={restoring} onTick={(text) => tick('after', text)} />
      <SignForm
        name={job.record?.by ?? signature?.by ?? ''}
        canSign={revision !== null && sections.length > 0}
        status={
          revision === null
            ? 'Not saved yet. Sign after it is saved.'
            : sections.length === 0
              ? 'No section is chosen. Choose what the record contains, below.'
              : tickedInWords(restoring)
        }
        onSign={sign}
      >
        {state === 'changed' && (
          <Note kind="limit">
            New draft: signed by {signature!.by} on {whenOnRecord(signature!.at)}, and edited since. The signed record
            is kept below.
          </Note>
        )}
      </SignForm>
    </>
  );
}
