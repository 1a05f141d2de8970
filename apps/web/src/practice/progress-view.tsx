import { progressOf, mistakeSentences, rowsFromAttempts } from '@usual-drag/core/practice';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { csvText } from '../ui/csv.ts';
import { useState } from 'react';
import { attemptsQuery, eraseAttempts, learnersQuery } from '../api/practice.ts';
import { queries } from '../api/queries.ts';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { FiguresTable } from '../ui/figures-table.tsx';
import { QuestionStrip } from '../ui/question-strip.tsx';
import { saveText } from '../ui/save-file.ts';
import { toast } from '../ui/toast.ts';
import { count } from '../ui/words.ts';
import { kindWords } from './kind-words.ts';
import { usePerson } from '../ui/person.ts';
import { ProgressChart } from './progress-chart.tsx';

/** Strengths and weaknesses of a person, for the person and the trainer. */
export function ProgressView() {
  const person = usePerson((state) => state.person);
  const { data: learners = [], error } = useQuery(learnersQuery);
  const [chosen, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const names = learners.map((one) => one.person);
  const shown = chosen !== null && names.includes(chosen) ? chosen : names.includes(person) ? person : (names[0] ?? '');
  const { data: attempts = [] } = useQuery(attemptsQuery(shown));
  const progress = progressOf(attempts);
  if (error) return <p role="alert">{error.message} It is loaded when it does.</p>;
  if (names.length === 0)
    return (
      <p className="rounded-xl border border-dashed border-line bg-sheet p-6">
        No attempts yet. Enter a name, then solve a problem: the result is listed here.
      </p>
    );
  const erase = async (): Promise<void> => {
    setAsking(false);
    try {
      await eraseAttempts(shown);
      await queries.invalidateQueries({ queryKey: ['practice'] });
      toast(`The attempts of ${shown} are erased.`);
    } catch (fault) {
      toast.error((fault as Error).message);
    }
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      {asking && (
        <QuestionStrip
          answers={[
            { label: 'Keep it', act: () => setAsking(false) },
            { label: 'Erase for good', act: () => void erase() },
          ]}
        >
          Erase all {count(attempts.length, 'attempt')} of {shown}? Copies and backups made before still have them.
        </QuestionStrip>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <Choice
          label="Whose attempts"
          className="w-56"
          value={shown}
          options={names.map((name) => ({ value: name, text: name }))}
          onChange={setChosen}
        />
        <p className="text-soft">{count(attempts.length, 'attempt')}</p>
        <Button onClick={() => saveText(csvText(rowsFromAttempts(attempts)), `practice-${shown}.csv`, 'text/csv')}>
          <Download aria-hidden size={16} /> CSV
        </Button>
        <Button onClick={() => setAsking(true)}>Erase</Button>
      </div>
      <ProgressChart progress={progress} />
      <div
        className="relative overflow-x-auto rounded-xl border border-line bg-sheet px-2"
        tabIndex={0}
        role="region"
        aria-label="Progress by kind"
      >
        <FiguresTable
          label="By kind"
          head={['Kind', 'attempts', 'right without a hint', 'of the last 8', 'commonest mistake']}
          rows={progress.map(({ kind, attempts: tried, right, lately, slips }) => ({
            key: kind,
            cells: [
              kindWords[kind],
              String(tried),
              String(right),
              `${Math.round(lately * 100)} %`,
              slips[0] ? `${mistakeSentences[slips[0].slip].split(/[.:;]/)[0]} (${slips[0].times})` : '–',
            ],
          }))}
        />
      </div>
    </div>
  );
}
