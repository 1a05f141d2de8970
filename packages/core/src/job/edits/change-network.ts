import { followNetwork } from '../../board/index.ts';
import type { Meter } from '../../loading/index.ts';
import { endsAt, keepUnchanged, nodesOf, parseEnd, type Network } from '../../network/index.ts';
import type { Reading } from '../../readings/index.ts';
import type { Job } from '../job.ts';
import { sameValue } from '../same-value.ts';

/**
 * Puts a rewired network into a job; the meters of its set-ups follow: a lead goes where the ends went that it stood with,
 * a break where its lifted ends went. What cannot follow stays as it is, for the person to mend; what has not changed stays the
 * very object it was, the whole job where nothing has.
 */
export function changeNetwork(job: Job, rewired: Network): Job {
  const network = keepUnchanged(rewired, job.network);
  if (network === job.network) return job;
  const follow = nodeFollower(job.network, network);
  const setups = job.setups?.map((setup) => {
    const meters = setup.meters.map((meter) => followed(meter, network, follow));
    return meters.every((meter, index) => meter === setup.meters[index]) ? setup : { ...setup, meters };
  });
  const readings = job.readings?.map((reading) => followedReading(reading, follow));
  const board = job.board && followNetwork(job.board, job.network, network);
  return { ...job, network, ...(setups && { setups }), ...(readings && { readings }), ...(board && { board }) };
}

/** Readings of a network, in another that it was made into. */
export function readingFollower(before: Network, after: Network): (reading: Reading) => Reading {
  const follow = nodeFollower(before, after);
  return (reading) => followedReading(reading, follow);
}

/** A reading keeps its place: only if a node has gone to another one as a whole does it go along. */
function followedReading(reading: Reading, follow: (node: string) => string): Reading {
  const alongside = reading.alongside?.map((meter) =>
    meter.quantity === 'dc-voltage'
      ? { ...meter, red: follow(meter.red), black: follow(meter.black) }
      : { ...meter, node: follow(meter.node) },
  );
  const next =
    reading.quantity === 'dc-voltage'
      ? { ...reading, red: follow(reading.red), black: follow(reading.black), ...(alongside && { alongside }) }
      : reading.quantity === 'dc-current'
        ? { ...reading, node: follow(reading.node), ...(alongside && { alongside }) }
        : reading;
  return sameValue(next, reading) ? reading : next;
}

/** Returns the node after an edit: itself if it is still there, else the node that all its ends moved to. */
function nodeFollower(before: Network, after: Network): (node: string) => string {
  const present = new Set(nodesOf(after));
  return (node) => {
    if (present.has(node)) return node;
    const now = new Set(endsAt(before, node).flatMap((end) => nodeOfEnd(after, end) ?? []));
    return now.size === 1 ? [...now][0]! : node;
  };
}

function followed(meter: Meter, network: Network, follow: (node: string) => string): Meter {
  if (meter.quantity === 'dc-voltage') {
    const [red, black] = [follow(meter.red), follow(meter.black)];
    return red === meter.red && black === meter.black ? meter : { ...meter, red, black };
  }
  const now = new Set(meter.ends.map((end) => nodeOfEnd(network, end)));
  const [only] = now;
  const node = now.size === 1 && only !== undefined ? only : follow(meter.node);
  return node === meter.node ? meter : { ...meter, node };
}

function nodeOfEnd(network: Network, end: string): string | undefined {
  const parsed = parseEnd(end);
  return parsed ? network.elements.find((element) => element.id === parsed.element)?.[parsed.end] : undefined;
}
