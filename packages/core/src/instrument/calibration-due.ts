/** State of an instrument's calibration on a day. */
export interface Calibration {
  /** `2026-11-25`. */
  readonly calibratedOn: string;
  readonly dueOn: string;
  /** Below zero when it is overdue. */
  readonly daysLeft: number;
  /** `later`: it was calibrated only after the day that is asked about. */
  readonly status: 'good' | 'soon' | 'overdue' | 'later';
}

/** Notes on an instrument's last calibration. */
export interface CalibrationNotes {
  /** Day of the last calibration, `2026-11-25`. */
  readonly calibratedOn?: string;
  /** Who calibrated it. */
  readonly laboratory?: string;
  readonly certificateNumber?: string;
  /** Months from one calibration to the next. */
  readonly calibrationMonths?: number;
}

/** Days before the due date from which on a reminder shows. */
const reminderDays = 30;

/**
 * State of a calibration on a day. A due day that its month lacks is that month's last; on the due day it is still valid.
 *
 * @param day  `2026-11-25`
 * @returns null if no calibration or no interval is noted, or the day is none of the calendar
 */
export function calibrationOn({ calibratedOn, calibrationMonths }: CalibrationNotes, day: string): Calibration | null {
  if (calibratedOn === undefined || calibrationMonths === undefined || ![calibratedOn, day].every(isDay)) return null;
  const [year, month, date] = calibratedOn.split('-').map(Number) as [number, number, number];
  const last = new Date(Date.UTC(year, month + calibrationMonths, 0)).getUTCDate();
  const due = Date.UTC(year, month - 1 + calibrationMonths, Math.min(date, last));
  const daysLeft = Math.round((due - Date.parse(day)) / 86_400_000);
  const status = day < calibratedOn ? 'later' : daysLeft < 0 ? 'overdue' : daysLeft <= reminderDays ? 'soon' : 'good';
  return { calibratedOn, dueOn: new Date(due).toISOString().slice(0, 10), daysLeft, status };
}

/** Returns the instruments in use with the state of their calibration, the one that is due first at the top. */
export const calibrationsDue = <K extends CalibrationNotes & { readonly id: string; readonly retired?: boolean }>(
  kit: readonly K[],
  day: string,
): { readonly kept: K; readonly calibration: Calibration }[] =>
  kit
    .filter(({ retired }) => !retired)
    .flatMap((kept) => {
      const calibration = calibrationOn(kept, day);
      return calibration ? [{ kept, calibration }] : [];
    })
    .sort((a, b) => a.calibration.dueOn.localeCompare(b.calibration.dueOn) || a.kept.id.localeCompare(b.kept.id));

/** A moment's day of the calendar here, `2026-11-25`. */
export function dayOf(moment: Date): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${moment.getFullYear()}-${two(moment.getMonth() + 1)}-${two(moment.getDate())}`;
}

/** Returns whether a text is a day of the calendar, `2026-11-25`. */
export function isDay(text: string): boolean {
  const day = new Date(`${text}T00:00:00Z`);
  return /^\d{4}-\d\d-\d\d$/.test(text) && !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text);
}
