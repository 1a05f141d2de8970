import {
  formatPercent,
  formatQuantity,
  swampingResistor,
  temperatureErrors,
  type Design,
  type DesignResult,
  type Movement,
} from '@usual-drag/core';
import { useState } from 'react';
import { FiguresTable } from '../ui/figures-table.tsx';
import { asCount, inPercent } from '../ui/number-field.ts';
import { ValueField } from '../ui/value-field.tsx';

interface Props {
  readonly design: Design;
  readonly movement: Movement;
  readonly result: DesignResult;
}

/** What a copper coil does to the readings when it warms, and the swamping resistor that holds it down. */
export function Temperature({ design, movement, result }: Props) {
  const [span, setSpan] = useState(10);
  const [target, setTarget] = useState(0.01);
  const unit = design.target === 'ammeter' ? 'A' : 'V';
  const ranges = result.ranges.map(({ range }) => range);
  const sections = result.sections.map(({ resistance }) => resistance);
  const [cold, warm] = [-span, span].map((kelvin) => temperatureErrors(design, movement, ranges, sections, kelvin));
  const swamping = swampingResistor(movement, span, target);
  return (
    <details>
      <summary className="text-[17px] font-bold">When the coil warms</summary>
      <div className="mt-2 flex flex-col gap-2">
        <div className="flex gap-2">
          <ValueField
            label="± kelvin"
            showLabel
            className="w-24"
            shown={String(span)}
            read={asCount.parse}
            onCommit={setSpan}
          />
          <ValueField
            label="Error wanted"
            showLabel
            className="w-28"
            shown={inPercent.print(target)}
            read={inPercent.parse}
            onCommit={setTarget}
          />
        </div>
        <FiguresTable
          label="Error over temperature"
          head={['Range', `${span} K colder`, `${span} K warmer`]}
          rows={ranges.map((range, k) => ({
            key: String(range),
            cells: [
              formatQuantity(range, unit, { digits: 4, trim: true }),
              formatPercent(cold![k]!, { signed: true, digits: 3 }),
              formatPercent(warm![k]!, { signed: true, digits: 3 }),
            ],
          }))}
        />
        <p className="text-[14px]">
          {design.target === 'voltmeter'
            ? 'A multiplier of low temperature coefficient hides the coil’s copper the better the higher the range.'
            : swamping.resistance === 0
              ? 'The coil alone stays within the error wanted.'
              : `A swamping resistor of ${formatQuantity(swamping.resistance, 'Ω', { digits: 4 })} (manganin) in series with the coil keeps every range within ±${formatPercent(target, { digits: 2, trim: true })}. It costs burden: the movement then takes ${formatQuantity(swamping.burden, 'V', { digits: 3 })} at full scale. Give coil and resistor together as the movement’s resistance to design with it.`}
        </p>
      </div>
    </details>
  );
}
