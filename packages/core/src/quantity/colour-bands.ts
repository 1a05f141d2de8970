import { fail, ok, type Result } from '../result.ts';
import type { QuantityFault } from './parse-quantity.ts';

/** Relative difference that rounding of a double may leave between a resistance and its bands. */
const bandNoise = 1e-9;

/** A colour of a band. Its name is printed beside it: no meaning by colour alone. */
export type Band =
  | 'black'
  | 'brown'
  | 'red'
  | 'orange'
  | 'yellow'
  | 'green'
  | 'blue'
  | 'violet'
  | 'grey'
  | 'white'
  | 'gold'
  | 'silver'
  | 'pink';

interface BandMeaning {
  readonly digit?: number;
  /** Power of ten. */
  readonly exponent: number;
  readonly tolerance?: number;
  /** 1/K. */
  readonly temperatureCoefficient?: number;
}

/** The colour code of IEC 60062. */
const meanings: Readonly<Record<Band, BandMeaning>> = {
  black: { digit: 0, exponent: 0, temperatureCoefficient: 250e-6 },
  brown: { digit: 1, exponent: 1, tolerance: 0.01, temperatureCoefficient: 100e-6 },
  red: { digit: 2, exponent: 2, tolerance: 0.02, temperatureCoefficient: 50e-6 },
  orange: { digit: 3, exponent: 3, tolerance: 0.0005, temperatureCoefficient: 15e-6 },
  yellow: { digit: 4, exponent: 4, tolerance: 0.0002, temperatureCoefficient: 25e-6 },
  green: { digit: 5, exponent: 5, tolerance: 0.005, temperatureCoefficient: 20e-6 },
  blue: { digit: 6, exponent: 6, tolerance: 0.0025, temperatureCoefficient: 10e-6 },
  violet: { digit: 7, exponent: 7, tolerance: 0.001, temperatureCoefficient: 5e-6 },
  grey: { digit: 8, exponent: 8, tolerance: 0.0001, temperatureCoefficient: 1e-6 },
  white: { digit: 9, exponent: 9 },
  gold: { exponent: -1, tolerance: 0.05 },
  silver: { exponent: -2, tolerance: 0.1 },
  pink: { exponent: -3 },
};

const bandColours = Object.keys(meanings) as readonly Band[];

/** Resistance and tolerance that colour bands give. */
export interface Banded {
  /** Ω. */
  readonly resistance: number;
  /** Fraction; 0.2 where there is no band for it. */
  readonly tolerance: number;
  /** 1/K; null if there is no band for it. */
  readonly temperatureCoefficient: number | null;
}

/** Returns the meaning of each place of a row of bands, in order. */
export function bandPlaces(count: number): readonly ('digit' | 'multiplier' | 'tolerance' | 'temperature')[] {
  const digits = count >= 5 ? 3 : 2;
  return [
    ...Array.from({ length: digits }, () => 'digit' as const),
    'multiplier',
    ...(count >= 4 ? (['tolerance'] as const) : []),
    ...(count >= 6 ? (['temperature'] as const) : []),
  ];
}

/** Returns the colours that a place may have. */
export const coloursFor = (place: ReturnType<typeof bandPlaces>[number]): readonly Band[] =>
  bandColours.filter((band) => {
    const { digit, tolerance, temperatureCoefficient } = meanings[band];
    switch (place) {
      case 'digit':
        return digit !== undefined;
      case 'multiplier':
        return true;
      case 'tolerance':
        return tolerance !== undefined;
      case 'temperature':
        return temperatureCoefficient !== undefined;
    }
  });

/**
 * Reads three to six bands, from the end that they begin at.
 *
 * @returns resistance, tolerance and temperature coefficient, or the band that is not allowed at its place
 */
export function readBands(bands: readonly Band[]): Result<Banded, QuantityFault> {
  if (bands.length < 3 || bands.length > 6)
    return fail({ code: 'not-a-quantity', message: 'A resistor has three to six bands.' });
  const places = bandPlaces(bands.length);
  const wrong = places.findIndex((place, index) => !coloursFor(place).includes(bands[index]!));
  if (wrong >= 0)
    return fail({
      code: 'not-a-quantity',
      message: `Band ${wrong + 1} cannot be ${bands[wrong]}: read from the other end, or look at it in daylight.`,
    });
  const of = (what: (typeof places)[number]): BandMeaning | undefined => {
    const at = places.indexOf(what);
    return at < 0 ? undefined : meanings[bands[at]!];
  };
  const digits = bands.filter((_, index) => places[index] === 'digit').map((band) => meanings[band].digit!);
  return ok({
    resistance: Number(`${digits.join('')}e${of('multiplier')!.exponent}`),
    tolerance: of('tolerance')?.tolerance ?? 0.2,
    temperatureCoefficient: of('temperature')?.temperatureCoefficient ?? null,
  });
}

/**
 * The bands of a resistance, as few as show it: four where two figures do and the tolerance is 5 % or wider, else five.
 *
 * @param tolerance  fraction; left out, or 0.2: three bands where two figures do
 * @returns null if no row of bands has this value or tolerance
 */
export function bandsOf(resistance: number, tolerance?: number): readonly Band[] | null {
  const close = tolerance === undefined || tolerance === 0.2 ? null : colourOf('tolerance', tolerance);
  if (close === undefined) return null;
  for (const digits of close === null || tolerance! >= 0.05 ? [2, 3] : [3]) {
    const [mantissa, exponent] = resistance.toExponential(digits - 1).split('e') as [string, string];
    const power = Number(exponent) - digits + 1;
    const multiplier = colourOf('exponent', power);
    if (multiplier === undefined || Math.abs(Number(`${mantissa}e${exponent}`) / resistance - 1) > bandNoise) continue;
    const figures = [...mantissa.replace('.', '')].map((figure) => colourOf('digit', Number(figure))!);
    if (digits === 2 && close === null) return [...figures, multiplier];
    if (close !== null) return [...figures, multiplier, close];
  }
  return null;
}

const colourOf = (what: 'digit' | 'exponent' | 'tolerance', value: number): Band | undefined =>
  bandColours.find((band) => meanings[band][what] === value);
