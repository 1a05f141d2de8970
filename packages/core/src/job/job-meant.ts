import type { Network } from '../network/index.ts';
import type { Job } from './job.ts';

/**
 * A job's network as its version of the format means it: in version 1 a polarised load conducts both ways.
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

/** A job with its network as it is meant. */
export function jobMeant(job: Job): Job {
  const network = networkMeant(job);
  return network === job.network ? job : { ...job, network };
}
