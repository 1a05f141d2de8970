import { formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import { faultSentence } from '@usual-drag/core/faults';
import {
  makeProblem,
  problemKinds,
  withSolution,
  workingOf,
  type Answer,
  type Ask,
  type Level,
  type Problem,
  type ProblemKind,
} from '@usual-drag/core/practice';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';
import { Segments } from '../ui/segments.tsx';
import { Toggle } from '../ui/toggle.tsx';
import { kindWords, levelOptions } from './kind-words.ts';
import { ProblemPicture } from './problem-picture.tsx';
import { ProblemReadings } from './problem-readings.tsx';

const counts = ['4', '6', '10', '20'] as const;

/** A sheet of problems for paper, with the solutions on a page of their own or without them. */
export function PrintView() {
  const [kind, setKind] = useState<ProblemKind | 'all'>('all');
  const [level, setLevel] = useState<Level>(1);
  const [many, setMany] = useState<(typeof counts)[number]>('6');
  const [seed, setSeed] = useState(1);
  const [solved, setSolved] = useState(true);
  const problems = useMemo(
    () =>
      Array.from({ length: Number(many) }, (_, k) =>
        withSolution(makeProblem(kind === 'all' ? problemKinds[k % problemKinds.length]! : kind, level, seed + k)),
      ),
    [kind, level, many, seed],
  );
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Choice
          label="Kind of problem"
          className="w-64"
          value={kind}
          options={[
            { value: 'all', text: 'Some of every kind' },
            ...problemKinds.map((one) => ({ value: one, text: kindWords[one] })),
          ]}
          onChange={setKind}
        />
        <Segments
          label="Level"
          showLabel
          value={String(level)}
          options={levelOptions}
          onChange={(wanted) => setLevel(Number(wanted) as Level)}
        />
        <Segments
          label="How many"
          showLabel
          value={many}
          options={counts.map((one) => ({ value: one, text: one }))}
          onChange={setMany}
        />
        <Toggle label="With solutions" on={solved} onChange={setSolved} />
        <Button onClick={() => setSeed(seed + 1000)}>Others</Button>
        <Button tone="strong" onClick={() => window.print()}>
          <Printer aria-hidden size={16} /> Print
        </Button>
      </div>
      <article className="flex flex-col gap-4 rounded-xl border border-line bg-sheet p-6 print:block print:border-0 print:p-0">
        <header className="flex flex-wrap items-baseline justify-between gap-4">
          <h2 className="text-[20px] font-bold">
            {kind === 'all' ? 'Problems' : kindWords[kind]}, level {level}
          </h2>
          <p className="text-soft">Name ______________________ Date ______________</p>
        </header>
        <ol aria-label="Problems" className="gap-6 sm:columns-2 print:columns-2">
          {problems.map((problem, k) => (
            <li key={`${problem.kind} ${problem.seed}`} className="mb-5 break-inside-avoid">
              <p>
                <b>{k + 1}.</b> {problem.text}
              </p>
              <ProblemPicture problem={problem} className="max-h-72 print:max-h-44" />
              <ProblemReadings problem={problem} />
              {problem.asks.map((ask) => (
                <p key={ask.id}>
                  {ask.id}) {ask.text} ____________ {ask.unit}
                </p>
              ))}
            </li>
          ))}
        </ol>
        {solved && <Solutions problems={problems} />}
      </article>
    </>
  );
}

function Solutions({ problems }: { readonly problems: readonly Problem[] }) {
  return (
    <section aria-label="Solutions" className="break-before-page border-t border-line pt-4 print:border-0">
      <h2 className="mb-2 text-[20px] font-bold">Solutions</h2>
      <ol className="flex flex-col gap-2">
        {problems.map((problem, k) => (
          <li key={`${problem.kind} ${problem.seed}`} className="break-inside-avoid">
            <b>{k + 1}.</b>{' '}
            {problem.asks.map((ask) => (
              <span key={ask.id} className="mr-4">
                {ask.id}) <span className="figures">{answerText(problem.solution?.[ask.id]?.value, ask)}</span>
              </span>
            ))}
            <br />
            <span className="figures text-[13px] text-soft">
              {workingOf(problem, problem.asks.at(-1)!)
                .map(({ formula }) => formula)
                .filter((formula) => formula !== '')
                .join('; ')}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function answerText(answer: Answer | undefined, { unit }: Ask): string {
  if (answer === undefined) return '–';
  if (typeof answer === 'string') return answer;
  if (typeof answer === 'object') return faultSentence(answer);
  return unit === '%' ? formatPercent(answer, { digits: 4 }) : formatQuantity(answer, (unit?.slice(-1) ?? 'V') as Unit);
}
