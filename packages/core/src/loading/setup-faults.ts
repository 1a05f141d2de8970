import { type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { duplicates, nameViolation, type Network } from '../network/index.ts';
import type { Meter, Setup } from './setup.ts';

/** A fault that keeps a set-up from being solved. */
export interface SetupFault {
  readonly code: 'invalid-value' | 'duplicate-id' | 'unknown-node' | 'unknown-instrument';
  readonly message: string;
  /** The meter it is about; the set-up where it is about several. */
  readonly where: readonly string[];
}

/** Everything that keeps a set-up from being computed: names, ranges, leads and ends that are not there. */
export const setupFaults = (network: Network, instruments: readonly Instrument[], setup: Setup): SetupFault[] =>
  setupsFaults(network, instruments, [setup]);

/** The same of many set-ups on one network; the time grows with parts and set-ups, not with their product. */
export function setupsFaults(
  network: Network,
  instruments: readonly Instrument[],
  setups: readonly Setup[],
): SetupFault[] {
  const endsOf = endsByNode(network);
  const hasRange = rangeLookup(instruments);
  return setups.flatMap((setup) => [
    ...namesFaults(setup),
    ...setup.meters.flatMap((meter) => [...instrumentFaults(hasRange, meter), ...placementFaults(endsOf, meter)]),
    ...liftedTwice(setup),
  ]);
}

function namesFaults({ id, meters }: Setup): SetupFault[] {
  const names = [id, ...meters.map((meter) => meter.id)];
  return [
    ...names.flatMap((name): SetupFault[] => {
      const violation = nameViolation(name);
      return violation ? [{ code: 'invalid-value', message: `“${name}” ${violation}.`, where: [name] }] : [];
    }),
    ...duplicates(meters.map((meter) => meter.id)).map((name): SetupFault => ({
      code: 'duplicate-id',
      message: `Two meters of ${id} are called ${name}. Give one of them another name.`,
      where: [name],
    })),
  ];
}

function liftedTwice({ id, meters }: Setup): SetupFault[] {
  const lifting = new Map<string, string[]>();
  for (const meter of meters)
    if (meter.quantity === 'dc-current')
      for (const end of meter.ends) {
        const by = lifting.get(end);
        if (by) by.push(meter.id);
        else lifting.set(end, [meter.id]);
      }
  return [...lifting].flatMap(([end, by]): SetupFault[] => {
    if (by.length < 2) return [];
    const message = `${end} is lifted twice in ${id}. An end can be joined to one lead only.`;
    return [{ code: 'invalid-value', message, where: [...new Set(by)] }];
  });
}

type EndsByNode = ReadonlyMap<string, ReadonlySet<string>>;

function endsByNode({ elements }: Network): EndsByNode {
  const ends = new Map<string, Set<string>>();
  const put = (node: string, end: string): void => {
    const there = ends.get(node);
    if (there) there.add(end);
    else ends.set(node, new Set([end]));
  };
  for (const { id, from, to } of elements) {
    put(from, `${id}.from`);
    put(to, `${id}.to`);
  }
  return ends;
}

/** Whether an instrument has a range of a quantity; null if there is no such instrument. */
type RangeLookup = (instrument: string, quantity: MeterQuantity, range: string) => boolean | null;

function rangeLookup(instruments: readonly Instrument[]): RangeLookup {
  const ranges = new Map<string, ReadonlySet<string>>();
  const key = (quantity: string, range: string): string => `${quantity} ${range}`;
  // The first of two with the same id counts, as everywhere.
  for (const { id, functions = [] } of instruments)
    if (!ranges.has(id))
      ranges.set(id, new Set(functions.flatMap((f) => f.ranges.map((range) => key(f.quantity, range.id)))));
  return (instrument, quantity, range) => ranges.get(instrument)?.has(key(quantity, range)) ?? null;
}

function instrumentFaults(hasRange: RangeLookup, { id, instrument, quantity, range }: Meter): SetupFault[] {
  const found = hasRange(instrument, quantity, range);
  if (found) return [];
  const message =
    found === null
      ? `${id}: there is no instrument “${instrument}” in this job.`
      : `${id}: “${instrument}” has no range “${range}” for ${quantity}.`;
  return [{ code: 'unknown-instrument', message, where: [id] }];
}

function placementFaults(endsOf: EndsByNode, meter: Meter): SetupFault[] {
  const where = [meter.id];
  if (meter.quantity === 'dc-voltage')
    return (['red', 'black'] as const)
      .filter((lead) => !endsOf.has(meter[lead]))
      .map((lead) => ({
        code: 'unknown-node',
        message: `${meter.id}: the ${lead} lead is on ${meter[lead]}, which is not a node of this network. Put it on one that is.`,
        where,
      }));
  const present = endsOf.get(meter.node);
  if (!present)
    return [
      {
        code: 'unknown-node',
        message: `${meter.id}: the break is at ${meter.node}, which is not a node of this network.`,
        where,
      },
    ];
  if (meter.ends.length === 0)
    return [{ code: 'invalid-value', message: `${meter.id}: lift at least one end off ${meter.node}.`, where }];
  return meter.ends
    .filter((end) => !present.has(end))
    .map((end) => ({
      code: 'unknown-node',
      message: `${meter.id}: the end ${end} is not on node ${meter.node}.`,
      where,
    }));
}
