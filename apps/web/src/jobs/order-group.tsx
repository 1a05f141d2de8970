import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { count, readInWords } from '../ui/words.ts';
import type { JobGroup } from './orders.ts';

interface Props {
  readonly group: JobGroup;
  readonly children: ReactNode;
}

/** Heading above the circuits of one order; none above other jobs. */
export function OrderGroup({ group: { order, jobs }, children }: Props) {
  if (order === null) return children;
  const assets = [...new Set(jobs.flatMap(({ record }) => record.asset ?? []))];
  const read = jobs.flatMap(({ readings }) => readings ?? []);
  const sum = (key: 'read' | 'of' | 'doNotAgree'): number => read.reduce((all, one) => all + one[key], 0);
  return (
    <section aria-label={`Order ${order}`} className="flex flex-col gap-2 rounded-2xl border border-line p-3">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-[18px] font-bold">
        <Link to={`/order/${encodeURIComponent(order)}`} className="underline decoration-dotted underline-offset-4">
          Order {order}
        </Link>
        <span className="text-[14px] font-normal text-soft">
          {[
            assets.join(', '),
            count(jobs.length, 'circuit'),
            read.length > 0
              ? readInWords({ read: sum('read'), of: sum('of'), doNotAgree: sum('doNotAgree') })
              : 'not read',
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </h2>
      {children}
    </section>
  );
}
