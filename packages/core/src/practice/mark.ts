import { faultSentence, isFaultName, type Hypothesis, type HypothesisOf } from '../faults/index.ts';
import { formatPercent, formatQuantity, type Unit } from '../quantity/index.ts';
import { halfDivision } from '../workshop/index.ts';
import { answerTo } from './answer.ts';
import { valueWithin } from './by-kind.ts';
import type { Answer, Ask, Problem } from './problems/problem.ts';
import { dialInUse } from './needle.ts';
import { readAnswer, type TypedAnswer } from './read-answer.ts';
import { mistakeSentences, type Mistake, type MistakeValue } from './mistakes/mistake.ts';
import { mistakesFor } from './mistakes/mistakes.ts';

/** Share of half a step that rounding may add. */
const rounding = 1e-9;

/** Weight that puts one of two equally near mistakes behind the other. */
const tieBreak = 1e-9;

/** Result of one answer. */
export interface AnswerMark {
  readonly right: boolean;
  /** In SI, a range's id, or a fault; null if the problem does not have what is asked about. */
  readonly expected: Answer | null;
  /** Null if none is recognised. */
  readonly slip: Mistake | null;
  readonly text: string;
}

/** Marks of a problem's answers, in the published format. */
export interface Marking {
  readonly format: 'usual-drag/marking';
  readonly version: 1;
  readonly marks: Readonly<Record<string, AnswerMark>>;
}

/** An answer as it is handed in: a text, or a fault. */
export type GivenAnswer = string | NamedFault;

/** A fault that a person named; the value may be omitted. */
interface NamedFault extends Pick<Hypothesis, 'fault' | 'where'> {
  readonly value?: unknown;
}

/** Share by which an answer may be off. */
const allowed = 0.005;

/** Marks every question that has an answer. */
export const markAnswers = (problem: Problem, answers: Readonly<Record<string, GivenAnswer>>): Marking => ({
  format: 'usual-drag/marking',
  version: 1,
  marks: Object.fromEntries(
    problem.asks
      .filter(({ id }) => Object.hasOwn(answers, id))
      .map((ask) => [ask.id, markAnswer(problem, ask, answers[ask.id]!)]),
  ),
});

/**
 * Marks one answer: right within 0.5 %, or within half of the last digit given if that is more and the answer has two digits
 * or more; else the slip that would have given it, with a wrong sign or prefix on top of it where need be.
 */
export function markAnswer(problem: Problem, ask: Ask, given: GivenAnswer): AnswerMark {
  const expected = answerTo(problem, ask);
  if (expected === null)
    return { right: false, expected, slip: null, text: 'This problem does not have what is asked about.' };
  if (typeof expected === 'object') return markFault(expected, given);
  if (typeof given !== 'string') return { right: false, expected, slip: null, text: 'Answer with a value.' };
  if (typeof expected === 'string') return markChoice(ask, expected, given);
  const typed = readAnswer(given, ask.unit);
  if (!typed.ok) return { right: false, expected, slip: null, text: typed.fault };
  const { value } = typed.value;
  if (isNear(value, expected, typed.value) || Math.abs(value - expected) <= needleTolerance(problem, ask)) {
    const note =
      typed.value.hasUnit || ask.unit === undefined ? '' : ` Write the unit with it: ${given.trim()} ${ask.unit}.`;
    return { right: true, expected, slip: null, text: `Right: ${inUnit(expected, ask.unit)}.${note}` };
  }
  const found = recognise(value, expected, mistakesFor(problem, ask), typed.value);
  return {
    right: false,
    expected,
    slip: found?.slip ?? null,
    text: found ? found.text : 'Not correct, and no common mistake gives this value. Take it a step at a time.',
  };
}

/** Returns half a division for a question about a needle, V or A, and 0 for any other. */
function needleTolerance({ job }: Problem, { of }: Ask): number {
  if (of.what !== 'needle') return 0;
  const meter = job?.setups?.find(({ id }) => id === of.setup)?.meters.find(({ id }) => id === of.meter);
  const instrument = job?.instruments?.find(({ id }) => id === meter?.instrument);
  const dial = meter && instrument && dialInUse(instrument, meter.quantity, meter.range);
  return dial ? halfDivision(dial.scale, dial.range) * (1 + rounding) : 0;
}

const isNear = (value: number, wanted: number, { digits, halfStep }: TypedAnswer): boolean =>
  Math.abs(value - wanted) <= Math.max(allowed * Math.abs(wanted), digits >= 2 ? halfStep * (1 + rounding) : 0);

/** The slip whose value is nearest to an answer, alone, then with the sign, then with a prefix on top. */
function recognise(
  value: number,
  expected: number,
  slips: readonly MistakeValue[],
  typed: TypedAnswer,
): { readonly slip: Mistake; readonly text: string } | null {
  const alone = nearest(value, slips, typed);
  if (alone) return { slip: alone.slip, text: said(alone) };
  const right: MistakeValue = { slip: 'sign', value: expected, at: '' };
  if (nearest(-value, [right], typed)) return { slip: 'sign', text: mistakeSentences.sign };
  for (const power of [3, -3, 6, -6, 9, -9, 12, -12])
    for (const sign of [1, -1]) {
      const put = sign * value * 10 ** power;
      if (nearest(put, [right], typed)) {
        const text = sign === 1 ? mistakeSentences.prefix : `${mistakeSentences.prefix} ${mistakeSentences.sign}`;
        return { slip: 'prefix', text };
      }
    }
  const turned = nearest(-value, slips, typed);
  if (turned) return { slip: turned.slip, text: `${said(turned)} And the sign is reversed.` };
  for (const power of [3, -3, 6, -6])
    for (const sign of [1, -1]) {
      const found = nearest(sign * value * 10 ** power, slips, typed);
      if (found) return { slip: found.slip, text: `${said(found)} And the prefix is another.` };
    }
  return null;
}

/** Of slips that a value fits equally well, in its digits, these are taken last, in this order. */
const unlikely: readonly Mistake[] = ['wrong-range', 'rounded-early'];

/** Returns the mistake that comes nearest to a value, within the resolution of its digits. */
function nearest(
  value: number,
  slips: readonly MistakeValue[],
  { digits, halfStep }: TypedAnswer,
): MistakeValue | null {
  let best: MistakeValue | null = null;
  let least = Infinity;
  for (const one of slips) {
    const size = Math.abs(one.value);
    if (size === 0 || !Number.isFinite(size)) continue;
    const off = Math.abs(value - one.value) / size;
    const room = one.slip === 'rounded-early' ? 0.001 : allowed;
    const step = digits >= 2 ? Math.min(halfStep / size, 0.02) : 0;
    if (off > Math.max(room, step)) continue;
    const counted = (off <= step ? 0 : off) + tieBreak * (1 + unlikely.indexOf(one.slip));
    if (counted < least) [best, least] = [one, counted];
  }
  return best;
}

function said({ slip, at }: MistakeValue): string {
  if (at === '') return mistakeSentences[slip];
  return slip === 'wrong-range'
    ? `${mistakeSentences[slip]} It fits the ${at} range.`
    : `${mistakeSentences[slip]} It happened at ${at}.`;
}

/** Mistake and words for a wrong choice. */
const wrongChoices: Readonly<Record<'range' | 'jack' | 'fuse', { readonly slip: Mistake; readonly text: string }>> = {
  range: {
    slip: 'wrong-range',
    text: 'Another range is left with less uncertainty once its loading is corrected: neither over range nor low on its scale.',
  },
  jack: { slip: 'wrong-jack', text: mistakeSentences['wrong-jack'] },
  fuse: { slip: 'fuse-rating', text: mistakeSentences['fuse-rating'] },
};

function markChoice({ of }: Ask, expected: string, given: string): AnswerMark {
  const plain = (text: string): string =>
    text
      .replace(/[\s\u00a0]/g, '')
      .replace(/[μu]/g, 'µ')
      .toLowerCase();
  const right = plain(given) === plain(expected);
  const wrong = wrongChoices[of.what === 'jack' || of.what === 'fuse' ? of.what : 'range'];
  return {
    right,
    expected,
    slip: right ? null : wrong.slip,
    text: right ? `Right: ${expected}.` : wrong.text,
  };
}

function markFault(expected: Hypothesis, given: GivenAnswer): AnswerMark {
  const answered = typeof given === 'string' ? faultIn(given) : given;
  if (!answered)
    return { right: false, expected, slip: null, text: 'Name a fault, and the part or reading that has it.' };
  const sameFault = answered.fault === expected.fault;
  const sameWhere = [...answered.where].sort().join() === [...expected.where].sort().join();
  const right = sameFault && sameWhere && isSameValue(answered.value ?? null, expected);
  if (right) return { right, expected, slip: null, text: `Right: ${faultSentence(expected)}` };
  const text = sameWhere
    ? `The place is right, the fault is another. ${whereWords(expected)}`
    : sameFault
      ? 'Right fault, wrong place: look which readings it would have left as they are.'
      : 'That would not have given these readings: work out what it does to each.';
  return { right, expected, slip: null, text };
}

const whereWords = ({ where }: Hypothesis): string => `Look at ${where.join(' and ')} again.`;

/** Returns whether two values of a fault are the same within what its kind allows; a value that is not given always is. */
function isSameValue(value: unknown, { fault, value: wanted }: Hypothesis): boolean {
  if (value === null || wanted === null) return true;
  const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= valueWithin(fault) * Math.abs(b);
  if (typeof value === 'number' && typeof wanted === 'number') return isNear(value, wanted);
  if (isFactor(value) && isFactor(wanted))
    return value.quantity === wanted.quantity && isNear(value.factor, wanted.factor);
  return JSON.stringify(value) === JSON.stringify(wanted);
}

const isFactor = (value: unknown): value is HypothesisOf<'meter'>['value'] =>
  typeof value === 'object' && value !== null && 'factor' in value && typeof value.factor === 'number';

function faultIn(text: string): NamedFault | null {
  try {
    const { fault, where, value = null } = JSON.parse(text) as Readonly<Record<string, unknown>>;
    return typeof fault === 'string' && isFaultName(fault) && Array.isArray(where)
      ? { fault, where: where.map(String), value }
      : null;
  } catch {
    return null;
  }
}

/** A value as it is shown for a question. */
function inUnit(value: number, unit: string | undefined): string {
  if (unit === '%') return formatPercent(value, { digits: 4 });
  return formatQuantity(value, (unit?.slice(-1) ?? 'V') as Unit, { digits: 4, trim: true });
}
