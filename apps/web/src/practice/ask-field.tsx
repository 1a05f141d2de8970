import { clsx } from 'clsx';
import type { AnswerMark, Ask, GivenAnswer, Problem } from '@usual-drag/core/practice';
import { useId, useState } from 'react';
import { Button } from '../ui/button.tsx';
import { MarkLine } from './mark-line.tsx';

export interface AskProps {
  readonly ask: Ask;
  readonly problem: Problem;
  readonly isFirst: boolean;
  readonly mark: AnswerMark | null;
  readonly onAnswer: (answer: GivenAnswer) => void;
}

/** A question that is answered with a number: typed with its unit, marked on Enter. */
export function AskField({ ask, isFirst, mark, onAnswer }: AskProps) {
  const id = useId();
  const [typed, setTyped] = useState('');
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        onAnswer(typed);
      }}
    >
      <label htmlFor={id} className="text-[17px]">
        {ask.text}
      </label>
      <div className="flex flex-wrap items-center gap-2">
        <input
          id={id}
          data-ask={ask.id}
          // The page was opened to answer this.
          autoFocus={isFirst}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          autoComplete="off"
          spellCheck={false}
          aria-describedby={mark ? `${id}-mark` : undefined}
          className={clsx(
            'figures min-h-11 w-44 rounded-lg border bg-sheet px-2.5 text-[20px]',
            mark && !mark.right ? 'border-fault' : 'border-line',
          )}
        />
        <span className="figures text-[17px] text-soft">{ask.unit}</span>
        <Button type="submit">Mark</Button>
      </div>
      <MarkLine id={`${id}-mark`} mark={mark} />
    </form>
  );
}
