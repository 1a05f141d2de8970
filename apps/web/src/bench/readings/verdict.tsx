import { type ComparedReading, verdictWords } from '@usual-drag/core';
import clsx from 'clsx';
import { Check, CircleHelp, X } from 'lucide-react';

/** How a reading stands, by sign and words. */
export function VerdictMark({
  compared,
  short = false,
}: {
  readonly compared: ComparedReading;
  readonly short?: boolean;
}) {
  const { verdict, explainedByLoading } = compared;
  const Sign = verdict === 'does-not-agree' ? X : verdict === 'not-comparable' ? CircleHelp : Check;
  return (
    <span
      className={clsx(
        'inline-flex items-center gap-1 whitespace-nowrap',
        verdict === 'does-not-agree' && 'font-bold text-fault',
        verdict === 'not-comparable' && 'text-soft',
      )}
    >
      <Sign aria-hidden size={short ? 15 : 17} strokeWidth={2.5} />
      {verdictWords[verdict]}
      {explainedByLoading && <span className="font-bold text-ochre">· loading explains it</span>}
    </span>
  );
}
