import { workingOf, type Problem } from '@usual-drag/core/practice';
import { useRef } from 'react';
import { Button } from '../ui/button.tsx';
import { AskField } from './ask-field.tsx';
import { ChoiceAnswer, isChoice } from './choice-answer.tsx';
import { FaultAnswer } from './fault-answer.tsx';
import { ProblemPicture } from './problem-picture.tsx';
import { ProblemReadings } from './problem-readings.tsx';
import { useMarking } from './use-marking.ts';

interface Props {
  readonly problem: Problem;
  readonly onNext: () => void;
}

/** A problem on the rails, its questions beside it; marked at once, hints a step at a time. */
export function ProblemSheet({ problem, onNext }: Props) {
  const marking = useMarking(problem);
  const next = useRef<HTMLButtonElement>(null);
  const { open, hints } = marking;
  // Enter on an answer that is right goes on: to the next question, or to the next problem.
  const goOn = (id: string): void => {
    const left = problem.asks.find((ask) => ask.id !== id && !marking.markOf(ask.id)?.right);
    const field = left && document.querySelector<HTMLElement>(`[data-ask="${left.id}"]`);
    (field ?? next.current)?.focus();
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section aria-label="Problem" className="flex flex-col gap-3 rounded-xl border border-line bg-sheet p-4">
        <p className="text-[17px] leading-snug">{problem.text}</p>
        <ProblemPicture problem={problem} />
      </section>
      <section aria-label="Answers" className="flex flex-col gap-4 rounded-xl border border-line bg-sheet p-4">
        <ProblemReadings problem={problem} />
        {problem.asks.map((ask, k) => {
          const props = {
            ask,
            problem,
            isFirst: k === 0,
            mark: marking.markOf(ask.id),
            onAnswer: (answer: Parameters<typeof marking.mark>[1]) => {
              if (marking.mark(ask, answer).right) goOn(ask.id);
            },
          };
          if (ask.of.what === 'fault') return <FaultAnswer key={ask.id} {...props} />;
          return isChoice(ask.of.what) ? (
            <ChoiceAnswer key={ask.id} {...props} />
          ) : (
            <AskField key={ask.id} {...props} />
          );
        })}
        {open && hints.steps.length > 0 && (
          <ol aria-label="Hints" className="flex list-decimal flex-col gap-1.5 border-l-4 border-line pl-7">
            {hints.steps.map(({ title, formula }, k) => (
              <li key={k}>
                {title}
                {2 * k + 2 <= hints.taken && formula !== '' && (
                  <>
                    <br />
                    <span className="figures text-[14px] text-soft">{formula}</span>
                  </>
                )}
              </li>
            ))}
          </ol>
        )}
        {!open && <Working problem={problem} />}
        <div className="flex flex-wrap gap-2">
          {open && (
            <Button onClick={marking.hint} disabled={hints.isWhole}>
              {hints.taken === 0 ? 'Hint' : hints.isWhole ? 'No more hints' : 'Next hint'}
            </Button>
          )}
          <button
            ref={next}
            type="button"
            onClick={onNext}
            className="inline-flex min-h-9 items-center rounded-lg border border-line bg-sheet px-3 py-1 hover:border-soft data-[done=true]:bg-bar data-[done=true]:text-onbar pointer-coarse:min-h-11"
            data-done={open === null}
          >
            Next problem
          </button>
        </div>
      </section>
    </div>
  );
}

/** The whole working of every question, once all are right. */
function Working({ problem }: { readonly problem: Problem }) {
  const steps = problem.asks.flatMap((ask) => workingOf(problem, ask));
  // Questions of one problem share their first steps.
  const each = [...new Map(steps.map((step) => [`${step.title} ${step.formula}`, step])).values()];
  if (each.length === 0) return null;
  return (
    <section aria-label="Working" className="border-l-4 border-ink pl-3">
      <h2 className="font-bold">Working</h2>
      <ol className="flex list-decimal flex-col gap-1.5 pl-5">
        {each.map(({ title, formula }) => (
          <li key={`${title} ${formula}`}>
            {title}
            {formula !== '' && (
              <>
                <br />
                <span className="figures text-[14px] text-soft">{formula}</span>
              </>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
