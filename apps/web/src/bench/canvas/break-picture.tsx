import clsx from 'clsx';
import { nodeTone } from '@usual-drag/core/drawing';
import type { AmmeterPlacement } from '@usual-drag/core/loading';
import { nodesOf, type Network } from '@usual-drag/core/network';

interface Props {
  readonly network: Network;
  readonly meter: AmmeterPlacement;
  /** Ends of parts at the node that no other ammeter has lifted, each as `R1.from`. */
  readonly ends: readonly string[];
  readonly onToggle: (end: string) => void;
}

/**
 * The break at a node, drawn: the ends that stay on the node's rail at the left, the meter, and the ends that go through it at
 * the right. Clicking an end moves it to the other side.
 */
export function BreakPicture({ network, meter, ends, onToggle }: Props) {
  const rail = `var(--${nodeTone(meter.node, nodesOf(network))})`;
  return (
    <fieldset className="flex min-h-9 items-stretch overflow-x-auto">
      <legend className="sr-only">Wires that go through the meter</legend>
      {ends.map((end) => {
        const isLifted = meter.ends.includes(end);
        const part = end.replace(/\.(from|to)$/, '');
        return (
          <label
            key={end}
            title={isLifted ? `${part} goes through the meter` : `${part} stays on ${meter.node}`}
            className={clsx(
              'relative inline-flex min-h-9 min-w-11 cursor-pointer items-center justify-center border-b-4 px-2 pb-1 pointer-coarse:min-h-11',
              'has-focus-visible:outline-2 has-focus-visible:-outline-offset-2 has-focus-visible:outline-(--ochre-line) hover:bg-sunk',
              // The end of the part, down to its rail.
              'after:absolute after:bottom-0 after:h-1.5 after:w-0.5 after:bg-ink',
              isLifted ? 'order-3 border-(--ochre-line) font-bold' : 'order-1',
            )}
            style={isLifted ? undefined : { borderColor: rail }}
          >
            <input
              type="checkbox"
              className="absolute inset-0 m-0 cursor-pointer opacity-0"
              checked={isLifted}
              onChange={() => onToggle(end)}
            />
            {part}
          </label>
        );
      })}
      <span aria-hidden className="order-2 inline-flex items-end">
        <svg width="52" height="26" viewBox="0 0 52 26" className="-mb-px">
          <path d="M0 24 H12" style={{ stroke: rail }} strokeWidth="4" />
          <path d="M12 24 V13 H15 M37 13 H40 V24" className="fill-none stroke-ink" strokeWidth="1.5" />
          <path d="M40 24 H52" className="stroke-(--ochre-line)" strokeWidth="4" />
          <circle cx="26" cy="12" r="10.5" className="fill-sheet stroke-ink" strokeWidth="1.5" />
          <text x="26" y="16.5" textAnchor="middle" className="fill-ink text-[13px] font-bold">
            A
          </text>
        </svg>
      </span>
    </fieldset>
  );
}
