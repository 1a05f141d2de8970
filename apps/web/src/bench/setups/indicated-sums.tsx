import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { nodesOf } from '@usual-drag/core/network';
import { type Instrument, type MeterQuantity, type Range, unitOf } from '@usual-drag/core/instrument';
import { meterStateWords, indicatedSums, type Unloaded } from '@usual-drag/core/loading';
import { useMemo } from 'react';
import { NodeBadge } from '../canvas/node-badge.tsx';

/** Share of a sum that its figures do not show. */
const invisible = 1e-4;

interface Props {
  readonly unloaded: Unloaded;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly quantity: MeterQuantity;
}

/** Sums of this meter's indications, one reading at a time: they need not agree, and by how much and why is given. */
export function IndicatedSums({ unloaded, instrument, range, quantity }: Props) {
  const sums = useMemo(
    () => indicatedSums(unloaded, instrument, range, quantity),
    [unloaded, instrument, range, quantity],
  );
  const nodes = nodesOf(unloaded.network);
  const unit = unitOf(quantity);
  const cause = quantity === 'dc-voltage' ? 'Loading' : 'Insertion (burden voltage)';
  return (
    <div
      className="min-h-32 max-sm:bg-sheet sm:max-h-[40%] shrink-0 overflow-auto border-t border-line px-4 py-2 text-[14px]"
      tabIndex={0}
      role="region"
      aria-label="Indicated sums"
    >
      <p className="mb-1 text-soft">
        One reading at a time with {instrument.name ?? instrument.id}, {range.id}. Each reading is taken in a different
        circuit, so the sums of readings need not be zero.
      </p>
      {sums.length === 0 && <p>This network has no {quantity === 'dc-voltage' ? 'loop' : 'junction'} to sum.</p>}
      <ul>
        {sums.map(({ node, terms, gap, relativeGap, accuracy, resolution, tolerance }) => (
          <li key={node ?? terms.map(({ element }) => element).join(' ')} className="border-b border-line/60 py-1.5">
            <p className="flex flex-wrap items-center gap-x-2">
              {node === null ? (
                <b>Loop {terms.map(({ element }) => element).join('–')}</b>
              ) : (
                <NodeBadge node={node} nodes={nodes} />
              )}
              <span className="figures text-ochre">
                {terms
                  .map(({ element, indicated, state }) =>
                    state === 'ok'
                      ? `${element} ${formatQuantity(indicated, unit)}`
                      : `${element} ${meterStateWords[state]}`,
                  )
                  .join(' + ')
                  .replaceAll(/\+ (\S+) −/g, '− $1 ')}
              </span>
              {gap !== null && (
                <span>
                  = <b className="figures text-ochre">{formatQuantity(gap, unit, { digits: 3, signed: true })}</b>, true
                  0
                </span>
              )}
            </p>
            {gap === null || relativeGap === null ? (
              <p>This range cannot read every term, so there is no sum. Choose a higher range.</p>
            ) : (
              <p>
                {Math.abs(relativeGap) < invisible
                  ? 'The loading is too small to matter here.'
                  : `${cause} explains the whole difference, ${formatPercent(relativeGap, { signed: true })} of the ${quantity === 'dc-voltage' ? 'voltage in the loop' : 'current through the node'}.`}{' '}
                Besides, at most: <span className="figures">±{formatQuantity(accuracy, unit, { digits: 2 })}</span>{' '}
                accuracy, <span className="figures">±{formatQuantity(resolution, unit, { digits: 2 })}</span> resolution
                {tolerance > 0 && (
                  <>
                    , <span className="figures">±{formatQuantity(tolerance, unit, { digits: 2 })}</span> from the parts’
                    tolerances
                  </>
                )}
                {accuracy + resolution > Math.abs(gap) &&
                  Math.abs(relativeGap) >= invisible &&
                  ': on this range the difference may not be visible'}
                .
              </p>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-soft">
        Tolerances alone keep every sum at zero: they change its terms together. They only change the loading.
      </p>
    </div>
  );
}
