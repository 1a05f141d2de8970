import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import {
  diodesAcross,
  fuseFor,
  meterFaults,
  movementInUse,
  sectionName,
  swampingResistor,
  temperatureErrors,
  type MeterFault,
  type WorkedSide,
  worstFaults,
} from '@usual-drag/core/workshop';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { FiguresTable } from '../../ui/figures-table.tsx';
import { Note } from '../../ui/note.tsx';
import { asCount, inPercent } from '../../ui/number-field.ts';
import { ValueField } from '../../ui/value-field.tsx';
import { ohms, rangeText, unitOfSide } from '../words.ts';
import type { SheetProps } from './sheet-props.ts';

/** Share of full scale that is shown as 0. */
const noDeflection = 1e-9;

/** Effects of temperature, a fault and a wrong range on the meter, and the protection against them. */
export function TemperatureSheet({ project, sides, onEdit }: SheetProps) {
  return (
    <div className="flex flex-col gap-6">
      <TemperatureErrors project={project} sides={sides} onEdit={onEdit} />
      {sides.map((side) => (
        <Faults key={side.design.target} side={side} />
      ))}
      <Protection project={project} sides={sides} />
    </div>
  );
}

function TemperatureErrors({ project, sides, onEdit }: SheetProps) {
  const [span, setSpan] = useState(10);
  const [target, setTarget] = useState(0.01);
  const { movement } = project;
  const found = swampingResistor(project, span, target);
  const swamping = found.ok ? found.value : null;
  const rows = sides.flatMap((side) => {
    const [cold, warm] = [-span, span].map((kelvin) => temperatureErrors(project, side, kelvin));
    return side.result.ranges.map(({ range }, k) => ({
      key: `${side.design.target} ${range}`,
      cells: [
        rangeText(side, range),
        cold!.ok ? formatPercent(cold!.value[k]!, { signed: true, digits: 3 }) : '—',
        warm!.ok ? formatPercent(warm!.value[k]!, { signed: true, digits: 3 }) : '—',
      ],
    }));
  });
  const volts = sides.every(({ design }) => design.target === 'voltmeter');
  return (
    <section aria-label="Temperature" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="pb-1.5 text-[17px] font-bold">Temperature</h2>
        <ValueField
          label="± kelvin"
          showLabel
          className="w-24"
          shown={String(span)}
          read={asCount.parse}
          onCommit={setSpan}
        />
        <ValueField
          label="Error allowed"
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
        rows={rows}
      />
      <p className="max-w-3xl text-[14px]">
        {volts
          ? 'A multiplier of low temperature coefficient outweighs the coil’s copper, the more the higher the range.'
          : !found.ok
            ? found.fault.message
            : found.value.resistance === 0
              ? 'The coil alone stays within the error allowed.'
              : `A swamping resistor of ${ohms(found.value.resistance, 4)} (manganin) in series with the coil holds every current range within ±${formatPercent(target, { digits: 2, trim: true })}. It costs burden: movement and resistor then need ${formatQuantity(found.value.burden, 'V', { digits: 3 })} at full scale.`}
      </p>
      {!volts && swamping && swamping.resistance > 0 && movement.swamping !== swamping.resistance && (
        <Button
          className="self-start"
          onClick={() => onEdit((now) => ({ ...now, movement: { ...now.movement, swamping: swamping.resistance } }))}
        >
          Add {ohms(swamping.resistance, 4)} in series with the coil
        </Button>
      )}
    </section>
  );
}

function Faults({ side }: { readonly side: WorkedSide }) {
  const { design, movement, result } = side;
  const list = useMemo(() => worstFaults(meterFaults(design, movement, result)), [design, movement, result]);
  const what = ({ what: of, section, range, applied }: MeterFault): string =>
    of === 'range-too-low'
      ? `${rangeText(side, applied)} on the ${rangeText(side, range)} range`
      : `${sectionName(design.target, section!)} ${of === 'section-opens' ? 'opens' : 'shorts'} on the ${rangeText(side, range)} range`;
  return (
    <section aria-label={`Faults and wrong ranges as ${design.target}`} className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold">
        Faults and wrong ranges{design.target === 'ammeter' ? ', current' : ', voltage'}
      </h2>
      <FiguresTable
        label={`Faults and wrong ranges of the ${design.target}`}
        head={['Fault', 'Applied', 'Movement', 'Power in it']}
        rows={list.map((fault) => ({
          key: what(fault),
          strong: fault.times > 10,
          cells: [
            what(fault),
            formatQuantity(fault.applied, unitOfSide(side), { digits: 4, trim: true }),
            fault.times < noDeflection
              ? '0'
              : `${Number(fault.times.toPrecision(3)).toLocaleString('en')} × full scale`,
            formatQuantity(fault.power, 'W', { digits: 3 }),
          ],
        }))}
      />
      {design.target === 'ammeter' && (
        <p className="text-[14px] text-soft">
          Worst case: the circuit holds its current whatever the meter does. Bold: more than ten times full scale burns
          coils and bends needles.
        </p>
      )}
    </section>
  );
}

function Protection({ project, sides }: Omit<SheetProps, 'onEdit'>) {
  const movement = movementInUse(project.movement);
  const amps = sides.find(({ design }) => design.target === 'ammeter');
  const diodes = movement.ok ? diodesAcross(movement.value) : null;
  const highest = amps ? Math.max(...amps.design.ranges) : null;
  const proposed = highest === null ? null : fuseFor(highest);
  const { fuse } = project;
  return (
    <section aria-label="Protection" className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold">Protection</h2>
      {diodes && (
        <p className="max-w-3xl text-[14px]">
          Two silicon diodes back to back across the movement limit it to about {Number(diodes.holdAt.toPrecision(2))} ×
          full scale.{' '}
          {diodes.fit
            ? 'At full scale the drop is too small for them to conduct.'
            : 'But at full scale it drops so much that they would conduct: leave them out, or choose a more sensitive movement.'}
        </p>
      )}
      {amps && fuse && (
        <>
          <FiguresTable
            label="Burden with the fuse"
            head={['Range', 'Burden voltage', 'With the fuse', 'Added by the fuse']}
            rows={amps.result.ranges.map(({ range, burden }) => ({
              key: String(range),
              cells: [
                rangeText(amps, range),
                formatQuantity(burden, 'V', { digits: 4 }),
                formatQuantity(burden! + range * fuse.resistance, 'V', { digits: 4 }),
                formatPercent((range * fuse.resistance) / burden!, { digits: 2 }),
              ],
            }))}
          />
          {highest !== null && fuse.rating < highest && (
            <Note kind="limit">
              The fuse of {formatQuantity(fuse.rating, 'A', { digits: 3, trim: true })} blows below the highest range.
              {proposed !== null && ` Choose ${formatQuantity(proposed, 'A', { digits: 3, trim: true })}.`}
            </Note>
          )}
          <Note kind="limit">
            A fuse for the highest range does not protect the lowest: it carries{' '}
            {Number((fuse.rating / amps.result.ranges[0]!.range).toPrecision(3))} times that range permanently. A blown
            fuse is replaced by its own type and rating only.
          </Note>
        </>
      )}
      {amps && !fuse && (
        <Note kind="limit">
          No fuse is in series.
          {proposed !== null
            ? ` One of ${formatQuantity(proposed, 'A', { digits: 3, trim: true })} carries the highest range; enter it at the left with its resistance to see the burden voltage it adds.`
            : ' No standard fuse carries the highest range: rely on the circuit’s own protection.'}
        </Note>
      )}
    </section>
  );
}
