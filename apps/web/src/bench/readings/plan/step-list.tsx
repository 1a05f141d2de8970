import { readingsAt, type PlanStep } from '@usual-drag/core/plan';
import clsx from 'clsx';
import { useEffect, useRef } from 'react';
import { openStep } from '../../model/reading-entry.ts';
import { useReadingHabits } from '../../model/reading-habits.ts';
import { titleOf } from './step-words.ts';
import { shownIn } from './taken-here.tsx';
import type { Readings } from '../use-readings.ts';
import { VerdictMark } from '../log/verdict.tsx';

/** Steps of the plan with their readings and verdicts. */
export function StepList({ readings }: { readonly readings: Readings }) {
  const { steps, open } = readings;
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>('[aria-current]');
    if (row && list.current) list.current.scrollTop = row.offsetTop - list.current.offsetTop - 64;
  }, [open?.id]);
  return (
    <ol
      ref={list}
      aria-label="Steps of the plan"
      className="shrink-0 sm:min-h-16 sm:shrink sm:grow sm:basis-16 sm:overflow-y-auto rounded-xl border border-line bg-sheet"
    >
      {steps.map((step, index) => (
        <li key={step.id} className="border-b border-line/60 last:border-b-0">
          <button
            type="button"
            aria-current={step.id === open?.id ? 'step' : undefined}
            className={clsx(
              'flex min-h-8 w-full items-center gap-2 px-2 text-left text-[14px] hover:bg-sunk focus-visible:-outline-offset-2 pointer-coarse:min-h-11',
              step.id === open?.id && 'bg-sunk font-bold',
              step.do !== 'read' && step.id !== open?.id && 'text-soft',
            )}
            onClick={() => openStep(step.id)}
          >
            <span className="figures w-6 shrink-0 text-right text-[13px] text-soft">{index + 1}</span>
            <span className="min-w-0 grow truncate">{titleOf(step)}</span>
            <Standing step={step} readings={readings} />
          </button>
        </li>
      ))}
    </ol>
  );
}

function Standing({ step, readings }: { readonly step: PlanStep; readonly readings: Readings }) {
  const { hidesExpected } = useReadingHabits();
  if (step.do !== 'read') return null;
  const newest = readingsAt(readings.readings, step).at(-1);
  if (!newest && hidesExpected) return null;
  if (!newest)
    return (
      <span className="figures shrink-0 text-soft">
        {step.display} {step.unit}
      </span>
    );
  const compared = readings.comparedAs(newest);
  return (
    <span className="flex shrink-0 items-center gap-2">
      <span className="figures text-ochre">{shownIn(newest)}</span>
      {compared && <VerdictMark compared={compared} short />}
    </span>
  );
}
