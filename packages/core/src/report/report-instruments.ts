import {
  calibrationOn,
  findRange,
  type Calibration,
  type Instrument,
  type Range,
  type ReadingQuantity,
  type ResistanceRange,
} from '../instrument/index.ts';
import { meterPicture, type MeterPicture } from '../drawing/index.ts';
import { formatPercent, formatQuantity } from '../quantity/index.ts';
import { idsInWords } from './ids-in-words.ts';
import type { ReportReading } from './report-readings.ts';
import type { KitNotes } from './signature.ts';

/** A range that was read on. */
interface UsedRange {
  readonly quantity: ReadingQuantity;
  readonly id: string;
  /** Between the leads, `10 MΩ`; null of an ohmmeter. */
  readonly resistance: string | null;
  /** `±(0.5 % of reading + 2 counts), last digit 10 mV`. */
  readonly accuracy: string;
}

/** An instrument that was read with, and whether that was in calibration. */
export interface ReportInstrument {
  readonly id: string;
  readonly name: string;
  readonly assetTag: string | null;
  readonly ranges: readonly UsedRange[];
  /** Its face with these ranges marked; null if the job does not have the instrument. */
  readonly picture: MeterPicture | null;
  /** Ids of the readings taken with it. */
  readonly readings: readonly string[];
  /** Worst state on the days on which it was read; `unknown` if the kit or the readings do not determine it. */
  readonly calibration: 'in-calibration' | 'overdue' | 'later' | 'unknown';
  readonly sentence: string;
}

/** Every instrument that was read with, in the order of its first reading. Struck readings count: it was in the circuit. */
export function reportInstruments(
  readings: readonly ReportReading[],
  instruments: readonly Instrument[],
  kit: Readonly<Record<string, KitNotes>>,
): ReportInstrument[] {
  const ids = [...new Set(readings.map(({ reading }) => reading.instrument))];
  return ids.map((id) => {
    const instrument = instruments.find((one) => one.id === id);
    const own = readings.filter(({ reading }) => reading.instrument === id);
    const ranges = instrument ? usedRanges(instrument, own) : [];
    const notes = kit[id] ?? {};
    return {
      id,
      name: instrument?.name ?? id,
      assetTag: notes.assetTag ?? null,
      ranges: ranges.map(({ words }) => words),
      picture: instrument ? faceOf(instrument, ranges) : null,
      readings: own.map(({ reading }) => reading.id),
      ...calibrationWords(
        notes,
        own,
        ranges.flatMap(({ range }) => range.calibration?.on ?? []),
      ),
    };
  });
}

const faceOf = (instrument: Instrument, used: ReturnType<typeof usedRanges>): MeterPicture =>
  meterPicture(instrument, {
    setting: null,
    marked: used.map(({ words: { quantity, id } }) => ({ quantity, range: id })),
  });

function usedRanges(instrument: Instrument, readings: readonly ReportReading[]) {
  const used = new Map(readings.map(({ reading }) => [`${reading.quantity} ${reading.range}`, reading]));
  return [...used.values()].flatMap(({ quantity, range: id }) => {
    const range: Range | ResistanceRange | undefined = findRange(instrument, quantity, id);
    if (!range) return [];
    const resistance = 'resistance' in range ? formatQuantity(range.resistance, 'Ω', { digits: 4, trim: true }) : null;
    return [{ range, words: { quantity, id, resistance, accuracy: accuracyWords(instrument, quantity, range) } }];
  });
}

function accuracyWords({ display }: Instrument, quantity: ReadingQuantity, range: Range | ResistanceRange): string {
  const unit = quantity === 'dc-voltage' ? 'V' : quantity === 'dc-current' ? 'A' : 'Ω';
  const told = (value: number): string => formatQuantity(value, unit, { digits: 3, trim: true });
  const percent = (share: number): string => formatPercent(share, { digits: 3, trim: true });
  const { accuracyOfReading = 0, accuracyCounts = 0, accuracyOfRange = 0, resolution, divisions, calibration } = range;
  if (calibration)
    return `own error taken off by the certificate of ${calibration.on} (${calibration.points.length} ${calibration.points.length === 1 ? 'point' : 'points'}, U = ${told(calibration.uncertainty)}, k = 2)`;
  const step =
    display === 'analogue'
      ? divisions === undefined
        ? ''
        : `, read to a fifth of a division, ${told(range.fullScale / divisions / 5)}`
      : resolution === undefined
        ? ''
        : `, last digit ${told(resolution)}`;
  if ((display === 'analogue' ? accuracyOfRange : accuracyOfReading + accuracyCounts) === 0)
    return `accuracy not stated${step}`;
  return display === 'analogue'
    ? `±${percent(accuracyOfRange)} of full scale${step}`
    : `±(${percent(accuracyOfReading)} of reading + ${accuracyCounts} counts)${step}`;
}

const worst = ['overdue', 'later', 'unknown', 'in-calibration'] as const;

/** Returns the state of the calibration on the days of some readings, and the same in words. */
function calibrationWords(
  notes: KitNotes,
  readings: readonly ReportReading[],
  certificates: readonly string[],
): Pick<ReportInstrument, 'calibration' | 'sentence'> {
  const days = [...new Set(readings.map(({ day }) => day))].sort();
  const stood = days.map((day) => {
    const calibration = day === null ? null : calibrationOn(notes, day);
    return { day, calibration, state: stateOf(calibration) };
  });
  const [state, found] = worst
    .map((one) => [one, stood.find(({ state }) => state === one)] as const)
    .find(([, there]) => there !== undefined)!;
  const { day, calibration } = found!;
  const of = readings.filter((reading) => reading.day === day).map(({ reading }) => reading.id);
  const dates = calibration && `calibrated on ${calibration.calibratedOn}, due on ${calibration.dueOn}`;
  const certified =
    certificates.length > 0 ? ` Certificate of its ranges: ${[...new Set(certificates)].join(', ')}.` : '';
  const sentences = {
    'in-calibration': `In calibration on the day of its readings (${days.join(', ')}): ${dates}.`,
    overdue: `Overdue for calibration on the day of ${idsInWords(of)} (${day}): ${dates}. No calibration covers these readings.`,
    later: `Calibrated only after ${idsInWords(of)} (${day}): ${dates}. How it stood on that day is not on record.`,
    unknown: notes.calibratedOn
      ? `Calibrated on ${notes.calibratedOn}; ${day === null ? 'the day of its readings is not known' : 'no interval is noted'}.`
      : 'No calibration is noted.',
  };
  return { calibration: state, sentence: sentences[state] + issued(notes) + certified };
}

/** Sentence with the number and issuer of the certificate; empty if neither is noted. */
function issued({ laboratory, certificateNumber }: KitNotes): string {
  const [number, by] = [certificateNumber ? ` ${certificateNumber}` : '', laboratory ? ` by ${laboratory}` : ''];
  return number || by ? ` Certificate${number}${by}.` : '';
}

const stateOf = (calibration: Calibration | null): ReportInstrument['calibration'] => {
  if (calibration === null) return 'unknown';
  return calibration.status === 'overdue' || calibration.status === 'later' ? calibration.status : 'in-calibration';
};
