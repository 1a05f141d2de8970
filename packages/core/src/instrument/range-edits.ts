import { formatQuantity } from '../quantity/index.ts';
import {
  rangesOf,
  unitOf,
  type Instrument,
  type MeterQuantity,
  type Range,
  type ResistanceRange,
} from './instrument.ts';
import type { KitInstrument } from './kit.ts';

/** Ω for each volt of full scale, what a needle's voltage ranges have in common. */
export const sensitivityOf = ({ resistance, fullScale }: Range): number => resistance / fullScale;

/** V across a current range at full scale. */
export const burdenOf = ({ resistance, fullScale }: Range): number => resistance * fullScale;

/** Returns the name of a range by its full scale: 19.99 V is the 20 V range. */
export const rangeName = (fullScale: number, unit: 'V' | 'A' | 'Ω'): string =>
  formatQuantity(Number(fullScale.toPrecision(2)), unit, { digits: 3, trim: true }).replace('\u00a0', ' ');

/** One range more, ten times above the highest: as the others are, or as such instruments are where it is the first. */
export function nextRange(instrument: Instrument, quantity: MeterQuantity): Range {
  const across = quantity === 'dc-voltage';
  const ranges = rangesOf(instrument, quantity);
  const top = ranges.reduce<Range | null>((best, r) => (best && best.fullScale > r.fullScale ? best : r), null);
  const made = top ? tenfold(top, across, instrument.display === 'analogue') : firstRange(instrument, across);
  return { ...made, id: freeName(rangeName(made.fullScale, unitOf(quantity)), ranges) };
}

/** Without the dust of binary fractions, and a number however large. */
const tidy = (value: number): number => Number(Math.min(value, Number.MAX_VALUE).toPrecision(12));

function tenfold(range: Range, across: boolean, analogue: boolean): Range {
  const { fullScale, resistance, resolution } = range;
  return {
    ...range,
    fullScale: tidy(fullScale * 10),
    resistance: across ? tidy(analogue ? resistance * 10 : resistance) : tidy(resistance / 10),
    ...(resolution !== undefined && { resolution: tidy(resolution * 10) }),
  };
}

function firstRange({ display }: Instrument, across: boolean): Range {
  const own =
    display === 'analogue'
      ? { fullScale: across ? 10 : 0.01, accuracyOfRange: 0.02, divisions: 50 }
      : {
          fullScale: across ? 19.99 : 0.01999,
          resolution: across ? 0.01 : 1e-5,
          accuracyOfReading: across ? 0.005 : 0.01,
          accuracyCounts: 2,
        };
  const resistance = across ? (display === 'analogue' ? 200_000 : 1e7) : display === 'analogue' ? 25 : 10;
  return { id: '', resistance, jack: across ? 'V' : 'mA', ...own };
}

/** One resistance range more, ten times above the highest with a tenth of its test current. */
export function nextResistanceRange({ resistanceRanges = [], display }: KitInstrument): ResistanceRange {
  const top = resistanceRanges.reduce<ResistanceRange | null>(
    (best, r) => (best && best.fullScale > r.fullScale ? best : r),
    null,
  );
  const made: ResistanceRange = top
    ? {
        ...top,
        fullScale: tidy(top.fullScale * 10),
        testCurrent: top.testCurrent / 10,
        ...(top.resolution !== undefined && { resolution: tidy(top.resolution * 10) }),
      }
    : display === 'analogue'
      ? { id: '', fullScale: 2000, testCurrent: 1e-3, accuracyOfRange: 0.05 }
      : { id: '', fullScale: 199.9, testCurrent: 1e-3, resolution: 0.1, accuracyOfReading: 0.008, accuracyCounts: 3 };
  return { ...made, id: freeName(rangeName(made.fullScale, 'Ω'), resistanceRanges) };
}

function freeName(name: string, taken: readonly { readonly id: string }[]): string {
  let free = name;
  for (let number = 2; taken.some(({ id }) => id === free); number += 1) free = `${name} (${number})`;
  return free;
}
