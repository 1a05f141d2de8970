/** Result of a function that a caller can make fail: the value, or the fault to display. */
export type Result<T, F> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: F };

/** A result with a value. */
export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });
/** A result with a fault. */
export const fail = <F>(fault: F): { readonly ok: false; readonly fault: F } => ({ ok: false, fault });
