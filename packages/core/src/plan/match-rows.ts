import { unitOf, type ReadingQuantity } from '../instrument/index.ts';
import { nodesOf, referenceOf, type Network } from '../network/index.ts';
import { shownPattern, type Observation, type Reading } from '../readings/index.ts';
import type { PlanStep, ReadStep } from './plan.ts';
import { readingsAt } from './progress.ts';

/** A row of a list of readings that belongs to a step of the plan. */
export interface MatchedRow {
  /** From 1. */
  readonly row: number;
  readonly step: ReadStep;
  readonly observation: Pick<Observation, 'shown' | 'unit'>;
  /** The leads are the other way round than in the step. */
  readonly isReversed: boolean;
}

/** A row that belongs to no step, and why. */
export interface UnmatchedRow {
  /** From 1. */
  readonly row: number;
  readonly text: string;
  readonly message: string;
}

/** Value at the end of a row: a number or OL, with a prefix and a unit or without. */
const valuePattern = /(?:^|[\s=:])([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+)|OL)\s*(?:([mkGnuµμ]?)(V|A|Ω|ohms?|R))?$/i;

/** Words of a row that are not names. */
const filler = /\b(?:step|voltage|current|resistance|across|through|into|from|at|of|to)\b|→|⇒/gi;

/**
 * Matches rows of cells with the read steps of a plan: `B to 0, 6.33 V`, `R3, 148 µA`, `R2 38.8 kΩ`, or the number of the step.
 * Without a unit the value is in the unit that the step's instrument shows.
 *
 * @param readings  readings that the job already has: their steps take no row
 */
export function matchRows(
  rows: readonly (readonly string[])[],
  {
    steps,
    network,
    readings,
  }: {
    readonly steps: readonly PlanStep[];
    readonly network: Network;
    readonly readings: readonly Reading[];
  },
): { readonly matched: readonly MatchedRow[]; readonly unmatched: readonly UnmatchedRow[] } {
  const matched: MatchedRow[] = [];
  const unmatched: UnmatchedRow[] = [];
  rows.forEach((cells, index) => {
    const text = cells
      .map((cell) => cell.trim())
      .filter(Boolean)
      .join(' ')
      .replace(/\s+/g, ' ');
    if (text === '') return;
    const row = index + 1;
    const found = matchRow(text, steps, network);
    const message =
      typeof found === 'string'
        ? found
        : readingsAt(readings, found.step).length > 0
          ? 'This step has a reading already. Remove the row, or strike that reading out.'
          : matched.some(({ step }) => step === found.step)
            ? 'An earlier row is for the same step. Keep one of them.'
            : null;
    if (message !== null) unmatched.push({ row, text, message });
    else matched.push({ row, ...(found as Omit<MatchedRow, 'row'>) });
  });
  return { matched, unmatched };
}

function matchRow(text: string, steps: readonly PlanStep[], network: Network): Omit<MatchedRow, 'row'> | string {
  const clean = text.replace(/−/g, '-');
  const value = valuePattern.exec(clean);
  if (!value) return noValue;
  const [, figures, prefix = '', letter] = value;
  const unit = letter === undefined ? null : unitOfLetter(letter);
  const shown = figures!.toUpperCase().replace(',', '.').replace(/^\+/, '');
  if (!shownPattern.test(shown)) return `${figures} is not a display. Type its digits, or OL.`;
  const place = clean.slice(0, value.index).replace(filler, ' ').trim();
  const found = stepAt(place, unit, steps, network);
  if (typeof found === 'string') return found;
  const { step, isReversed } = found;
  if (unit !== null && unit !== unitOf(step.quantity))
    return `This step is read in ${unitOf(step.quantity)}, not in ${unit}.`;
  return {
    step,
    isReversed,
    observation: { shown, unit: unit === null ? step.unit : prefixOf(prefix) + unit },
  };
}

/** Returns a typed prefix as a display has it. Only for m and M the case has a meaning. */
const prefixOf = (typed: string): string => ({ K: 'k', u: 'µ', U: 'µ', μ: 'µ', N: 'n', g: 'G' })[typed] ?? typed;

const unitOfLetter = (letter: string): 'V' | 'A' | 'Ω' =>
  letter.toUpperCase() === 'V' ? 'V' : letter.toUpperCase() === 'A' ? 'A' : 'Ω';

interface Found {
  readonly step: ReadStep;
  readonly isReversed: boolean;
}

const noValue = 'No value at the end of the row. Write the display last, for example 6.33 V.';
const noStep = 'No step of the plan reads this place. Choose another depth of the plan, or read it without the plan.';

function stepAt(
  place: string,
  unit: 'V' | 'A' | 'Ω' | null,
  steps: readonly PlanStep[],
  network: Network,
): Found | string {
  const nodes = new Set(nodesOf(network));
  const names = namesIn(place, new Set([...nodes, ...network.elements.map(({ id }) => id)]));
  const reads = steps.filter((step) => step.do === 'read');
  const as = (step: ReadStep | undefined): Found | string => (step ? { step, isReversed: false } : noStep);
  const [first, second] = names;
  if (first === undefined) return 'No place before the value. Write the nodes, the part or the number of the step.';
  const part = network.elements.find(({ id }) => id === first);
  if (names.length === 1 && part) {
    if (unit === 'V') return voltageStep(reads, part.from, part.to);
    const quantity: ReadingQuantity = unit === 'A' ? 'dc-current' : 'resistance';
    return as(reads.find((step) => step.quantity === quantity && isOf(step, first)));
  }
  if (names.length === 1 && /^\d+$/.test(first) && !nodes.has(first)) {
    const step = steps[Number(first) - 1];
    return step?.do === 'read' ? { step, isReversed: false } : `Step ${first} of the plan takes no reading.`;
  }
  if (names.length === 1 && nodes.has(first))
    // `B to 0` is two nodes without a value.
    return unit === null ? noValue : voltageStep(reads, first, referenceOf(network) ?? '');
  if (second !== undefined && nodes.has(first) && nodes.has(second)) return voltageStep(reads, first, second);
  // A node, and the parts that the current goes into.
  if (nodes.has(first) && names.slice(1).every((name) => network.elements.some(({ id }) => id === name)))
    return as(
      reads.find(
        (step) =>
          step.quantity === 'dc-current' && step.node === first && names.slice(1).every((name) => isOf(step, name)),
      ),
    );
  const unknown = names.find((name) => !nodes.has(name) && !network.elements.some(({ id }) => id === name));
  return unknown === undefined ? noStep : `The circuit has no node and no part ${unknown}.`;
}

function voltageStep(reads: readonly ReadStep[], red: string, black: string): Found | string {
  for (const step of reads) {
    if (step.quantity !== 'dc-voltage' || step.unloaded !== undefined) continue;
    if (step.red === red && step.black === black) return { step, isReversed: false };
    if (step.red === black && step.black === red) return { step, isReversed: true };
  }
  return noStep;
}

const isOf = (step: ReadStep, part: string): boolean =>
  step.quantity === 'resistance'
    ? step.element === part
    : step.quantity === 'dc-current' && step.ends.some((end) => end.replace(/\.(from|to)$/, '') === part);

/** Returns the names in a place: words, and their pieces between hyphens if a word is no name itself. */
function namesIn(place: string, known: ReadonlySet<string>): string[] {
  const words = place.split(/[\s,;:()=]+/).filter((word) => word !== '');
  // A letter for the quantity in front, as in `V B 0`.
  const rest =
    words.length > 1 && /^[VUIA]$/.test(words[0]!) && !(known.has(words[0]!) && words.length === 2)
      ? words.slice(1)
      : words;
  return rest.flatMap((word) => (known.has(word) ? [word] : word.split(/[-–]/).filter((piece) => piece !== '')));
}
