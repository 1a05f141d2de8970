import { formatPercent, formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { PartContribution } from '@usual-drag/core/uncertainty';

interface Props {
  readonly contributions: readonly PartContribution[];
  readonly unit: Unit;
}

/** Contribution of each part to the spread, as bars; the small ones are summed up. */
export function Contributions({ contributions, unit }: Props) {
  const shown = contributions.slice(0, 5);
  const rest = contributions.slice(5).reduce((sum, { share }) => sum + share, 0);
  return (
    <ol aria-label="Contribution of each part" className="flex flex-col gap-1 text-[13px]">
      {shown.map(({ id, swing, share }) => (
        <li key={id} className="grid grid-cols-[2.2rem_minmax(1.5rem,1fr)_auto] items-center gap-2">
          <b className="truncate">{id}</b>
          <span aria-hidden className="h-2.5 rounded-sm bg-sunk">
            <span className="block h-full rounded-sm bg-ink" style={{ width: `${share * 100}%` }} />
          </span>
          <span className="figures whitespace-nowrap">
            {formatPercent(share, { digits: 2 })} · ±{formatQuantity(Math.abs(swing) / 2, unit, { digits: 2 })}
          </span>
        </li>
      ))}
      {rest > 0 && <li className="text-soft">the other parts: {formatPercent(rest, { digits: 2 })}</li>}
    </ol>
  );
}
