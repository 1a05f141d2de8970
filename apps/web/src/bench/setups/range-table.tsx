import { formatPercent, formatQuantity, type Meter, type RangeOption, unitOf } from '@usual-drag/core';
import clsx from 'clsx';
import type { RangeOptions } from './range-options.ts';

interface Props {
  readonly meter: Meter;
  readonly rangeOptions: RangeOptions;
  /** Ranges of several instruments are listed. */
  readonly several: boolean;
  readonly onTake: (option: RangeOption) => void;
}

const stateWords = {
  ok: '',
  'over-range': 'over range',
  reversed: 'backwards',
  'fuse-blown': 'blows its fuse',
} as const;

/** Every range at this place: what it shows, how far that is off, and what to believe. The best of each is marked. */
export function RangeOptionsTable({ meter, rangeOptions, several, onTake }: Props) {
  const { options, best } = rangeOptions;
  const unit = unitOf(meter.quantity);
  const print = (value: number | null, digits = 3): string => formatQuantity(value, unit, { digits });
  const largest = Math.max(...options.filter(({ state }) => state === 'ok').map(({ asRead }) => asRead ?? 0));
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
          {options.map((option, index) => {
            const { instrument, range, state } = option;
            const first = several && options[index - 1]?.instrument !== instrument;
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
                onClick={() => onTake(option)}
              >
                <th scope="row" className="px-1 py-0.5 text-left font-bold whitespace-nowrap">
                  <button type="button" aria-pressed={taken} className="rounded px-0.5 hover:underline">
                    {range.id}
                  </button>
                </th>
                {state === 'ok' ? (
                  <>
                    <td className="figures px-1 text-right font-bold whitespace-nowrap text-ochre">
                      {option.display} {option.unit}
                    </td>
                    <td className="figures px-1 text-right whitespace-nowrap">
                      {formatPercent(option.relativeLoading, { signed: true, digits: 3 })}
                    </td>
                    <td className="figures px-1 text-right">{formatPercent(option.deflection, { digits: 2 })}</td>
                    <td
                      className={clsx('figures px-1 text-right whitespace-nowrap', option === best.asRead && bestCell)}
                    >
                      {option === best.asRead && <Best text="best as read" />}±{print(option.asRead)}
                      <Parts option={option} largest={largest} />
                    </td>
                    <td
                      className={clsx(
                        'figures px-1 text-right whitespace-nowrap',
                        option === best.corrected && bestCell,
                      )}
                    >
                      {option === best.corrected && <Best text="best corrected" />}±{print(option.corrected)}
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
      <Advice rangeOptions={rangeOptions} print={print} />
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

/** The parts of the uncertainty as read, to one scale for the whole table. */
function Parts({ option, largest }: { readonly option: RangeOption; readonly largest: number }) {
  const width = (part: number): string => `${(Math.abs(part) / largest) * 100}%`;
  return (
    <span aria-hidden className="mt-px flex h-1 w-full justify-end">
      <span className="bg-(--ochre-line)" style={{ width: width(option.loading ?? 0) }} />
      <span className="bg-ink" style={{ width: width(option.accuracy) }} />
      <span className="bg-(--node-0)" style={{ width: width(option.resolution) }} />
    </span>
  );
}

const Key = ({ className, text }: { readonly className: string; readonly text: string }) => (
  <span className="inline-flex items-center gap-1">
    <span aria-hidden className={clsx('size-2.5 rounded-sm', className)} /> {text}
  </span>
);

/** Which range to take, and why, in a sentence each. */
function Advice({
  rangeOptions,
  print,
}: {
  readonly rangeOptions: RangeOptions;
  readonly print: (value: number | null) => string;
}) {
  const { asRead, corrected } = rangeOptions.best;
  if (!asRead || !corrected)
    return <p className="text-[14px]">No range here can be read: look for another instrument.</p>;
  const own = (option: RangeOption): string => print(option.accuracy + option.resolution);
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
