import { findRange, shownOn, type Instrument, type ReadingQuantity } from '@usual-drag/core/instrument';
import { meterPicture, type MeterSetting, type MeterShown } from '@usual-drag/core/drawing';
import { halfDivision } from '@usual-drag/core/workshop';
import { observedNumber, type Observation } from '@usual-drag/core/readings';
import clsx from 'clsx';
import { useMemo } from 'react';
import { MeterView, needleWords } from '../../../drawing/meter-view.tsx';
import { NeedleField } from './needle-field.tsx';

/** Indication to expect at a place and its limits over the tolerances, V, A or Ω. */
export interface ExpectedIndication {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

interface Props {
  readonly instrument: Instrument;
  readonly quantity: ReadingQuantity;
  readonly range: string;
  /** Setting of the same instrument at the step before; null if there is none. */
  readonly from: MeterSetting | null;
  /** Null while it is hidden or not known. */
  readonly expected: ExpectedIndication | null;
  /** The typed display, or otherwise the last one that was read; null if there is none. */
  readonly observation: Observation | null;
  /** Takes the display that corresponds to the position of the needle. */
  readonly onPlace: (shown: string, unit: string) => void;
  readonly large?: boolean;
}

/** The instrument as it must be set for a reading. A digital one has the field of the entry as its display. */
export function SetMeter({ instrument, quantity, range, from, expected, observation, onPlace, large = false }: Props) {
  const shown = useMemo(
    (): MeterShown => ({
      setting: { quantity, range },
      from: from?.quantity === quantity && from.range === range ? null : from,
      needle: {
        expected: expected && { value: expected.expected, low: expected.low, high: expected.high },
        reading: observation && observedNumber(observation),
      },
    }),
    [quantity, range, from, expected, observation],
  );
  const picture = useMemo(() => meterPicture(instrument, shown), [instrument, shown]);
  const { dial } = picture;
  const unit = quantity === 'dc-voltage' ? 'V' : 'A';
  const own = findRange(instrument, quantity, range);
  const place = (value: number): void => {
    if (!own) return;
    const now = shownOn(instrument, quantity, own, value);
    if (now.display !== null) onPlace(now.display, now.unit);
  };
  const reading = shown.needle?.reading ?? null;
  return (
    <div className="flex flex-col gap-1">
      <MeterView
        instrument={instrument}
        shown={shown}
        picture={picture}
        onPlace={place}
        className={clsx('mx-auto w-full', large ? 'max-h-[34vh]' : 'max-h-62 max-sm:max-h-none')}
      />
      {dial && quantity !== 'resistance' && (
        <p className="flex flex-wrap items-center gap-x-3 text-[15px]">
          <NeedleField key={`${quantity} ${range}`} dial={dial} reading={reading} onPlace={place} />
          <span className="text-soft">
            {reading === null
              ? `Read the scale 0–${dial.scale.fullScale}: half a division is ${needleWords(dial, halfDivision(dial.scale, dial.range), unit)}`
              : needleWords(dial, reading, unit)}
          </span>
        </p>
      )}
    </div>
  );
}
