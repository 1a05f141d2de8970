import { pagePath } from '../api/base-path.ts';
import { documentChanges } from '@usual-drag/core/job';
import { useNavigate } from 'react-router';
import { toast } from '../ui/toast.ts';
import { queries } from '../api/queries.ts';
import { QuestionStrip, type Answer } from '../ui/question-strip.tsx';
import { kindOf } from './document-kinds.ts';
import { closeDocument, dispatch, placeOfKey, useDocuments } from './documents.ts';

const addresses = { jobs: '/bench/', instruments: '/kit/', 'meter-projects': '/workshop/' } as const;

/**
 * Two windows have changed one document: what differs, and what shall become of the two versions. Whichever is not taken stays
 * in the history. One question at a time, above whatever page is open, until it is answered.
 */
export function ConflictQuestion() {
  const key = useDocuments(({ open }) => Object.keys(open).find((one) => open[one]!.saving.kind === 'conflict'));
  const state = useDocuments(({ open }) => (key === undefined ? undefined : open[key]));
  const navigate = useNavigate();
  if (key === undefined || state?.saving.kind !== 'conflict') return null;
  const { theirs } = state.saving;
  const { kind, id } = placeOfKey(key);
  const { nameOf, addCopy } = kindOf[kind] as (typeof kindOf)['jobs'];
  const mine = state.document as never;
  const keepBoth = async (): Promise<void> => {
    try {
      const copy = await addCopy(mine);
      if (theirs) dispatch(kind, id, { type: 'tookTheirs', mineIsKept: true });
      else closeDocument(kind, id);
      void queries.invalidateQueries({ queryKey: [kind] });
      toast(`Your version is now ${nouns[kind]} of its own.${theirs ? ' The other one is unchanged.' : ''}`);
      if (pagePath().startsWith(addresses[kind] + encodeURIComponent(id)))
        void navigate(addresses[kind] + encodeURIComponent(copy));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const answers: Answer[] = theirs
    ? [
        { label: 'Keep mine', act: () => dispatch(kind, id, { type: 'keptMine' }) },
        { label: 'Use theirs', act: () => dispatch(kind, id, { type: 'tookTheirs' }) },
        { label: 'Keep both', act: () => void keepBoth() },
      ]
    : [{ label: `Keep mine as ${nouns[kind]} of its own`, act: () => void keepBoth() }];
  const changes = theirs ? documentChanges(theirs.document, mine) : [];
  return (
    <QuestionStrip answers={answers}>
      <b>
        “{nameOf(mine)}” was {theirs ? 'changed in another window or on another device' : 'deleted in another window'}.
      </b>{' '}
      Nothing is lost: your edit is still here.
      {changes.length > 0 && (
        <span className="block text-[14px]">
          Yours differs from the other version: {changes.slice(0, 4).join('; ')}
          {changes.length > 4 && `; and ${changes.length - 4} more`}.
        </span>
      )}
      {theirs && (
        <span className="block text-[14px] text-soft">
          The version not used stays in the history{kind === 'jobs' && ', and the readings of both stay'}.
        </span>
      )}
    </QuestionStrip>
  );
}

const nouns = { jobs: 'a job', instruments: 'an instrument', 'meter-projects': 'a meter project' } as const;
