/** Difference of logarithms within which two values are equally near. */
const equallyNear = 1e-12;

/** Distance from a whole number of hundredths that rounding of a double may leave. */
const wholeNoise = 1e-7;

/** The preferred series of IEC 60063, by their number of values in a decade. */
export type Series = 'E3' | 'E6' | 'E12' | 'E24' | 'E48' | 'E96' | 'E192';

/** Names of the series of preferred values (IEC 60063), the coarsest first. */
export const seriesNames: readonly Series[] = ['E3', 'E6', 'E12', 'E24', 'E48', 'E96', 'E192'];

const e24 = [
  100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270, 300, 330, 360, 390, 430, 470, 510, 560, 620, 680, 750, 820,
  910,
];

/** 100·10^(k/n) rounded to three figures; 9.20 rather than 9.19, as the standard has it. */
const fine = (n: number): number[] =>
  Array.from({ length: n }, (_, k) => Math.round(100 * 10 ** (k / n))).map((value) => (value === 919 ? 920 : value));

const figures: Readonly<Record<Series, readonly number[]>> = {
  E3: e24.filter((_, k) => k % 8 === 0),
  E6: e24.filter((_, k) => k % 4 === 0),
  E12: e24.filter((_, k) => k % 2 === 0),
  E24: e24,
  E48: fine(48),
  E96: fine(96),
  E192: fine(192),
};

/** The values of one decade from 1 on: 1, 1.1, 1.2 … for E24. */
export const seriesValues = (series: Series): readonly number[] => figures[series].map((value) => value / 100);

/** The coarsest series that has a value, Ω; null if none does. */
export function seriesOf(value: number): Series | null {
  const { figure, rest } = figureOf(value);
  return rest ? null : (seriesNames.find((series) => figures[series].includes(figure)) ?? null);
}

/** The value of a series that is nearest by ratio, Ω; the lower of two that are equally near. */
export function nearestPreferred(value: number, series: Series): number {
  const { decade } = figureOf(value);
  const candidates = [-1, 0, 1].flatMap((step) => figures[series].map((figure) => scaled(figure, decade + step)));
  return candidates.reduce((best, next) =>
    Math.abs(Math.log(next / value)) < Math.abs(Math.log(best / value)) - equallyNear ? next : best,
  );
}

/** The series that a resistor of a tolerance is made in: E24 from 5 % on, E96 from 1 % on, E192 below. */
export const seriesForTolerance = (tolerance: number | undefined): Series =>
  tolerance === undefined || tolerance >= 0.05 ? 'E24' : tolerance >= 0.01 ? 'E96' : 'E192';

/** Three figures and the decade of a value: 4700 is 470 and 1; `rest` where it has more figures. */
function figureOf(value: number): { readonly figure: number; readonly decade: number; readonly rest: boolean } {
  const [mantissa, exponent] = value.toExponential(12).split('e') as [string, string];
  const hundred = Number(mantissa) * 100;
  const figure = Math.round(hundred);
  return { figure, decade: Number(exponent) - 2, rest: Math.abs(hundred - figure) > wholeNoise };
}

/** Returns a figure in a decade as the nearest double: 470 and 1 are exactly 4700. */
const scaled = (figure: number, decade: number): number => Number(`${figure}e${decade}`);
