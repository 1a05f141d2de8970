import { formatQuantity, ohms } from '../quantity/index.ts';
import type { MeterReading } from './solve-setup.ts';
import type { Meter } from './setup.ts';

/** Share of a reading that its explanation shows: half a step of the fourth digit. */
const visible = 5e-5;

/** Derivation of a reading, in numbers. */
export interface ReadingWorking {
  /** The formula with the numbers in it, up to the equals sign; null if nothing is to be divided. */
  readonly formula: string | null;
  readonly result: string | null;
  /** Meaning of the numbers. */
  readonly sentence: string;
}

/**
 * The loading formula of a meter with its numbers: V·R_m/(R_m + R_s) across, I·R_s/(R_s + R_m) in series.
 *
 * The first factor is what an ideal meter would show with the set-up's other meters connected, so the line holds also
 * where they move the true value.
 *
 * @param linear  false if a load is not ohmic: the formula does not hold, the whole circuit was solved with the meter
 */
export function explainReading(meter: Meter, reading: MeterReading, linear = true): ReadingWorking {
  const { indicated, meterResistance: rm, sourceResistance: rs } = reading;
  const across = meter.quantity === 'dc-voltage';
  const unit = across ? 'V' : 'A';
  if (reading.state === 'fuse-blown' || indicated === null)
    return { formula: null, result: null, sentence: stateSentence(reading) };
  if (rs === null)
    return {
      formula: null,
      result: formatQuantity(indicated, unit),
      sentence: infiniteSourceSentence(reading),
    };
  if (!linear)
    return {
      formula: null,
      result: formatQuantity(indicated, unit),
      sentence: `A load here is not ohmic: the whole circuit is solved with the meter in. To a small change the source resistance is ${ohms(rs)}; ${across ? 'input' : 'meter'} resistance ${ohms(rm)}.`,
    };
  if (rs === 0 && across)
    return {
      formula: null,
      result: formatQuantity(indicated, unit),
      sentence: 'The source resistance is 0: no loading error.',
    };
  if (!across && rm === 0)
    return {
      formula: null,
      result: formatQuantity(indicated, unit),
      sentence: 'This range has no resistance: no insertion error.',
    };

  const ideal = across ? indicated * (1 + rs / rm) : indicated * (1 + rm / rs);
  const [upper, other] = across ? [rm, rs] : [rs, rm];
  const seen = across
    ? `Source resistance ${ohms(rs)}, input resistance ${ohms(rm)}.`
    : `Source resistance ${ohms(rs)}, meter resistance ${ohms(rm)}.`;
  return {
    formula: `${formatQuantity(ideal, unit)} × ${ohms(upper)} / (${ohms(upper)} + ${ohms(other)})`,
    result: formatQuantity(indicated, unit),
    sentence: othersShift(reading, ideal)
      ? `${seen} The other meters change the true ${formatQuantity(reading.true, unit)} to ${formatQuantity(ideal, unit)}.`
      : seen,
  };
}

/** Returns why the source resistance at a meter is infinite: it is floating or blown, nothing drives it, or a current source does. */
export function infiniteSourceSentence(reading: MeterReading): string {
  if (reading.state === 'fuse-blown' || reading.state === 'floating' || reading.state === 'undetermined')
    return stateSentence(reading);
  return reading.indicated === 0
    ? 'Nothing drives a current through this break.'
    : 'A current source drives this line: the meter cannot change the current.';
}

function othersShift(reading: MeterReading, ideal: number): boolean {
  return (
    reading.true !== null &&
    Math.abs(ideal - reading.true) > visible * Math.max(Math.abs(ideal), Math.abs(reading.true))
  );
}

/** Returns the meaning of a state and the remedy; empty if all is well. */
export function stateSentence(reading: MeterReading): string {
  switch (reading.state) {
    case 'ok':
      return '';
    case 'over-range':
      return reading.display === 'OL'
        ? 'Over range: the display says OL. Choose a higher range.'
        : 'Over range: the needle is against its stop. Choose a higher range at once.';
    case 'reversed':
      return 'The needle is driven backwards against its stop. Swap the leads.';
    case 'fuse-blown':
      return 'The fuse has blown: it indicates 0 and the branch is open for every other meter. Disconnect, replace the fuse by its own type and rating only, and begin on the highest range.';
    case 'floating':
      return 'Nothing joins the two leads: the indicated value means nothing. Put both leads on parts of one circuit.';
    case 'undetermined':
      return 'A loop of links with no resistance: nothing determines how they share the current. Lift every link of the loop, or give one a resistance.';
  }
}
