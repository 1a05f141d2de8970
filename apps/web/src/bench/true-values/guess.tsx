import { formatPercent, formatQuantity, parseQuantity } from '@usual-drag/core/quantity';
import { stepTitle, type Step } from '@usual-drag/core/reduction';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';

/** Next step, to be guessed before it is displayed. The fault of a guess is given before the step is. */
export function Guess({ step, onReveal }: { readonly step: Step; readonly onReveal: () => void }) {
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState<string | null>(null);
  const [right, setRight] = useState(false);
  const result = step.into.length === 1 ? step.into[0]!.resistance : null;
  const check = (): void => {
    const read = parseQuantity(text, 'Ω');
    if (!read.ok) return setAnswer(read.fault.message);
    if (result === null) return;
    const off = (read.value - result) / result;
    setRight(Math.abs(off) < 0.005);
    setAnswer(Math.abs(off) < 0.005 ? 'Right.' : wrongWords(read.value, off, step));
  };
  return (
    <form
      aria-label="Guess the next step"
      className="flex flex-wrap items-end gap-2 rounded-lg border-2 border-dashed border-line p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (right) onReveal();
        else check();
      }}
    >
      <label className="flex flex-col text-[14px] text-soft">
        {result === null
          ? `What replaces ${step.parts.map(({ id }) => id).join(', ')}?`
          : `${stepTitle(step)}: which value?`}
        {result !== null && (
          <input
            value={text}
            autoComplete="off"
            data-typing="true"
            placeholder="42k"
            className="figures min-h-9 w-40 rounded-md border border-line bg-sheet px-2 text-[16px] text-ink"
            onChange={(event) => {
              setText(event.target.value);
              setRight(false);
            }}
          />
        )}
      </label>
      {result !== null && (
        <Button tone="strong" type="submit">
          {right ? 'Next' : 'Check'}
        </Button>
      )}
      <Button onClick={onReveal}>Show</Button>
      {answer && (
        <p role="status" className="basis-full">
          {answer}
        </p>
      )}
    </form>
  );
}

/** Returns the common mistake that gives a wrong guess; empty if none does. */
function wrongWords(guess: number, off: number, { rule, parts }: Step): string {
  const ohms = parts.map((part) => part.resistance);
  const near = (value: number): boolean => Math.abs(guess / value - 1) < 0.005;
  const sum = ohms.reduce((a, b) => a + b);
  const conductance = ohms.reduce((total, r) => total + 1 / r, 0);
  if (rule === 'parallel' && near(sum))
    return 'That is their sum. In parallel the result is smaller than the smallest of them.';
  if (rule === 'parallel' && near(conductance)) return 'That is the sum of the reciprocals: invert it.';
  if (rule === 'series' && near(1 / conductance))
    return 'That is the parallel value. In series the resistances add up.';
  if ([1e3, 1e-3, 1e6, 1e-6].some((factor) => near((guess / (1 + off)) * factor)))
    return 'The figures are right, the prefix is not.';
  return `Off by ${formatPercent(off, { digits: 2, signed: true })}: ${formatQuantity(guess, 'Ω', { trim: true })} is not it.`;
}
