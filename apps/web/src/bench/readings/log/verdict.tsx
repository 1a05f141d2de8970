import { type ComparedReading, type Verdict, verdictWords } from '@usual-drag/core/readings';
import clsx from 'clsx';
import { Check, CircleHelp, X, type LucideIcon } from 'lucide-react';

/** Icon and colour of each verdict. */
const marks: Readonly<Record<Verdict, { readonly Icon: LucideIcon; readonly className: string }>> = {
  agrees: { Icon: Check, className: '' },
  'within-tolerance': { Icon: Check, className: '' },
  'does-not-agree': { Icon: X, className: 'font-bold text-fault' },
  'not-comparable': { Icon: CircleHelp, className: 'text-soft' },
};

/** Verdict of a reading, as an icon and in words. */
export function VerdictMark({
  compared,
  reason = null,
  short = false,
}: {
  readonly compared: ComparedReading;
  /** Reason why it is not comparable, in place of the verdict. */
  readonly reason?: string | null;
  readonly short?: boolean;
}) {
  const { verdict, explainedByLoading } = compared;
  const { Icon, className } = marks[verdict];
  return (
    <span className={clsx('inline-flex items-center gap-1 whitespace-nowrap', className)}>
      <Icon aria-hidden size={short ? 15 : 17} strokeWidth={2.5} />
      {reason ?? verdictWords[verdict]}
      {explainedByLoading && (
        <span className={clsx('font-bold text-ochre', short && 'text-[13px]')}>· loading explains it</span>
      )}
    </span>
  );
}
