import { bestExplanations } from '../diagnosis/index.ts';
import { findRange, jackOf } from '../instrument/index.ts';
import { jobMeant, networkMeant, type Job } from '../job/index.ts';
import {
  bestRangeOptions,
  measurementPointOf,
  rangeTable,
  solveSetup,
  solveUnloaded,
  type Meter,
  type MeterReading,
  type RangeOption,
  type Unloaded,
} from '../loading/index.ts';
import type { Element } from '../network/index.ts';
import { reduceNet, resistanceNet } from '../reduction/index.ts';
import { movementOf, planDesign, type Design } from '../workshop/index.ts';
import type {
  Answer,
  Ask,
  AskedOfFace,
  AskedOfMeter,
  AskedOfPart,
  AskedOfReading,
  Problem,
} from './problems/problem.ts';

/**
 * The right answer to a question, worked out from the problem's own job or design.
 *
 * @returns in SI, a range's id, or a fault; null if the problem does not have what is asked about
 */
export function answerTo({ job, design }: Problem, { of }: Ask): Answer | null {
  if (of.what === 'section') return design ? sectionOf(design, of.range) : null;
  if (!job) return null;
  if (of.what === 'fault') return faultOf(job);
  const solved = solveUnloaded(networkMeant(job));
  return solved.ok ? valueIn(solved.value, job, of) : null;
}

const valueIn = (unloaded: Unloaded, job: Job, of: AskedOfMeter | AskedOfPart): Answer | null =>
  'setup' in of ? valueOfMeter(unloaded, job, of) : valueOfPart(unloaded, of);

function valueOfPart(unloaded: Unloaded, of: AskedOfPart): Answer | null {
  const { network, values } = unloaded;
  switch (of.what) {
    case 'equivalent': {
      const source = network.elements.find(({ id }) => id === of.source);
      if (source?.kind !== 'source' && source?.kind !== 'current-source') return null;
      return reduceNet(resistanceNet(network, source, unloaded.tangent)).equivalent;
    }
    case 'voltage':
    case 'current':
    case 'power':
      return values.elements[of.element]?.[of.what] ?? null;
    case 'charge': {
      const current = values.elements[of.element]?.current ?? null;
      return current === null ? null : current * of.seconds;
    }
  }
}

function valueOfMeter(unloaded: Unloaded, job: Job, of: AskedOfMeter): Answer | null {
  if (of.what === 'needle') return of.shown;
  if (of.what === 'jack') return jackOfBest(unloaded, job, of);
  if (of.what === 'fuse') return fuseHolds(unloaded, job, of);
  return valueOfReading(unloaded, job, of);
}

const meterAt = (job: Job, of: AskedOfMeter): Meter | undefined =>
  job.setups?.find(({ id }) => id === of.setup)?.meters.find(({ id }) => id === of.meter);

function jackOfBest(unloaded: Unloaded, job: Job, of: AskedOfMeter): string | null {
  const meter = meterAt(job, of);
  const best = bestRange(unloaded, job, of);
  return meter && best ? jackOf(meter.quantity, best.range) : null;
}

/** Returns the current, A, and the fuse of an ammeter's range that is put across a source; null if one is not there. */
export function acrossSource(
  { network }: Unloaded,
  job: Job,
  of: Extract<AskedOfFace, { what: 'fuse' }>,
): { readonly current: number; readonly fuse: number; readonly resistance: number } | null {
  const instrument = job.instruments?.find(({ id }) => id === meterAt(job, of)?.instrument);
  const range = instrument && findRange(instrument, 'dc-current', of.range);
  const source = network.elements.find(({ id }) => id === of.source);
  if (!range?.fuse || !source) return null;
  const { from, to } = source;
  const meter: Element = { id: freeElementId, kind: 'resistor', from, to, resistance: range.resistance };
  const solved = solveUnloaded({ ...network, elements: [...network.elements, meter] });
  const current = solved.ok ? (solved.value.values.elements[freeElementId]?.current ?? null) : null;
  return current === null ? null : { current: Math.abs(current), fuse: range.fuse, resistance: range.resistance };
}

/** No element of a practice circuit has this id. */
const freeElementId = 'across-the-source';

function fuseHolds(unloaded: Unloaded, job: Job, of: Extract<AskedOfFace, { what: 'fuse' }>): 'yes' | 'no' | null {
  const found = acrossSource(unloaded, job, of);
  return found && (found.current <= found.fuse ? 'yes' : 'no');
}

function valueOfReading(unloaded: Unloaded, job: Job, of: AskedOfReading): Answer | null {
  if (of.what === 'range') return bestRange(unloaded, job, of)?.range.id ?? null;
  const reading = readingOf(unloaded, job, of);
  if (!reading) return null;
  const { indicated, true: truth, error, relativeError } = reading;
  switch (of.what) {
    case 'indicated':
      return indicated;
    case 'true':
      return truth;
    case 'error':
      return error;
    case 'relative-error':
      return relativeError;
    case 'corrected':
      return truth === null || !indicated ? null : (of.shown * truth) / indicated;
  }
}

/** A meter of a job's set-up, solved with the whole set-up; null if there is none. */
export function readingOf(
  unloaded: Unloaded,
  { instruments = [], setups = [] }: Pick<Job, 'instruments' | 'setups'>,
  { setup: id, meter }: { readonly setup: string; readonly meter: string },
): MeterReading | null {
  const setup = setups.find((one) => one.id === id);
  if (!setup) return null;
  const solved = solveSetup(unloaded, instruments, setup);
  return solved.ok ? (solved.value.meters[meter] ?? null) : null;
}

/** The ranges of a meter's instrument at its place, and what they leave uncertain. */
export function rangesAt(
  unloaded: Unloaded,
  { instruments = [], setups = [] }: Pick<Job, 'instruments' | 'setups'>,
  { setup: id, meter: meterId }: { readonly setup: string; readonly meter: string },
): RangeOption[] {
  const setup = setups.find((one) => one.id === id);
  const meter = setup?.meters.find((one) => one.id === meterId);
  const instrument = instruments.find((one) => one.id === meter?.instrument);
  if (!setup || !meter || !instrument) return [];
  const point = measurementPointOf(unloaded, instruments, setup, meterId);
  return point.ok ? rangeTable(point.value, meter.quantity, [instrument]) : [];
}

const bestRange = (...at: Parameters<typeof rangesAt>): RangeOption | null =>
  bestRangeOptions(rangesAt(...at)).corrected;

/** Ω of the section that a range adds to a design; null if the design has no such range. */
export function sectionOf(design: Design, range: number): number | null {
  const movement = movementOf(design.movement);
  const plan = movement.ok ? planDesign(design, movement.value) : null;
  if (!plan?.ok) return null;
  const rising = [...design.ranges].sort((a, b) => a - b);
  const at = rising.indexOf(range);
  const { sections } = plan.value;
  // A universal shunt's sections are counted from the common end: the highest range first.
  return sections[design.scheme === 'universal' ? sections.length - 1 - at : at]?.resistance ?? null;
}

function faultOf(job: Job): Answer | null {
  return bestExplanations(jobMeant(job))[0] ?? null;
}
