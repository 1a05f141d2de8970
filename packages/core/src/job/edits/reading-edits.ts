import { replaceElement } from '../../network/index.ts';
import { atItsVersion } from '../job-version.ts';
import type { Job } from '../job.ts';
import type { Conventions, Observation, Reading } from '../../readings/index.ts';

/** The next free name of a reading: M3 after M2. Struck ones keep theirs. */
export const nextReadingId = (readings: readonly Reading[]): string =>
  freeReadingId(readings.length, new Set(readings.map(({ id }) => id)));

/** The same of so many readings, whose names are `taken`. */
export function freeReadingId(count: number, taken: ReadonlySet<string>): string {
  let number = count + 1;
  while (taken.has(`M${number}`)) number += 1;
  return `M${number}`;
}

/** Writes a reading down, the newest last. */
export const addReading = (job: Job, reading: Reading): Job =>
  atItsVersion({ ...job, readings: [...(job.readings ?? []), reading] });

/** Adds another observation to a reading. */
export const addObservation = (job: Job, id: string, observation: Observation): Job =>
  changeReading(job, id, (reading) => ({ ...reading, observations: [...reading.observations, observation] }));

/** Strikes a reading out with the reason; it stays in the log. */
export const strikeReading = (job: Job, id: string, why: string, at: string): Job =>
  changeReading(job, id, (reading) => ({ ...reading, struck: { at, why } }));

/** Puts a remark to a reading; an empty one takes it off. */
export const noteReading = (job: Job, id: string, note: string): Job =>
  changeReading(job, id, (reading) => {
    const { note: _former, ...rest } = reading;
    return note === '' ? rest : { ...rest, note };
  });

function changeReading(job: Job, id: string, change: (reading: Reading) => Reading): Job {
  const readings = job.readings?.map((reading) => (reading.id === id ? change(reading) : reading));
  return readings ? { ...job, readings } : job;
}

/** Takes a resistance reading for the part's measured value, Ω. */
export function takeMeasuredValue(job: Job, element: string, resistance: number): Job {
  const part = job.network.elements.find(({ id }) => id === element);
  if (part?.kind !== 'resistor') return job;
  return { ...job, network: replaceElement(job.network, element, { ...part, measuredResistance: resistance }) };
}

/** The job with other conventions; what counts anyhow is left out, and so are conventions without any. */
export function editConventions(job: Job, conventions: Conventions): Job {
  const { conventions: _former, ...rest } = job;
  const told = Object.entries(conventions).filter(
    ([key, value]) => value !== usualConventions[key as keyof Conventions],
  );
  return atItsVersion(told.length > 0 ? { ...rest, conventions: Object.fromEntries(told) } : rest);
}

/** Conventions that apply if a job has none. */
export const usualConventions: Required<Conventions> = {
  sign: 'keep',
  observations: 'mean',
  current: 'conventional',
  firstRange: 'highest',
  currentLimit: 'just-above',
  supply: 'meter',
  checks: 'function-leads-range-placement',
};
