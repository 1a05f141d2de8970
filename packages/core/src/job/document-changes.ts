import { formatPercent, formatQuantity, type Unit } from '../quantity/index.ts';
import { sameValue } from './same-value.ts';

type Fields = Readonly<Record<string, unknown>>;

/**
 * Returns the changes from one version of a job, instrument or meter project to a later one, in words: `Parts: R5 added,
 * resistance of R1: 10 kΩ → 12 kΩ`. Lists whose members have ids are compared by them, all else as a whole.
 *
 * @returns a line for each part of the document that differs; empty if both are equal
 */
export const documentChanges = (before: unknown, after: unknown): string[] => changesOf(before, after, labels);

function changesOf(before: unknown, after: unknown, names: Labels): string[] {
  const [one, other] = [fieldsOf(before), fieldsOf(after)];
  return keysOf(one, other).flatMap((key) => {
    if (sameValue(one[key], other[key])) return [];
    if (key === 'network') return changesOf(one[key], other[key], labels);
    if (key === 'board' && one[key] !== undefined && other[key] !== undefined)
      return changesOf(one[key], other[key], boardLabels);
    const label = names[key] ?? inWords(key);
    const members = memberChanges(one[key], other[key]);
    if (members) return [`${label}: ${members.join(', ')}`];
    if (one[key] === undefined) return [`${label} added`];
    return [other[key] === undefined ? `${label} removed` : `${label} changed`];
  });
}

type Labels = Readonly<Record<string, string>>;

const labels: Labels = {
  elements: 'Parts',
  setups: 'Set-ups',
  values: 'Nominal or measured values',
  reference: 'Reference node',
  record: 'Job details',
  board: 'Strip board',
};

const boardLabels: Labels = {
  rows: 'Rows of the strip board',
  splitRails: 'Split rails of the strip board',
  parts: 'Strip board',
  wires: 'Wires on the strip board',
};

/** Members added, removed and changed; null if the lists have no ids to compare by. */
function memberChanges(before: unknown, after: unknown): string[] | null {
  const [one, other] = [byId(before), byId(after)];
  if (!one || !other) return null;
  const changes = [...other].flatMap(([id, member]) => {
    const former = one.get(id);
    if (!former) return [`${id} added`];
    if (sameValue(former, member)) return [];
    return keysOf(former, member).flatMap((key) => keyChanges(id, key, former[key], member[key]));
  });
  const removed = [...one.keys()].filter((id) => !other.has(id)).map((id) => `${id} removed`);
  return changes.length + removed.length > 0 ? [...changes, ...removed] : ['order changed'];
}

/** Changes of one key of a member: those of its own members, both values of a plain one, or that it has changed. */
function keyChanges(id: string, key: string, before: unknown, after: unknown): string[] {
  if (sameValue(before, after)) return [];
  const inner = Array.isArray(before) && Array.isArray(after) ? memberChanges(before, after) : null;
  if (inner) return inner.map((change) => `${change} (${id})`);
  const name = memberLabels[key] ?? inWords(key).toLowerCase();
  if (typeof (before ?? after) === 'boolean') return [`${name} of ${id}: ${yesOrNo(before)} → ${yesOrNo(after)}`];
  if (before === undefined && !isPlain(after)) return [`${name} of ${id} added`];
  if (!isPlain(before ?? after) || !isPlain(after ?? before)) return [`${name} of ${id} changed`];
  return [`${name} of ${id}: ${plainWords(key, before)} → ${plainWords(key, after)}`];
}

/** A switch that is left out is off. */
const yesOrNo = (value: unknown): string => (value === true ? 'yes' : 'no');

/** Keys whose name on the screen is another. */
const memberLabels: Readonly<Record<string, string>> = { emf: 'EMF', reversed: 'swapped leads' };

const isPlain = (value: unknown): boolean => ['string', 'number'].includes(typeof value);

/** Units of the keys that are quantities. */
const units: Readonly<Record<string, Unit>> = {
  emf: 'V',
  resistance: 'Ω',
  internalResistance: 'Ω',
  measuredResistance: 'Ω',
  current: 'A',
  currentLimit: 'A',
  compliance: 'V',
  ratedVoltage: 'V',
  ratedCurrent: 'A',
  powerRating: 'W',
};

/** Digits of a value: enough that two that differ are printed differently. */
const valueDigits = 12;

/** Keys that are ratios and shown in per cent. */
const ratios: readonly string[] = ['tolerance', 'resistanceTolerance', 'accuracyOfReading', 'accuracyOfRange'];

function plainWords(key: string, value: unknown): string {
  if (value === undefined) return 'none';
  if (typeof value !== 'number') return typeof value === 'string' ? value : '';
  if (ratios.includes(key)) return formatPercent(value, { digits: 4, trim: true });
  const unit = units[key];
  return unit ? formatQuantity(value, unit, { digits: valueDigits, trim: true }) : String(value);
}

function byId(list: unknown): ReadonlyMap<string, Fields> | null {
  if (list === undefined) return new Map();
  if (!Array.isArray(list)) return null;
  const members = list.map(fieldsOf);
  return members.every(({ id }) => typeof id === 'string')
    ? new Map(members.map((one) => [one.id as string, one]))
    : null;
}

const fieldsOf = (value: unknown): Fields => (typeof value === 'object' && value !== null ? (value as Fields) : {});

const keysOf = (one: Fields, other: Fields): string[] => [...new Set([...Object.keys(one), ...Object.keys(other)])];

/** `measuredResistance` as `Measured resistance`. */
function inWords(key: string): string {
  const words = key.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}
