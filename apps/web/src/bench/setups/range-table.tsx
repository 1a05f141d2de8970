import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { meterStateWords, type Meter, type RangeOption } from '@usual-drag/core/loading';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { RangeOptions } from './range-options.ts';

const columns: readonly { readonly text: string; readonly meaning: string }[] = [
  { text: 'Range', meaning: 'Range of the instrument' },
  { text: 'Display', meaning: 'Display of the instrument on this range' },
  { text: 'Loading', meaning: 'Loading error' },
  { text: 'Share', meaning: 'Indication as a share of the range' },
  { text: '± uncorrected', meaning: 'Limit of the indicated value, its loading error included' },
  { text: '± corrected', meaning: 'U, k = 2, of the value with its loading error corrected' },
];

/** Loading error that two digits of a per cent do not show. */
const invisible = 1e-5;

interface Props {
  readonly meter: Meter;
  readonly rangeOptions: RangeOptions;
  /** Ranges of several instruments are listed. */
  readonly several: boolean;
  readonly onTake: (option: RangeOption) => void;
  /** Stands at the end of the key. */
  readonly children?: ReactNode;
}

/** The range table: what each range indicates, its loading error, and the uncertainty with and without correction. */
export function RangeOptionsTable({ meter, rangeOptions, several, onTake, children }: Props) {
  const { options, best } = rangeOptions;
  const unit = unitOf(meter.quantity);
  const plusMinus = (value: number | null): string =>
    value === null ? '–' : `±${formatQuantity(value, unit, { digits: 3 })}`;
  const largest = Math.max(...options.filter(({ state }) => state === 'ok').map(({ uncorrected }) => uncorrected ?? 0));
  return (
    <>
      <div className="relative overflow-x-auto">
        <table className="w-full border-collapse text-[13px]">
          <thead className="text-soft">
            <tr className="border-b border-line">
              {columns.map(({ text, meaning }, index) => (
                <th
                  key={text}
                  scope="col"
                  title={meaning}
                  className={clsx(
                    'px-1 py-0.5 align-bottom leading-tight font-medium',
                    index === 0 ? 'text-left' : 'text-right',
                  )}
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
                  <th scope="row" className="px-1 text-left font-bold whitespace-nowrap">
                    <button type="button" aria-pressed={taken} className="min-h-6 rounded px-0.5 hover:underline">
                      {range.id}
                    </button>
                  </th>
                  {state === 'ok' ? (
                    <>
                      <td className="figures px-1 text-right font-bold whitespace-nowrap text-ochre">
                        {option.display} {option.unit}
                      </td>
                      <td className="figures px-1 text-right whitespace-nowrap">
                        {loadingText(option.relativeLoading)}
                        {range.calibration && <OwnError option={option} quantity={meter.quantity} />}
                      </td>
                      <td className="figures px-1 text-right">{formatPercent(option.deflection, { digits: 2 })}</td>
                      <td
                        className={clsx(
                          'figures px-1 text-right whitespace-nowrap',
                          option === best.uncorrected && bestCell,
                        )}
                      >
                        {option === best.uncorrected && <Best text="best without correction" />}
                        {plusMinus(option.uncorrected)}
                        <Parts option={option} largest={largest} />
                      </td>
                      <td
                        className={clsx(
                          'figures px-1 text-right whitespace-nowrap',
                          option === best.corrected && bestCell,
                        )}
                      >
                        {option === best.corrected && <Best text="best with correction" />}
                        {plusMinus(option.corrected)}
                      </td>
                    </>
                  ) : (
                    <td colSpan={5} className="px-1 text-right text-soft">
                      {meterStateWords[state]}
                    </td>
                  )}
                </tr>,
              ];
            })}
          </tbody>
        </table>
      </div>
      <p className="flex flex-wrap items-center gap-x-1.5 text-[13px] text-soft">
        <span>limits:</span>
        <Key className="bg-(--ochre-line)" text="loading" />
        <Key className="bg-ink" text="accuracy" />
        <Key className="bg-(--node-0)" text="resolution" />
        <span>k = 2</span>
        <span>★ best</span>
        {options.some(({ range }) => range.calibration) && <span>c certificate</span>}
        {children}
      </p>
      <Advice rangeOptions={rangeOptions} several={several} plusMinus={plusMinus} />
    </>
  );
}

/** Returns a loading error as text; one below a thousandth of a per cent is given as such. */
const loadingText = (loading: number | null): string =>
  loading !== null && loading !== 0 && Math.abs(loading) < invisible
    ? '< 0.001\u00a0%'
    : formatPercent(loading, { signed: true, digits: 3 });

const bestCell = 'rounded-md bg-(--limit-ground) font-bold';

const Best = ({ text }: { readonly text: string }) => (
  <>
    <span aria-hidden>★ </span>
    <span className="sr-only">{text}, </span>
  </>
);

/** Mark of a range whose own error is known from a certificate. */
function OwnError({ option: { range, ownError }, quantity }: OwnErrorProps) {
  const error = formatQuantity(ownError, unitOf(quantity), { digits: 2, signed: true });
  const words = `own error ${error} by the certificate of ${range.calibration!.on}`;
  return (
    <span title={words}>
      <span aria-hidden className="ml-0.5 font-bold text-ink">
        c
      </span>
      <span className="sr-only">, {words}</span>
    </span>
  );
}

interface OwnErrorProps {
  readonly option: RangeOption;
  readonly quantity: Meter['quantity'];
}

/** The parts of the uncorrected uncertainty, to one scale for the whole table. */
function Parts({ option, largest }: { readonly option: RangeOption; readonly largest: number }) {
  const width = (part: number): string => `${(Math.abs(part) / largest) * 100}%`;
  return (
    <span aria-hidden className="mt-px flex h-1 w-full justify-end">
      <span className="bg-(--ochre-line)" style={{ width: width((option.loading ?? 0) + option.ownError) }} />
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

/** The best range without and with a correction of the loading error. */
function Advice({ rangeOptions, several, plusMinus }: AdviceProps) {
  const { uncorrected, corrected } = rangeOptions.best;
  if (!uncorrected)
    return <p className="text-[14px]">No range of this instrument can be read here. Choose another instrument.</p>;
  const named = ({ instrument, range }: RangeOption): string =>
    several ? `${range.id} of ${instrument.name ?? instrument.id}` : range.id;
  return (
    <p className="text-[14px] leading-snug">
      Best uncorrected: <b>{named(uncorrected)}</b>, {plusMinus(uncorrected.uncorrected)};{' '}
      {corrected ? (
        <>
          corrected: <b>{named(corrected)}</b>, {plusMinus(corrected.corrected)}.
        </>
      ) : (
        'no reading here can be corrected.'
      )}
    </p>
  );
}

interface AdviceProps {
  readonly rangeOptions: RangeOptions;
  readonly several: boolean;
  readonly plusMinus: (value: number | null) => string;
}
