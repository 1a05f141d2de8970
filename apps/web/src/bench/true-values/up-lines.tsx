import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import type { Rebuilt, UpLine } from '@usual-drag/core/reduction';
import clsx from 'clsx';

/** Relative difference within which a line closes. */
const closing = 1e-9;

interface Props {
  /** As it was written down on the way. */
  readonly written: Rebuilt;
  readonly exact: Rebuilt;
}

/** The way back up: the supply, what each part keeps, and the sums checked at each step. */
export function UpLines({ written, exact }: Props) {
  const rounded = written !== exact;
  return (
    <section aria-label="Currents and voltages">
      <h2 className="mb-1 text-[18px] font-bold">Currents and voltages</h2>
      <table className="w-full border-collapse text-[15px]">
        {rounded && (
          <thead className="text-[13px] text-soft">
            <tr>
              <th scope="col" className="text-left font-medium">
                What
              </th>
              <th scope="col" className="text-left font-medium">
                How
              </th>
              <th scope="col" className="text-right font-medium">
                As written
              </th>
              <th scope="col" className="text-right font-medium">
                Exactly
              </th>
              <th scope="col" className="text-right font-medium">
                Drift
              </th>
            </tr>
          </thead>
        )}
        <tbody>
          {written.steps.flatMap(({ step, lines }, index) =>
            lines.map((line, k) => (
              <Row key={`${step}-${k}`} line={line} exact={rounded ? exact.steps[index]!.lines[k]! : null} />
            )),
          )}
        </tbody>
      </table>
      {rounded && (
        <p className="mt-2 border-l-4 border-ink pl-3 text-[14px]">
          A difference of this size is rounding. A difference ten times larger points to a wrong connection.
        </p>
      )}
    </section>
  );
}

function Row({ line, exact }: { readonly line: UpLine; readonly exact: UpLine | null }) {
  const { kind, title, formula, value, unit, digits, apart } = line;
  const second = kind === 'check' || kind === 'leftover';
  const closes = apart !== undefined && Math.abs(apart) < closing;
  const drift = exact && exact.value !== 0 ? (value - exact.value) / Math.abs(exact.value) : null;
  return (
    <tr className={clsx('border-b border-line/60', second && 'bg-sunk/60')}>
      <th scope="row" className={clsx('py-1 pr-2 text-left', second ? 'pl-3 font-medium text-soft' : 'font-bold')}>
        {title}
      </th>
      <td className="figures py-1 pr-2">{formula}</td>
      <td className="figures py-1 text-right font-bold whitespace-nowrap">
        {kind === 'note' ? '' : formatQuantity(value, unit, { digits })}
        {second && !exact && (
          <span className={clsx('ml-2', closes ? 'text-good' : 'text-ochre')}>
            {kind === 'check' ? (closes ? '✓ closes' : 'does not close') : closes ? '✓ the same' : 'differs'}
          </span>
        )}
      </td>
      {exact && (
        <>
          <td className="figures py-1 text-right whitespace-nowrap">
            {kind === 'note' ? '' : formatQuantity(exact.value, unit, { digits })}
          </td>
          <td className="figures py-1 text-right whitespace-nowrap text-ochre">
            {drift === null ? '' : formatPercent(drift, { digits: 2, signed: true })}
          </td>
        </>
      )}
    </tr>
  );
}
