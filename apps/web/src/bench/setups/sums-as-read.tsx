import {
  formatPercent,
  formatQuantity,
  nodesOf,
  sumsAsRead,
  type Instrument,
  type MeterQuantity,
  type Range,
  type Unloaded,
  unitOf,
} from '@usual-drag/core';
import { useMemo } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';

interface Props {
  readonly unloaded: Unloaded;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly quantity: MeterQuantity;
}

/** The sums as this meter reads them one at a time: they need not close, and this says by how much and why. */
export function SumsAsRead({ unloaded, instrument, range, quantity }: Props) {
  const sums = useMemo(
    () => sumsAsRead(unloaded, instrument, range, quantity),
    [unloaded, instrument, range, quantity],
  );
  const nodes = nodesOf(unloaded.network);
  const unit = unitOf(quantity);
  const cause = quantity === 'dc-voltage' ? 'Loading' : 'Insertion (burden)';
  return (
    <div
      className="max-h-[40%] min-h-32 shrink-0 overflow-auto border-t border-line px-4 py-2 text-[14px]"
      tabIndex={0}
      role="region"
      aria-label="Sums as read"
    >
      <p className="mb-1 text-soft">
        Read one at a time with {instrument.name ?? instrument.id}, {range.id}: each reading is of a different circuit,
        so the sums need not close.
      </p>
      {sums.length === 0 && <p>No {quantity === 'dc-voltage' ? 'loop' : 'junction'} here to add up.</p>}
      <ul>
        {sums.map(({ about, terms, gap, relativeGap, accuracy, resolution, tolerance }) => (
          <li key={about.join()} className="border-b border-line/60 py-1.5">
            <p className="flex flex-wrap items-center gap-x-2">
              {about.length === 1 ? <NodeBadge node={about[0]!} nodes={nodes} /> : <b>{about.join(' → ')}</b>}
              <span className="figures text-ochre">
                {terms
                  .map(({ element, indicated }) => `${element} ${formatQuantity(indicated, unit)}`)
                  .join(' + ')
                  .replaceAll(/\+ (\S+) −/g, '− $1 ')}
              </span>
              <span>
                leave <b className="figures text-ochre">{formatQuantity(gap, unit, { digits: 3, signed: true })}</b>, in
                truth 0
              </span>
            </p>
            <p>
              {Math.abs(relativeGap) < 1e-4
                ? 'The meter disturbs these too little to matter.'
                : `${cause} explains all of that gap, ${formatPercent(relativeGap, { signed: true })} of what ${quantity === 'dc-voltage' ? 'is there to share' : 'runs through'}.`}{' '}
              Beside it, at most: <span className="figures">±{formatQuantity(accuracy, unit, { digits: 2 })}</span>{' '}
              accuracy, <span className="figures">±{formatQuantity(resolution, unit, { digits: 2 })}</span> resolution
              {tolerance > 0 && (
                <>
                  , <span className="figures">±{formatQuantity(tolerance, unit, { digits: 2 })}</span> from the parts’
                  tolerances
                </>
              )}
              {accuracy + resolution > Math.abs(gap) &&
                Math.abs(relativeGap) >= 1e-4 &&
                ': on this range the gap may not be seen'}
              .
            </p>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-soft">
        The parts’ tolerances open no gap by themselves: what they change, they change in every term. They only change
        what the meter takes.
      </p>
    </div>
  );
}
