import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { unitOf, type MeterQuantity } from '@usual-drag/core/instrument';
import { indicationAt, type PointValues } from '@usual-drag/core/loading';
import { useState } from 'react';

interface Props {
  readonly quantity: MeterQuantity;
  readonly point: PointValues;
  /** Source resistance at the point, Ω. */
  readonly sourceResistance: number;
  /** Ω of the meter in the job; where the slider begins. */
  readonly meterResistance: number;
}

/** Steps of a decade, and decades to both sides of the source resistance. */
const steps = 20;
const decades = 4;

/** The indication of a meter of another resistance at the same measurement point. */
export function ResistanceSlider({ quantity, point, sourceResistance, meterResistance }: Props) {
  const [resistance, setResistance] = useState(meterResistance);
  const indication = indicationAt(point, resistance, quantity);
  const position = sourceResistance > 0 && resistance > 0 ? Math.log10(resistance / sourceResistance) * steps : 0;
  return (
    <label className="flex flex-col gap-1">
      <span>
        A meter of <b className="figures">{formatQuantity(resistance, 'Ω', { digits: 3, trim: true })}</b> would
        indicate <b className="figures text-ochre">{formatQuantity(indication?.indicated ?? null, unitOf(quantity))}</b>
        , error{' '}
        <b className="figures text-ochre">
          {formatPercent(indication?.relativeLoading ?? null, { signed: true, digits: 3 })}
        </b>
      </span>
      <input
        type="range"
        aria-label="Meter resistance"
        aria-valuetext={formatQuantity(resistance, 'Ω', { digits: 3, trim: true })}
        className="h-6 w-full accent-(--ochre-line)"
        min={-decades * steps}
        max={decades * steps}
        value={position}
        onChange={(event) => setResistance(sourceResistance * 10 ** (Number(event.target.value) / steps))}
      />
      <span className="flex justify-between text-[13px] text-soft">
        <span>1/10 000 of the source resistance</span>
        <span>equal to it</span>
        <span>10 000 times</span>
      </span>
    </label>
  );
}
