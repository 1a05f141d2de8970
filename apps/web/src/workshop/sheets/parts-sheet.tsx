import { formatPercent } from '@usual-drag/core/quantity';
import {
  cheapestWithin,
  usualPrices,
  worthwhile,
  type GradePrice,
  type Way,
  type WorkedSide,
} from '@usual-drag/core/workshop';
import { useState } from 'react';
import type { SideStudy } from '../../workers/meter-project.ts';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { inPercent } from '../../ui/number-field.ts';
import { ValueField } from '../../ui/value-field.tsx';
import { useStudy } from '../use-worked.ts';
import { rangeText, smallPercent } from '../words.ts';
import { StandardShunts } from './standard-shunts.tsx';
import { Choices } from './choices.tsx';
import type { SheetProps } from './sheet-props.ts';
import { WireShunts } from './wire-shunts.tsx';

/** Tolerance of the chosen parts, the cost of a better meter, and shunts of wire or bought ones. */
export function PartsSheet({ project, sides, onEdit }: SheetProps) {
  const study = useStudy(project, sides);
  const [target, setTarget] = useState(0.01);
  const prices = project.parts.prices ?? usualPrices;
  return (
    <div className="flex flex-col gap-6">
      {sides.map((side, k) => (
        <section
          key={side.design.target}
          aria-label={`Errors of the ${side.design.target}`}
          className="flex flex-col gap-2"
        >
          <h2 className="text-[17px] font-bold">
            Error at full scale
            {sides.length > 1 && `, as ${side.design.target === 'ammeter' ? 'an ammeter' : 'a voltmeter'}`}
          </h2>
          <Errors side={side} study={study?.[k] ?? null} />
        </section>
      ))}
      <Choices project={project} sides={sides} />
      <WireShunts sides={sides} />
      {sides.some(({ design }) => design.target === 'ammeter') && <StandardShunts project={project} sides={sides} />}
      {/* Last: it takes a moment, and nothing below it moves when it comes. */}
      <section aria-label="Cost" className="flex flex-col gap-2">
        <div className="flex flex-wrap items-end gap-4">
          <h2 className="pb-1 text-[17px] font-bold">Cost of an error limit</h2>
          <ValueField
            label="Error limit"
            className="w-24 [&_input]:border-line"
            shown={inPercent.print(target)}
            read={inPercent.parse}
            onCommit={setTarget}
          />
        </div>
        <details>
          <summary>Prices</summary>
          <div className="mt-2 flex flex-wrap gap-2">
            {prices.map((grade) => (
              <ValueField
                key={grade.tolerance}
                label={grade.tolerance === 0 ? 'a trimmer' : `one of ${inPercent.print(grade.tolerance)}`}
                showLabel
                className="w-24"
                shown={String(grade.price)}
                read={(text) => {
                  const price = Number(text.replace(',', '.'));
                  return price >= 0 && text.trim() !== ''
                    ? { ok: true, value: price }
                    : { ok: false, fault: { message: 'A price, 0 or more.' } };
                }}
                onCommit={(price) =>
                  onEdit((now) => ({ ...now, parts: { ...now.parts, prices: repriced(prices, grade, price) } }))
                }
              />
            ))}
          </div>
          <p className="mt-1 text-[14px] text-soft">In your own currency. These prices are made up: enter yours.</p>
        </details>
        {!study && <p className="text-soft">Sampling 20,000 meters and pricing every way …</p>}
        {study?.map(({ ways }, k) => (
          <Ways key={k} ways={ways} target={target} what={sides.length > 1 ? sides[k]!.design.target : null} />
        ))}
      </section>
    </div>
  );
}

const repriced = (prices: readonly GradePrice[], grade: GradePrice, price: number): GradePrice[] =>
  prices.map((other) => (other === grade ? { ...grade, price } : other));

function Errors({ side, study }: { readonly side: WorkedSide; readonly study: SideStudy | null }) {
  return (
    <FiguresTable
      label={`Error at full scale of the ${side.design.target}`}
      head={['Range', 'Nominal parts', 'Worst case', '95 of 100 meters', 'Standard deviation']}
      rows={side.result.asBuilt.map(({ range, fullScaleError, worstCase }, k) => {
        const errors = study?.sampled[k]?.errors;
        return {
          key: String(range),
          cells: [
            rangeText(side, range),
            smallPercent(fullScaleError),
            `${smallPercent(worstCase[0])} … ${smallPercent(worstCase[1])}`,
            errors ? `${smallPercent(errors.low)} … ${smallPercent(errors.high)}` : '…',
            errors ? formatPercent(errors.deviation, { digits: 2 }) : '…',
          ],
        };
      })}
    />
  );
}

function Ways({
  ways,
  target,
  what,
}: {
  readonly ways: readonly Way[];
  readonly target: number;
  readonly what: string | null;
}) {
  const enough = cheapestWithin(ways, target);
  return (
    <div className="flex flex-col gap-1">
      <FiguresTable
        label={`Ways to build${what ? ` the ${what}` : ''}`}
        head={['Way', 'Resistors', 'Price', 'Maximum error']}
        rows={worthwhile(ways).map((way) => ({
          key: `${way.maxParts} ${way.tolerance}`,
          strong: way === enough,
          cells: [wayText(way), way.count, way.price.toFixed(2), `±${formatPercent(way.error, { digits: 2 })}`],
        }))}
      />
      <p className="text-[14px]" role="status">
        {enough
          ? `${what ? `The ${what}: ` : ''}${wayText(enough)} keeps within ±${formatPercent(target, { digits: 2, trim: true })}, for ${enough.price.toFixed(2)}.`
          : `No part on the price list stays within ±${formatPercent(target, { digits: 2, trim: true })}. Measure each part and pick, or set trimmers against a standard.`}
      </p>
    </div>
  );
}

const wayText = ({ tolerance, maxParts }: Way): string =>
  maxParts === null
    ? `a resistor of ${inPercent.print(tolerance)} and a trimmer each`
    : `${['', 'one', 'up to two', 'up to three'][maxParts]} of ${inPercent.print(tolerance)} a section`;
