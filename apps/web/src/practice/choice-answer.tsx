import { jacksOf, rangesOf } from '@usual-drag/core/instrument';
import type { AskedFor, Problem } from '@usual-drag/core/practice';
import { useId } from 'react';
import { Button } from '../ui/button.tsx';
import type { AskProps } from './ask-field.tsx';
import { MarkLine } from './mark-line.tsx';

/** A question that is answered by choosing. */
type Choice = 'range' | 'jack' | 'fuse';

/** Returns the answers that each of these questions offers. */
const choices: Readonly<Record<Choice, (problem: Problem) => readonly string[]>> = {
  range: (problem) => {
    const { meter, instrument } = meterOf(problem);
    return instrument && meter ? rangesOf(instrument, meter.quantity).map(({ id }) => id) : [];
  },
  jack: (problem) => {
    const { instrument } = meterOf(problem);
    return instrument ? jacksOf(instrument).map(({ name }) => name) : [];
  },
  fuse: () => ['yes', 'no'],
};

/** Returns whether a question is answered by choosing. */
export const isChoice = (what: AskedFor['what']): what is Choice => Object.hasOwn(choices, what);

/** A question that is answered with one of an instrument's ranges or jacks, or with yes or no. */
export function ChoiceAnswer({ ask, problem, isFirst, mark, onAnswer }: AskProps) {
  const id = useId();
  const { what } = ask.of;
  const answers = isChoice(what) ? choices[what](problem) : [];
  return (
    <div role="group" aria-labelledby={id} className="flex flex-col gap-2">
      <p id={id} className="text-[17px]">
        {ask.text}
      </p>
      <div className="flex flex-wrap gap-2">
        {answers.map((answer, k) => (
          <Button
            key={answer}
            autoFocus={isFirst && k === 0}
            {...(k === 0 && { 'data-ask': ask.id })}
            className="figures"
            onClick={() => onAnswer(answer)}
          >
            {answer}
          </Button>
        ))}
      </div>
      <MarkLine id={`${id}-mark`} mark={mark} />
    </div>
  );
}

function meterOf({ job }: Problem) {
  const meter = job?.setups?.[0]?.meters[0];
  return { meter, instrument: job?.instruments?.find((one) => one.id === meter?.instrument) };
}
