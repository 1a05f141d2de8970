import type { Calibration } from '@usual-drag/core/instrument';

/** Returns the state of a calibration today, in a few words. */
export function dueWords({ status, dueOn, daysLeft, calibratedOn }: Calibration): string {
  switch (status) {
    case 'overdue':
      return `overdue since ${dueOn}`;
    case 'soon':
      return `due on ${dueOn}, in ${daysLeft} days`;
    case 'later':
      return `noted for ${calibratedOn}, a date in the future`;
    case 'good':
      return `due on ${dueOn}`;
  }
}
