import type { SheetStep } from '@usual-drag/core/worksheet';
import { ruleWords } from './sheet-words.ts';

interface Props {
  readonly steps: readonly SheetStep[];
  /** Whether the given values contradict each other. */
  readonly isContradicted: boolean;
}

/** Derivation of each value, in the order in which one works on paper. */
export function SheetSteps({ steps, isContradicted }: Props) {
  return (
    <section aria-label="Working" className="rounded-xl border border-line bg-sheet p-4">
      <h2 className="mb-2 text-[17px] font-bold">Working</h2>
      {steps.length === 0 ? (
        <p className="text-soft">
          {isContradicted
            ? 'Nothing follows from values that contradict each other. Correct one of them.'
            : 'Enter the given values, for example a voltage and a resistance of one part.'}
        </p>
      ) : (
        <ol className="flex max-h-96 list-decimal flex-col gap-1 overflow-y-auto pl-7" tabIndex={0}>
          {steps.map(({ of, quantity, rule, text }) => (
            <li key={`${of} ${quantity}`}>
              <b>
                {of}, {quantity}
              </b>{' '}
              <span className="text-[13px] text-soft">{ruleWords[rule]}</span>
              <br />
              <span className="figures text-[14px]">{text}</span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
