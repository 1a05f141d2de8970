import type { Instrument, InstrumentFunction } from '../instrument/index.ts';
import { curveQuantities, type Element } from '../network/index.ts';
import type { Job, JobVersion } from './job.ts';
import { readingsMeant } from './job-meant.ts';

/** A key of a job that not every version of the format has. */
export interface NewerKey {
  /** Path of the key in the file. */
  readonly path: string;
  /** The first version that has it. */
  readonly since: JobVersion;
}

/**
 * Returns the job with the lowest version of the format that has all its keys.
 *
 * A polarised load means something else from version 2 on: a job that has one does not go back. Readings that an earlier
 * version marked as unloaded by the name of a node are written as version 3 has them.
 */
export function atItsVersion(job: Job): Job {
  const readings = readingsMeant(job);
  const meant = readings === job.readings ? job : { ...job, readings: readings! };
  const keepsMeaning = job.version >= 2 && job.network.elements.some((one) => one.kind === 'load' && one.polarised);
  const version = Math.max(keepsMeaning ? 2 : 1, ...newerKeys(meant).map(({ since }) => since)) as JobVersion;
  return meant.version === version ? meant : { ...meant, version };
}

/** Returns the keys of a job that came with version 2 or later; none if it has none. */
export function newerKeys(job: Job): NewerKey[] {
  return [
    ...(['record', 'conventions', 'readings'] as const).flatMap((key) => (job[key] === undefined ? [] : at(2, key))),
    ...(['sweeps', 'board'] as const).flatMap((key) => (job[key] === undefined ? [] : at(3, key))),
    ...(job.readings ?? []).flatMap((reading, index) =>
      reading.quantity === 'dc-voltage' && reading.unloaded !== undefined ? at(3, `readings[${index}].unloaded`) : [],
    ),
    ...job.network.elements.flatMap((element, index) =>
      newerElementKeys(element).flatMap(({ path, since }) => at(since, `network.elements[${index}].${path}`)),
    ),
    ...(job.instruments ?? []).flatMap((instrument, index) =>
      newerInstrumentKeys(instrument).map(({ path, since }) => ({ path: `instruments[${index}].${path}`, since })),
    ),
  ];
}

const at = (since: JobVersion, path: string): [NewerKey] => [{ path, since }];

const elementKeys: Readonly<Partial<Record<Element['kind'], readonly string[]>>> = {
  resistor: ['bodyLabel'],
  switch: ['momentary'],
  source: ['ceiling', 'channel'],
  'current-source': ['ceiling', 'channel'],
};

function newerElementKeys(element: Element): NewerKey[] {
  const newer = [
    ...(elementKeys[element.kind] ?? []).map((path): NewerKey => ({ path, since: 2 })),
    ...(element.kind === 'load'
      ? Object.entries(curveQuantities).map(([path, { since }]): NewerKey => ({ path, since }))
      : []),
  ];
  return newer.filter(({ path }) => (element as object as Record<string, unknown>)[path] !== undefined);
}

const newerInstrumentKeys = ({ functions = [], rates }: Instrument): NewerKey[] => [
  ...(rates === undefined ? [] : at(2, 'rates')),
  ...functions.flatMap((one, index) =>
    newerFunctionKeys(one).map(({ path, since }) => ({ path: `functions[${index}].${path}`, since })),
  ),
];

function newerFunctionKeys(of: InstrumentFunction): NewerKey[] {
  if (of.quantity === 'resistance') return at(2, 'quantity');
  return of.ranges.flatMap(({ calibration, resistanceTolerance }, index) => [
    ...(calibration === undefined ? [] : at(2, `ranges[${index}].calibration`)),
    ...(resistanceTolerance === undefined ? [] : at(3, `ranges[${index}].resistanceTolerance`)),
  ]);
}
