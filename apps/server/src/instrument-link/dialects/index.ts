import type { Dialect } from './dialect.ts';
import { simulated } from './simulated.ts';
import { standard } from './standard.ts';

export type { Dialect } from './dialect.ts';

/** Dialects other than the standard, the first that fits counts. */
const dialects: readonly Dialect[] = [simulated];

/** Returns the dialect of an instrument by its answer to `*IDN?`. */
export const dialectOf = (identity: string): Dialect => dialects.find((one) => one.isOf(identity)) ?? standard;
