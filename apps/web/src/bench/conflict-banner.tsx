import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { OpenJob } from '@usual-drag/contract';
import { createJob } from '../api/jobs.ts';
import { QuestionStrip } from '../ui/question-strip.tsx';
import type { Answer } from '../ui/questions.ts';
import { takeOther, useBench } from './bench-store.ts';
import { dropDraft } from './drafts.ts';
import { sayUndoable } from './say-undoable.ts';

/** Two windows have changed one job: both versions are here, and the person says what becomes of them. */
export function ConflictBanner({ theirs }: { readonly theirs: OpenJob }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const mine = useBench((state) => state.document);
  const takeTheirs = (): void => {
    dropDraft(theirs.id);
    takeOther(theirs);
    sayUndoable('This window shows the other version now.', 'Bring mine back');
  };
  const keepBoth = async (): Promise<void> => {
    try {
      const copy = await createJob({ ...mine, title: `${mine.title ?? 'Untitled'} (from this window)` });
      dropDraft(theirs.id);
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate(`/bench/${copy.id}/setups`);
      toast('Your version is a job of its own now; the other one is unchanged.');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const ways: Answer[] = [
    { label: 'Keep mine as a job of its own', act: () => void keepBoth() },
    { label: 'Take the other version', act: takeTheirs },
  ];
  return (
    <QuestionStrip answers={ways} onAnswer={({ act }) => act()}>
      <b>This job was changed in another window</b> (revision {theirs.revision}). Nothing is lost: your edit is still
      here.
    </QuestionStrip>
  );
}
