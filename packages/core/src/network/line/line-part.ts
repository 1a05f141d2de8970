import { parsePercent, parseQuantity, type Unit } from '../../quantity/index.ts';
import type { Element, ElementKind } from '../element.ts';
import { limitViolation } from '../limit.ts';
import { elementLimits, namePattern } from '../limits.ts';
import type { LineFault, LineToken } from './line-token.ts';
import { readCurveWord, type CurveQuantities } from '../load-laws/index.ts';

/** A part as a line names it, without its ends. */
export interface LinePart {
  /** Null if the line gives no name. */
  readonly id: string | null;
  readonly kind: ElementKind;
  /** The quantities and words that the line gives. */
  readonly given: Readonly<Record<string, unknown>>;
  /** Place of the name, or of the first word. */
  readonly at: number;
  readonly length: number;
}

/** Meaning of one word behind a name. */
type Word =
  | {
      readonly says: 'volts' | 'amps' | 'watts' | 'ohms' | 'measured' | 'percent' | 'limit';
      readonly value: number;
    }
  | { readonly says: 'cell'; readonly emf: number; readonly inside: number }
  | { readonly says: 'stack'; readonly series: number | undefined; readonly parallel: number | undefined }
  | { readonly says: 'curve'; readonly values: CurveQuantities; readonly onlyForLoads: string }
  | { readonly says: 'open' | 'closed' | 'polarised' | 'link' };

type Said = Word & { readonly token: LineToken };

/** Returns whether a word begins a value rather than a name. */
export const isValueWord = (text: string): boolean => readWord(text) !== null;

/**
 * Reads a part from a token on: a name, then its values in any order, then a text in quotes for what it is for.
 *
 * Its kind follows from the values: volts are a source (with amperes or watts a lamp or other load), amperes a current
 * source, ohms a resistor, `open` or `closed` a switch, `link` a link. A name alone means the part of that name in `known`.
 *
 * @param begin  the place of the part's first token
 * @returns the part and the place of the token behind it, or the fault
 */
export function readPart(
  tokens: readonly LineToken[],
  begin: number,
  known: readonly Element[],
): { readonly part: LinePart; readonly end: number } | LineFault {
  let end = begin;
  let id: string | null = null;
  const first = tokens[begin]!;
  if (first.text.startsWith('#') || !isValueWord(first.text)) {
    id = first.text.replace(/^#/, '');
    end += 1;
    if (!namePattern.test(id))
      return faultAt(first, `“${first.text}” is neither a name nor a value. Try R1 4k7, E1 24V or L1 12V 0.3A.`);
  }
  const said: Said[] = [];
  let label: string | undefined;
  for (; ; end += 1) {
    const token = tokens[end]!;
    if (token.kind === 'text') {
      if (label !== undefined) return faultAt(token, 'A part has one text in quotes.');
      label = token.text;
      continue;
    }
    const word = token.kind === 'word' && !token.text.startsWith('#') ? readWord(token.text) : null;
    if (!word || (said.length > 0 && !belongs(word, said))) break;
    said.push({ ...word, token });
  }
  const { at, length } = first;
  const own = known.find((element) => element.id === id);
  if (said.length === 0) {
    if (!own)
      return faultAt(
        first,
        `${id ?? 'This part'} needs a value: ohms, volts, amperes, open or closed, or link for a wire.`,
      );
    return { part: { id, kind: own.kind, given: label === undefined ? {} : { label }, at, length }, end };
  }
  const kind = kindOf(said);
  const given: Record<string, unknown> = label === undefined ? {} : { label };
  for (const word of said) {
    const fields = fieldsOf(kind, word);
    if (typeof fields === 'string') return faultAt(word.token, fields);
    for (const [key, value] of Object.entries(fields)) {
      if (key in given) return faultAt(word.token, `This is given twice for one part.`);
      const limit = elementLimits[key as keyof typeof elementLimits] as (typeof elementLimits)['emf'] | undefined;
      const violation = limit && typeof value === 'number' ? limitViolation(limit, value) : null;
      if (violation) return faultAt(word.token, `This value ${violation}.`);
      given[key] = value;
    }
  }
  return { part: { id, kind, given, at, length }, end };
}

/** Returns whether a further value can be about the same part: a second resistance cannot, and begins a part of its own. */
function belongs(word: Word, said: readonly Said[]): boolean {
  const main = ['volts', 'cell', 'amps', 'ohms', 'open', 'closed', 'link'];
  if (!main.includes(word.says)) return true;
  const before = said.filter((other) => main.includes(other.says)).map((other) => other.says);
  if (before.length === 0) return true;
  const pair = [...before, word.says].sort().join(' ');
  return pair === 'amps volts';
}

function kindOf(said: readonly Said[]): ElementKind {
  const says = new Set(said.map((word) => word.says));
  if (says.has('open') || says.has('closed')) return 'switch';
  if (says.has('link')) return 'link';
  if (says.has('cell')) return 'source';
  if (says.has('volts')) return says.has('amps') || says.has('watts') ? 'load' : 'source';
  if (says.has('amps')) return 'current-source';
  return 'resistor';
}

/** Returns the fields that a word gives a part of a kind, or the reason why it gives none. */
function fieldsOf(kind: ElementKind, word: Said): Record<string, unknown> | string {
  switch (word.says) {
    case 'open':
    case 'closed':
      return { closed: word.says === 'closed' };
    case 'link':
      return {};
    case 'polarised':
      return kind === 'load' ? { polarised: true } : 'Only a lamp or other load can be polarised.';
    case 'cell':
      return { emf: word.emf, internalResistance: word.inside };
    case 'volts':
      return kind === 'load' ? { ratedVoltage: word.value } : { emf: word.value };
    case 'amps':
      return kind === 'load' ? { ratedCurrent: word.value } : { current: word.value };
    case 'watts':
      return kind === 'load' ? { ratedPower: word.value } : kind === 'resistor' ? { powerRating: word.value } : noWatts;
    case 'ohms':
      return { resistance: word.value };
    case 'percent':
      return kind === 'resistor' ? { tolerance: word.value } : 'A tolerance is a resistor’s.';
    case 'measured':
      return kind === 'resistor' ? { measuredResistance: word.value } : 'A measured value is a resistor’s.';
    case 'curve':
      return kind === 'load' ? { ...word.values } : word.onlyForLoads;
    case 'limit':
      return limitOf(kind, word);
    case 'stack':
      if (kind !== 'source') return 'Cells in series and parallel are a source’s.';
      return {
        ...(word.series !== undefined && { cellsInSeries: word.series }),
        ...(word.parallel !== undefined && { cellsInParallel: word.parallel }),
      };
  }
}

const noWatts = 'Watts are a resistor’s rating, or with volts a lamp’s.';

function limitOf(
  kind: ElementKind,
  { token, value }: Said & { readonly value: number },
): Record<string, number> | string {
  const volts = /v(?:olts?)?$/i.test(token.text);
  if (kind === 'source') return volts ? 'A supply’s limit is in amperes: <0.5A.' : { currentLimit: value };
  if (kind !== 'current-source') return 'A limit is a source’s: <0.5A of a supply, <22V of a current source.';
  return volts ? { compliance: value } : 'A current source’s limit is in volts: <22V.';
}

function readWord(text: string): Word | null {
  if (/^[\p{L}_]/u.test(text) && !words.has(text)) return null;
  if (text === 'open' || text === 'closed' || text === 'polarised' || text === 'link') return { says: text };
  const stack = /^(?:(\d{1,4})s)?(?:(\d{1,4})p)?$/.exec(text);
  if (text !== '' && stack) {
    const [series, parallel] = [stack[1], stack[2]].map((n) => (n === undefined ? undefined : Number(n)));
    return { says: 'stack', series, parallel };
  }
  if (text.startsWith('=')) return valueIn(text.slice(1), 'Ω', 'measured');
  if (text.startsWith('<')) return valueIn(text.slice(1), 'A', 'limit') ?? valueIn(text.slice(1), 'V', 'limit');
  const curve = readCurveWord(text);
  if (curve) return { says: 'curve', ...curve };
  if (/^[±\d.,].*%$/.test(text)) {
    const percent = parsePercent(text);
    return percent.ok ? { says: 'percent', value: percent.value } : null;
  }
  const [front = '', behind, ...rest] = text.split('/');
  if (behind !== undefined) {
    const emf = parseQuantity(front, 'V');
    const inside = parseQuantity(behind, 'Ω');
    return rest.length === 0 && emf.ok && inside.ok ? { says: 'cell', emf: emf.value, inside: inside.value } : null;
  }
  switch (/[VAW]/i.exec(text)?.[0].toUpperCase()) {
    case 'V':
      return valueIn(text, 'V', 'volts');
    case 'A':
      return valueIn(text, 'A', 'amps');
    case 'W':
      return valueIn(text, 'W', 'watts');
    default:
      return valueIn(text, 'Ω', 'ohms');
  }
}

const words: ReadonlySet<string> = new Set(['open', 'closed', 'polarised', 'link']);

function valueIn<S extends 'volts' | 'amps' | 'watts' | 'ohms' | 'measured' | 'limit'>(
  text: string,
  unit: Unit,
  says: S,
): { readonly says: S; readonly value: number } | null {
  const value = parseQuantity(text, unit);
  return value.ok ? { says, value: value.value } : null;
}

const faultAt = ({ at, length }: LineToken, message: string): LineFault => ({ message, at, length });
