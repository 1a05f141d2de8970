import { nameableFaults } from '@usual-drag/core/practice';
import { useId, useMemo } from 'react';
import type { AskProps } from './ask-field.tsx';
import { FaultChoice } from './fault-choice.tsx';
import { MarkLine } from './mark-line.tsx';

/** A question that is answered with a fault. */
export function FaultAnswer({ ask, problem, mark, onAnswer }: AskProps) {
  const id = useId();
  const faults = useMemo(() => (problem.job ? nameableFaults(problem.job) : []), [problem]);
  return (
    <div role="group" aria-labelledby={id} className="flex flex-col gap-2">
      <p id={id} className="text-[17px]">
        {ask.text}
      </p>
      <FaultChoice faults={faults} button="Mark" onName={onAnswer} />
      <MarkLine id={`${id}-mark`} mark={mark} />
    </div>
  );
}
