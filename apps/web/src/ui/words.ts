/** `1 part`, `2 parts`. */
export const count = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'}`;

/** A day and time as they are told: `26 Nov, 16:06`. */
export const when = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** The same with seconds. */
export const whenExactly = (at: string): string =>
  new Date(at).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  });

/** `16:06`. */
export const clock = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
