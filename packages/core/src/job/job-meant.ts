import type { Network } from '../network/index.ts';
import type { Reading, VoltageReading } from '../readings/index.ts';
import type { Job } from './job.ts';

/**
 * Returns a job's network as its version of the format means it: in version 1 a polarised load conducts both ways.
 *
 * The same object as long as the job's network is the same.
 */
export function networkMeant({ version, network }: Pick<Job, 'version' | 'network'>): Network {
  if (version !== 1 || !network.elements.some((one) => one.kind === 'load' && one.polarised)) return network;
  const known = bothWays.get(network);
  if (known) return known;
  const made: Network = {
    ...network,
    elements: network.elements.map((one) => (one.kind === 'load' ? { ...one, polarised: false } : one)),
  };
  bothWays.set(network, made);
  return made;
}

const bothWays = new WeakMap<Network, Network>();

/**
 * Returns a job's readings as its version of the format means them: before version 3 a reading of a source unloaded is at a
 * node that the network does not have, named after the source's node.
 *
 * The same array as long as the job's readings are the same; undefined if it has none.
 */
export function readingsMeant({ version, network, readings }: Job): readonly Reading[] | undefined {
  if (!readings || version >= 3) return readings;
  const known = unloadedOnes.get(readings);
  if (known?.network === network) return known.readings;
  const made = readings.map((reading) => withUnloaded(network, reading));
  const meant = made.some((reading, index) => reading !== readings[index]) ? made : readings;
  unloadedOnes.set(readings, { network, readings: meant });
  return meant;
}

const unloadedOnes = new WeakMap<
  readonly Reading[],
  { readonly network: Network; readonly readings: readonly Reading[] }
>();

/** Mark of the terminal of an unloaded source in version 2. Longer names of nodes are cut to leave room for it. */
const mark = { text: '-open', longestNode: 27 };

function withUnloaded(network: Network, reading: Reading): Reading {
  if (reading.quantity !== 'dc-voltage' || reading.unloaded !== undefined) return reading;
  if (![reading.red, reading.black].some((one) => one.endsWith(mark.text))) return reading;
  const nodes = new Set(network.elements.flatMap(({ from, to }) => [from, to]));
  for (const { id, kind, from, to } of network.elements) {
    if (kind !== 'source') continue;
    for (const node of [from, to]) {
      const open = node.slice(0, mark.longestNode) + mark.text;
      if (nodes.has(open) || ![reading.red, reading.black].includes(open)) continue;
      const [red, black] = [reading.red, reading.black].map((one) => (one === open ? node : one)) as [string, string];
      if ((red === from && black === to) || (red === to && black === from))
        return { ...reading, red, black, unloaded: id } satisfies VoltageReading;
    }
  }
  return reading;
}

/** Returns a job with its network and its readings as its version of the format means them. */
export function jobMeant(job: Job): Job {
  const network = networkMeant(job);
  const readings = readingsMeant(job);
  if (network === job.network && readings === job.readings) return job;
  return { ...job, network, ...(readings && { readings }) };
}
