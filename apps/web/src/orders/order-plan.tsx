import type { JobSummary } from '@usual-drag/contract';
import { planOrder, type Job, type OrderStep } from '@usual-drag/core/job';
import { Check } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { titleOf } from '../bench/readings/plan/step-words.ts';

interface Props {
  readonly circuits: readonly JobSummary[];
  /** Their jobs, in the same sequence. */
  readonly documents: readonly Job[];
}

/** The steps of all circuits in one list: measure the parts, then build, read and take apart each circuit. */
export function PlanOfOrder({ circuits, documents }: Props) {
  const plan = useMemo(() => planOrder(documents), [documents]);
  if (!plan.ok) return <p>No plan can be made. {plan.fault.message}</p>;
  const { parts, circuits: planned } = plan.value;
  const readAt = (circuit: number): string => `/bench/${circuits[circuit]!.id}/readings`;
  return (
    <details>
      <summary className="w-fit cursor-pointer rounded-lg py-1 text-[19px] font-bold">Plan of the order</summary>
      <ol aria-label="Plan of the order" className="flex list-decimal flex-col gap-3 pt-2 pl-6">
        {parts.length > 0 && (
          <li>
            <b>Measure the parts</b>, out of the circuit
            <Steps steps={parts} readAt={readAt} />
          </li>
        )}
        {planned.map(({ circuit, line, steps }) => (
          <li key={circuit}>
            <b>Build {circuits[circuit]!.title ?? 'Untitled'}</b> with the supply off:{' '}
            <span className="figures break-words">{line}</span>
            <Steps steps={steps} readAt={readAt} />
            {circuit < planned.length - 1 && <span>Take the circuit apart.</span>}
          </li>
        ))}
      </ol>
    </details>
  );
}

function Steps({
  steps,
  readAt,
}: {
  readonly steps: readonly OrderStep[];
  readonly readAt: (circuit: number) => string;
}) {
  return (
    <ul className="text-[15px]">
      {steps.map(({ circuit, step, isRead }) => (
        <li key={`${circuit} ${step.id}`} className="flex items-center gap-1.5">
          {isRead ? <Check aria-label="read" size={16} /> : <span aria-hidden className="size-4" />}
          {step.do === 'read' && !isRead ? (
            <Link to={readAt(circuit)} className="inline-flex min-h-6 items-center underline">
              {titleOf(step)}
            </Link>
          ) : (
            titleOf(step)
          )}
        </li>
      ))}
    </ul>
  );
}
