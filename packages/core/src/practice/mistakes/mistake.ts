/** The slips that a wrong answer can come from. */
export const slips = [
  'reciprocal-not-inverted',
  'added-parallel',
  'reciprocals-of-series',
  'power-v-times-r',
  'divider-inverted',
  'meter-left-out',
  'meter-in-series',
  'wrong-range',
  'prefix',
  'minutes',
  'sign',
  'rounded-early',
  'of-indicated',
  'coil-not-subtracted',
  'coil-added',
  'error-only',
  'wrong-scale',
  'figure-not-converted',
  'wrong-jack',
  'fuse-rating',
] as const;
/** Name of a usual mistake. */
export type Mistake = (typeof slips)[number];

/** Value that a mistake gives. */
export interface MistakeValue {
  readonly slip: Mistake;
  /** In SI. */
  readonly value: number;
  /** Step of the working in which it happens, `R2 and R3 in parallel`; empty if that is obvious. */
  readonly at: string;
}

/** Mistakes as sentences. */
export const mistakeSentences: Readonly<Record<Mistake, string>> = {
  'reciprocal-not-inverted': 'The reciprocals were added but not turned over.',
  'added-parallel': 'Parts in parallel were added as if they were in series.',
  'reciprocals-of-series': 'Parts in series were joined by reciprocals as if they were in parallel.',
  'power-v-times-r': 'Power is V × I, V²/R or I²·R; this is V × R.',
  'divider-inverted': 'It was shared out by the wrong part: the ratio is upside down.',
  'meter-left-out': 'That is the value without the meter: its resistance was left out.',
  'meter-in-series':
    'The meter was joined the wrong way: a voltmeter stands in parallel with what it reads, an ammeter in series.',
  'wrong-range': 'That is what another range has: each range has a resistance of its own.',
  prefix: 'The digits are right, the prefix is not: look at milli, micro and kilo again.',
  minutes: 'The minutes were taken for seconds: a coulomb is an ampere for one second.',
  sign: 'The size is right, the sign is not: the error is indicated less true.',
  'rounded-early': 'A value on the way was rounded: carry all digits, round the answer only.',
  'of-indicated': 'The error was divided by the indicated value; it counts against the true one.',
  'coil-not-subtracted': 'The coil was left out: its resistance and its current belong to the movement already.',
  'coil-added': 'The coil was added where it is taken off.',
  'wrong-scale': 'That is the figure of another scale: use the scale that ends on the digits of the range.',
  'figure-not-converted':
    'That is the figure on the scale, not yet converted: the last figure of the scale corresponds to full scale.',
  'wrong-jack':
    'Each range has its jack: volts and ohms have one, small currents a fused one, large currents their own.',
  'fuse-rating':
    'Compare the rating with the current that an ammeter carries across a source: only its own resistance limits it.',
  'error-only': 'That is the difference, not the value; or the value where the difference was asked.',
};
