import clsx from 'clsx';
import { Info, TriangleAlert } from 'lucide-react';
import type { ReactNode } from 'react';

/** A caution where the work is: a hazard in red with its sign, a limit in the colour of the ground. */
export function Note({ kind, children }: { readonly kind: 'hazard' | 'limit'; readonly children: ReactNode }) {
  const Sign = kind === 'hazard' ? TriangleAlert : Info;
  return (
    <div
      role="note"
      className={clsx(
        'flex items-start gap-2 rounded-r-md border-l-4 px-3 py-1 text-[14px] leading-snug',
        kind === 'hazard' ? 'border-hazard bg-(--hazard-ground)' : 'border-(--ochre-line) bg-(--limit-ground)',
      )}
    >
      <Sign
        aria-hidden
        size={18}
        className={clsx('mt-px shrink-0', kind === 'hazard' ? 'text-hazard' : 'text-ochre')}
      />
      <div>
        <span className="sr-only">{kind === 'hazard' ? 'Hazard: ' : 'Caution: '}</span>
        {children}
      </div>
    </div>
  );
}
