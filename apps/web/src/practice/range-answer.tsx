import { rangesOf } from '@usual-drag/core/instrument';
import { useId } from 'react';
import { Button } from '../ui/button.tsx';
import type { AskProps } from './ask-field.tsx';
import { MarkLine } from './mark-line.tsx';

/** A question that is answered with one of an instrument's ranges. */
export function RangeAnswer({ ask, problem, isFirst, mark, onAnswer }: AskProps) {
  const id = useId();
  const meter = problem.job?.setups?.[0]?.meters[0];
  const instrument = problem.job?.instruments?.find((one) => one.id === meter?.instrument);
  const ranges = instrument && meter ? rangesOf(instrument, meter.quantity) : [];
  return (
    <div role="group" aria-labelledby={id} className="flex flex-col gap-2">
      <p id={id} className="text-[17px]">
        {ask.text}
      </p>
      <div className="flex flex-wrap gap-2">
        {ranges.map((range, k) => (
          <Button
            key={range.id}
            autoFocus={isFirst && k === 0}
            {...(k === 0 && { 'data-ask': ask.id })}
            className="figures"
            onClick={() => onAnswer(range.id)}
          >
            {range.id}
          </Button>
        ))}
      </div>
      <MarkLine id={`${id}-mark`} mark={mark} />
    </div>
  );
}
