import { intlFormat } from 'date-fns/intlFormat';

/** `1 part`, `2 parts`. */
export const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** Bytes as `12.3 MB`, or `81.8 GB`. */
export const megabytes = (bytes: number): string =>
  bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;

const british = { locale: 'en-GB' };
const minutes = { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' } as const;

/** Returns a day and time as text: `26 Nov, 16:06`. */
export const when = (at: string): string => intlFormat(at, minutes, british);

/** The same with seconds. */
export const whenExactly = (at: string): string => intlFormat(at, { ...minutes, second: '2-digit' }, british);

/** With its year, as a record has it: `26 Nov 2026, 16:06`. */
export const whenOnRecord = (at: string): string => intlFormat(at, { ...minutes, year: 'numeric' }, british);

/** `16:06`. */
export const clock = (at: string): string => intlFormat(at, { hour: '2-digit', minute: '2-digit' }, british);

/** `5 of 9 read, 1 does not agree`. */
export function readInWords({
  read,
  of,
  doNotAgree,
}: {
  readonly read: number;
  readonly of: number;
  readonly doNotAgree: number;
}): string {
  const apart = doNotAgree === 0 ? '' : doNotAgree === 1 ? ', 1 does not agree' : `, ${doNotAgree} do not agree`;
  return `${read} of ${of} read${apart}`;
}

/** `1 of 3 not ticked off. The record lists them.` */
export function tickedInWords(tasks: readonly { readonly done: boolean }[]): string {
  const open = tasks.filter(({ done }) => !done).length;
  return open > 0 ? `${open} of ${tasks.length} not ticked off. The record lists them.` : 'Everything is ticked off.';
}
