import { formatQuantity, type Unit } from '@usual-drag/core/quantity';
import type { RangeCalibration } from '@usual-drag/core/instrument';

interface Props {
  readonly calibration: RangeCalibration;
  readonly unit: Unit;
  /** V, A or Ω as the instrument shows it, and what it is off by there. */
  readonly reading: number;
  readonly ownError: number;
}

/** Own error of a range from its certificate, subtracted before anything else is corrected. */
export function OwnErrorLine({ calibration, unit, reading, ownError }: Props) {
  return (
    <p className="text-[14px]">
      Own error by the certificate of {calibration.on}:{' '}
      <span className="figures">{formatQuantity(ownError, unit, { digits: 3, signed: true, trim: true })}</span>,
      subtracted first:{' '}
      <span className="figures">
        {formatQuantity(reading - ownError, unit, { digits: 5 })} ±{' '}
        {formatQuantity(calibration.uncertainty, unit, { digits: 2 })}
      </span>{' '}
      (k = 2).
    </p>
  );
}
