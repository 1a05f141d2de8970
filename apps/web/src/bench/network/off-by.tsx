import { formatPercent } from '@usual-drag/core/quantity';
import { deviationOf, type Element } from '@usual-drag/core/network';
import clsx from 'clsx';

/** Deviation of a measured value, with the verdict against the tolerance. */
export function OffBy({ element }: { readonly element: Element }) {
  const deviation = element.kind === 'resistor' ? deviationOf(element) : null;
  if (!deviation) return null;
  const verdict = deviation.within === null ? '' : deviation.within ? ' ✓' : ' ✗';
  return (
    <span
      className={clsx('figures px-1.5 whitespace-nowrap', deviation.within === false && 'font-bold')}
      title={
        deviation.within === null
          ? 'no tolerance given'
          : deviation.within
            ? 'within its tolerance'
            : 'outside its tolerance'
      }
    >
      {formatPercent(deviation.ratio, { digits: 2, signed: true })}
      <span aria-hidden>{verdict}</span>
      <span className="sr-only">{deviation.within === false ? ' outside its tolerance' : ''}</span>
    </span>
  );
}
