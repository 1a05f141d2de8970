import { makeProblem, problemKinds, type Level } from '@usual-drag/core/practice';
import { useMemo } from 'react';
import { Choice } from '../ui/choice.tsx';
import { Segments } from '../ui/segments.tsx';
import { kindWords, levelOptions } from './kind-words.ts';
import { ProblemSheet } from './problem-sheet.tsx';
import { SeriesMenu } from './series-menu.tsx';
import { useAsked } from './use-asked.ts';
import { useSeries } from './use-series.ts';

/** One problem at a time: chosen by kind and level, drawn from the weakest kind, or set by a trainer. */
export function ProblemsView() {
  const { asked, choice, chooseKind, chooseLevel, next, open } = useAsked();
  const { kind, level, seed } = asked;
  const { series, at } = useSeries();
  const problem = useMemo(() => makeProblem(kind, level, seed), [kind, level, seed]);
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        {series ? (
          <p className="font-bold" role="status">
            {series.title}: problem {at + 1} of {series.problems.length}
          </p>
        ) : (
          <>
            <Choice
              label="Kind of problem"
              className="w-72"
              value={choice}
              options={[
                { value: 'worst', text: 'Weakest kind' },
                ...problemKinds.map((one) => ({ value: one, text: kindWords[one] })),
              ]}
              onChange={chooseKind}
            />
            <Segments
              label="Level"
              showLabel
              value={String(level)}
              options={levelOptions}
              onChange={(wanted) => chooseLevel(Number(wanted) as Level)}
            />
          </>
        )}
        <SeriesMenu asked={asked} onOpen={open} />
      </div>
      <ProblemSheet key={`${kind} ${level} ${seed}`} problem={problem} onNext={next} />
    </>
  );
}
