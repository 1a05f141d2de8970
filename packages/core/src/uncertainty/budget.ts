import type { BudgetEntry, CorrectedValue } from '../loading/index.ts';
import { changedRange, uncertainResistances, type CorrectedBench, type Correction } from './correction.ts';

/** An input of a corrected value. */
export interface BudgetLine {
  readonly of: string;
  /** Name of the input in a sentence. */
  readonly name: string;
  /** Standard uncertainty of the input: Ω for a resistance, V, A or Ω of the reading otherwise. */
  readonly standard: number;
  readonly isResistance: boolean;
  /** Change of the value for a change of the input by one unit. */
  readonly sensitivity: number;
  /** Standard uncertainty that it contributes to the value. */
  readonly contribution: number;
  /** Its share of u², 0 to 1. */
  readonly share: number;
}

/** Uncertainty that would be left if the largest contribution were reduced. */
export interface Reduction {
  readonly of: string;
  /** The action, as the subject of a sentence: measuring R2. */
  readonly action: string;
  /** U after it, k = 2. */
  readonly uncertainty: number;
}

/** Budget of a corrected value, the largest contribution first. V, A or Ω. */
export interface Budget {
  readonly value: number;
  /** U, k = 2. */
  readonly uncertainty: number;
  readonly lines: readonly BudgetLine[];
  /** Null if nothing contributes. */
  readonly reduction: Reduction | null;
  /** Whether the value may depend on its inputs in a way that is not linear within their limits: to be checked by sampling. */
  readonly mayBeNonlinear: boolean;
}

/**
 * Relative limit t of a resistance up to which the linear form is off by less than a tenth: for 1/R, the most nonlinear of the
 * forms, the mean is off by t/(2√3) of U.
 */
const smallLimit = 0.2;

/** Share of u² from which on an input counts in this. */
const countingShare = 0.01;

/** Inputs that come from the reading itself: their name, what reduces them, and to which share. */
const readingInputs: Readonly<Record<string, { readonly name: string; readonly action: string; readonly to: number }>> =
  {
    accuracy: { name: 'the accuracy of the meter', action: 'a meter with half these limits', to: 0.5 },
    certificate: { name: 'the certificate of the range', action: 'a certificate with half its limit', to: 0.5 },
    resolution: { name: 'the resolution', action: 'a range with a tenth of the step', to: 0.1 },
    spread: { name: 'the spread of the observations', action: 'four times as many observations', to: 0.5 },
  };

/** Returns whether an input of a budget comes from the reading itself, and is not a resistance. */
export const isReadingInput = (of: string): boolean => Object.hasOwn(readingInputs, of);

/**
 * Returns the budget of a corrected value (JCGM 100:2008, 5.1.2), and what would reduce its largest contribution: for a
 * resistance the correction is computed again without its tolerance.
 *
 * @returns null if the value is not determined
 */
export function budgetOf(correction: Correction): Budget | null {
  const corrected = correction.correct(correction.bench);
  if (!corrected) return null;
  const u2 = corrected.budget.reduce((sum, { contribution }) => sum + contribution ** 2, 0);
  const lines = corrected.budget.map((entry) => lineOf(entry, u2)).sort((a, b) => b.contribution - a.contribution);
  const [largest] = lines;
  return {
    value: corrected.value,
    uncertainty: corrected.uncertainty,
    lines,
    reduction: largest ? reductionOf(correction, corrected, largest) : null,
    mayBeNonlinear: uncertainResistances(correction).some(
      ({ of, value, limit }) =>
        limit > smallLimit * value && lines.some((line) => line.of === of && line.share > countingShare),
    ),
  };
}

function lineOf({ of, standard, contribution }: BudgetEntry, u2: number): BudgetLine {
  const own = readingInputs[of];
  return {
    of,
    name: own?.name ?? resistanceName(of),
    standard,
    isResistance: !own,
    sensitivity: standard === 0 ? 0 : contribution / standard,
    contribution,
    share: u2 === 0 ? 0 : contribution ** 2 / u2,
  };
}

function resistanceName(of: string): string {
  if (of === 'source') return 'the source resistance';
  if (of === 'meter') return 'the resistance of the meter';
  return of.startsWith('meter:') ? `the resistance of ${of.slice('meter:'.length)}` : `the tolerance of ${of}`;
}

function reductionOf(
  correction: Correction,
  corrected: CorrectedValue,
  { of, contribution }: BudgetLine,
): Reduction | null {
  const own = readingInputs[of];
  if (own) {
    const rest2 = (corrected.uncertainty / 2) ** 2 - contribution ** 2;
    const u = Math.sqrt(Math.max(0, rest2) + (own.to * contribution) ** 2);
    return { of, action: own.action, uncertainty: 2 * u };
  }
  const known = correction.correct(withKnown(correction, of));
  const name = resistanceName(of).replace(/^the tolerance of /, '');
  return known && { of, action: `measuring ${name}`, uncertainty: known.uncertainty };
}

/** The bench with one resistance known exactly. */
function withKnown({ bench: { network, instruments }, meters }: Correction, of: string): CorrectedBench {
  const meter = meters[of];
  if (meter) return { network, instruments: changedRange(instruments, meter, { resistanceTolerance: 0 }) };
  const elements = network.elements.map((element) =>
    element.kind === 'resistor' && element.id === of ? { ...element, tolerance: 0 } : element,
  );
  return { network: { ...network, elements }, instruments };
}

/** Share of u² from which on the largest contribution is called most of it. */
const mostShare = 0.5;

/** Ratios of U that are called a half. */
const [leastHalf, mostHalf] = [0.45, 0.55];

/**
 * Returns the sentence that names the largest contribution, and what would reduce it.
 *
 * @param printed  writes an uncertainty with its unit
 */
export function budgetSentence({ lines, uncertainty, reduction }: Budget, printed: (u: number) => string): string {
  const [largest] = lines;
  if (!largest) return 'No accuracy and no tolerance is specified, so the uncertainty is not known.';
  const begin = largest.share >= mostShare ? 'Most of it is' : 'The largest part is';
  if (!reduction || uncertainty === 0) return `${begin} ${largest.name}.`;
  const ratio = reduction.uncertainty / uncertainty;
  const effect =
    ratio > leastHalf && ratio < mostHalf
      ? 'halves the uncertainty'
      : `reduces U from ${printed(uncertainty)} to ${printed(reduction.uncertainty)}`;
  return `${begin} ${largest.name}: ${reduction.action} ${effect}.`;
}
