/** Share of its cases that a property test tries in `npm test`; `npm run stress` sets 1, and another seed. */
const share = Number(process.env.PROPERTY_SHARE ?? 0.3);

/** Fewest cases of a property test. */
const fewest = 15;

/** Returns the number of cases that a property test tries, of the number that it has in full. */
export const runs = (full: number): number => Math.min(full, Math.max(fewest, Math.round(full * share)));

/** Returns the number of cases that a property test must have exercised, of the number for all of its cases. */
export const exercised = (full: number): number => Math.floor(full * share);
