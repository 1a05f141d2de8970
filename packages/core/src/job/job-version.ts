import type { Instrument } from '../instrument/index.ts';
import type { Element } from '../network/index.ts';
import type { Job } from './job.ts';

/**
 * The job with the lowest version of the format that has all its keys.
 *
 * A polarised load means something else from version 2 on: a job that has one does not go back.
 */
export function atItsVersion(job: Job): Job {
  const stays = job.version === 2 && job.network.elements.some((one) => one.kind === 'load' && one.polarised);
  const version = stays || newerKeys(job).length > 0 ? 2 : 1;
  return job.version === version ? job : { ...job, version };
}

/** Paths of the keys of a job that came with version 2; empty where it has none. */
export function newerKeys(job: Job): string[] {
  return [
    ...(['record', 'conventions', 'readings'] as const).filter((key) => job[key] !== undefined),
    ...job.network.elements.flatMap((element, index) =>
      newerElementKeys(element).map((key) => `network.elements[${index}].${key}`),
    ),
    ...(job.instruments ?? []).flatMap((instrument, index) =>
      newerInstrumentKeys(instrument).map((key) => `instruments[${index}].${key}`),
    ),
  ];
}

const elementKeys: Readonly<Partial<Record<Element['kind'], readonly string[]>>> = {
  resistor: ['bodyLabel'],
  load: ['exponent'],
  switch: ['momentary'],
  source: ['ceiling', 'channel'],
  'current-source': ['ceiling', 'channel'],
};

const newerElementKeys = (element: Element): string[] =>
  (elementKeys[element.kind] ?? []).filter((key) => (element as object as Record<string, unknown>)[key] !== undefined);

function newerInstrumentKeys({ functions = [], rates }: Instrument): string[] {
  return [
    ...(rates === undefined ? [] : ['rates']),
    ...functions.flatMap(({ quantity, ranges }, index) => {
      if (quantity === 'resistance') return [`functions[${index}].quantity`];
      return ranges.flatMap(({ calibration }, at) =>
        calibration === undefined ? [] : [`functions[${index}].ranges[${at}].calibration`],
      );
    }),
  ];
}
