import { fail, ok, type Result } from '../result.ts';
import { parseQuantity, type QuantityFault } from './parse-quantity.ts';
import { seriesValues } from './preferred-values.ts';

/** Relative difference that rounding of a double may leave between a resistance and its code. */
const codeNoise = 1e-9;

/** Resistance and tolerance that a printed code gives. */
export interface PrintedCode {
  /** Ω. */
  readonly resistance: number;
  /** Fraction; null if the code has none. */
  readonly tolerance: number | null;
  /** Meaning of the code, for the person to check. */
  readonly reading: string;
}

/** Letters for the tolerance behind a value (IEC 60062). */
const toleranceLetters: Readonly<Record<string, number>> = {
  L: 0.0001,
  P: 0.0002,
  W: 0.0005,
  B: 0.001,
  C: 0.0025,
  D: 0.005,
  F: 0.01,
  G: 0.02,
  H: 0.03,
  J: 0.05,
  K: 0.1,
  M: 0.2,
};

/** Letters for the power of ten behind the number of an E96 value. */
const multiplierLetters: Readonly<Record<string, number>> = {
  Z: -3,
  Y: -2,
  R: -2,
  X: -1,
  S: -1,
  A: 0,
  B: 1,
  H: 1,
  C: 2,
  D: 3,
  E: 4,
  F: 5,
};

/**
 * Reads what is printed on a resistor: a letter for the point (`4K7J`, `R22`, `0R22`), three or four figures of which the
 * last counts the zeros (`473`, `4702`), or the number of an E96 value with a letter (`68C`).
 *
 * @returns the value and how it was read, or what was expected
 */
export function readPrintedCode(text: string): Result<PrintedCode, QuantityFault> {
  const code = text.trim().toUpperCase();
  if (code === '') return fail({ code: 'empty', message: 'Type what is printed, for example 4K7J, 473 or 68C.' });
  const figures = /^(\d{2,3})(\d)$/.exec(code);
  if (figures) {
    const resistance = Number(`${figures[1]}e${figures[2]}`);
    if (resistance > 0)
      return ok({ resistance, tolerance: null, reading: `${figures[1]} and ${figures[2]} zeros behind it` });
  }
  const numbered = /^(\d{2})([A-Z])$/.exec(code);
  const power = numbered ? multiplierLetters[numbered[2]!] : undefined;
  const place = Number(numbered?.[1]);
  if (power !== undefined && place >= 1 && place <= 96) {
    const figure = Math.round(seriesValues('E96')[place - 1]! * 100);
    return ok({
      resistance: Number(`${figure}e${power}`),
      tolerance: 0.01,
      reading: `E96 value ${place}, ${figure}, times 10 to the ${power}`,
    });
  }
  const lettered = /^(\d*)([RKMG])(\d*)([A-Z])?$/.exec(code);
  if (lettered && (lettered[1] || lettered[3])) {
    const [, whole = '', letter, fraction = '', closing] = lettered;
    const tolerance = closing === undefined ? null : toleranceLetters[closing];
    const value = parseQuantity(`${whole || '0'}.${fraction || '0'}${letter === 'R' ? '' : letter}`, 'Ω');
    if (value.ok && value.value > 0 && tolerance !== undefined)
      return ok({
        resistance: value.value,
        tolerance,
        reading: `${letter} stands for the point${closing ? `, ${closing} for ${tolerance! * 100} %` : ''}`,
      });
  }
  return fail({ code: 'not-a-quantity', message: `“${text.trim()}” is no printed code. Try 4K7J, R22, 473 or 68C.` });
}

/** The code with a letter for the point, and the tolerance's letter: 4700 Ω at 5 % is `4K7J`. */
export function printedCodeOf(resistance: number, tolerance?: number): string | null {
  const steps = [
    ['G', 9],
    ['M', 6],
    ['K', 3],
    ['R', 0],
  ] as const;
  const [letter, exponent] = steps.find(([, power]) => resistance >= 10 ** power) ?? steps[3];
  const scaled = Number((resistance / 10 ** exponent).toPrecision(4));
  if (scaled >= 1000 || Math.abs((scaled * 10 ** exponent) / resistance - 1) > codeNoise) return null;
  const [whole, fraction = ''] = String(scaled).split('.') as [string, string?];
  const closing = Object.entries(toleranceLetters).find(([, value]) => value === tolerance)?.[0] ?? '';
  return `${whole === '0' ? '' : whole}${letter}${fraction}${closing}`;
}
