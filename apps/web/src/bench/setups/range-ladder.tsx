import { formatPercent, formatQuantity, type Meter, type Rung } from '@usual-drag/core';
import clsx from 'clsx';
import type { Ladder } from './ladder.ts';

interface Props {
  readonly meter: Meter;
  readonly ladder: Ladder;
  /** Ranges of several instruments are listed. */
  readonly several: boolean;
  readonly onTake: (rung: Rung) => void;
}

const stateWords = {
  ok: '',
  'over-range': 'over range',
  reversed: 'backwards',
  'fuse-blown': 'blows its fuse',
} as const;

/** Every range at this place: what it shows, how far that is off, and what to believe. The best of each is marked. */
export function RangeLadder({ meter, ladder, several, onTake }: Props) {
  const { rungs, best } = ladder;
  const unit = meter.quantity === 'dc-voltage' ? 'V' : 'A';
  const print = (value: number | null, digits = 3): string => formatQuantity(value, unit, { digits });
  const largest = Math.max(...rungs.filter(({ state }) => state === 'ok').map(({ asRead }) => asRead ?? 0));
  return (
    <section aria-label={`Ranges for ${meter.id}`} className="flex flex-col gap-1.5">
      <table className="w-full border-collapse text-[13px]">
        <thead className="text-soft">
          <tr className="border-b border-line">
            {['Range', 'Shows', 'Loading', 'Scale', 'As read', 'Corrected'].map((text, index) => (
              <th
                key={text}
                scope="col"
                className={clsx('px-1 py-0.5 font-medium', index === 0 ? 'text-left' : 'text-right')}
              >
                {text}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rungs.map((rung, index) => {
            const { instrument, range, state } = rung;
            const first = several && rungs[index - 1]?.instrument !== instrument;
            const taken = instrument.id === meter.instrument && range.id === meter.range;
            return [
              first && (
                <tr key={instrument.id}>
                  <th scope="rowgroup" colSpan={6} className="px-1 pt-1.5 text-left font-bold">
                    {instrument.name ?? instrument.id}
                  </th>
                </tr>
              ),
              <tr
                key={`${instrument.id} ${range.id}`}
                className={clsx(
                  'cursor-pointer border-b border-line/60 hover:bg-sunk',
                  taken && 'bg-sunk outline-2 -outline-offset-2 outline-ink',
                )}
                onClick={() => onTake(rung)}
              >
                <th scope="row" className="px-1 py-0.5 text-left font-bold whitespace-nowrap">
                  <button type="button" aria-pressed={taken} className="rounded px-0.5 hover:underline">
                    {range.id}
                  </button>
                </th>
                {state === 'ok' ? (
                  <>
                    <td className="figures px-1 text-right font-bold whitespace-nowrap text-ochre">
                      {rung.display} {rung.unit}
                    </td>
                    <td className="figures px-1 text-right whitespace-nowrap">
                      {formatPercent(rung.relativeLoading, { signed: true, digits: 3 })}
                    </td>
                    <td className="figures px-1 text-right">{formatPercent(rung.deflection, { digits: 2 })}</td>
                    <td className={clsx('figures px-1 text-right whitespace-nowrap', rung === best.asRead && bestCell)}>
                      {rung === best.asRead && <Best text="best as read" />}±{print(rung.asRead)}
                      <Parts rung={rung} largest={largest} />
                    </td>
                    <td
                      className={clsx('figures px-1 text-right whitespace-nowrap', rung === best.corrected && bestCell)}
                    >
                      {rung === best.corrected && <Best text="best corrected" />}±{print(rung.corrected)}
                    </td>
                  </>
                ) : (
                  <td colSpan={5} className="px-1 text-right text-soft">
                    {stateWords[state]}
                  </td>
                )}
              </tr>,
            ];
          })}
        </tbody>
      </table>
      <p className="flex flex-wrap gap-x-3 text-[13px] text-soft">
        <Key className="bg-(--ochre-line)" text="loading" />
        <Key className="bg-ink" text="accuracy" />
        <Key className="bg-(--node-0)" text="resolution" />
        <span>★ the least of its column</span>
      </p>
      <Advice ladder={ladder} print={print} />
    </section>
  );
}

const bestCell = 'rounded-md bg-(--limit-ground) font-bold';

const Best = ({ text }: { readonly text: string }) => (
  <>
    <span aria-hidden>★ </span>
    <span className="sr-only">{text}, </span>
  </>
);

/** The parts of the doubt as read, to one scale for the whole table. */
function Parts({ rung, largest }: { readonly rung: Rung; readonly largest: number }) {
  const width = (part: number): string => `${(Math.abs(part) / largest) * 100}%`;
  return (
    <span aria-hidden className="mt-px flex h-1 w-full justify-end">
      <span className="bg-(--ochre-line)" style={{ width: width(rung.loading ?? 0) }} />
      <span className="bg-ink" style={{ width: width(rung.accuracy) }} />
      <span className="bg-(--node-0)" style={{ width: width(rung.resolution) }} />
    </span>
  );
}

const Key = ({ className, text }: { readonly className: string; readonly text: string }) => (
  <span className="inline-flex items-center gap-1">
    <span aria-hidden className={clsx('size-2.5 rounded-sm', className)} /> {text}
  </span>
);

/** Which range to take, and why, in a sentence each. */
function Advice({ ladder, print }: { readonly ladder: Ladder; readonly print: (value: number | null) => string }) {
  const { asRead, corrected } = ladder.best;
  if (!asRead || !corrected)
    return <p className="text-[14px]">No range here can be read: look for another instrument.</p>;
  const own = (rung: Rung): string => print(rung.accuracy + rung.resolution);
  return (
    <div className="text-[14px] leading-snug">
      <p>
        <b>As it stands, {asRead.range.id}</b>: {print(Math.abs(asRead.loading ?? 0))} of loading and {own(asRead)} of
        its own come to the least, ±{print(asRead.asRead)}.
      </p>
      {corrected !== asRead && (
        <p>
          <b>Corrected, {corrected.range.id}</b>: it drags{' '}
          {formatPercent(Math.abs(corrected.relativeLoading ?? 0), { digits: 3 })}, but that is known and taken out;
          what is left is ±{print(corrected.corrected)}.
        </p>
      )}
    </div>
  );
}
