import { findRange, type Instrument } from '../instrument/index.ts';
import { endsAt, namePattern, nodesOf, duplicates, type Network } from '../network/index.ts';
import type { Meter, Setup } from './setup.ts';

export interface SetupFault {
  readonly code: 'invalid-value' | 'duplicate-id' | 'unknown-node' | 'unknown-instrument';
  readonly message: string;
  /** The meter it is about; the set-up where it is about several. */
  readonly where: readonly string[];
}

/** Everything that keeps a set-up from being computed: names, ranges, leads and ends that are not there. */
export function setupFaults(network: Network, instruments: readonly Instrument[], setup: Setup): SetupFault[] {
  const faults: SetupFault[] = [];
  const nodes = new Set(nodesOf(network));
  for (const name of [setup.id, ...setup.meters.map((meter) => meter.id)])
    if (!namePattern.test(name))
      faults.push({
        code: 'invalid-value',
        message: `“${name}” cannot be a name: up to 32 letters, digits, - and _.`,
        where: [name],
      });
  for (const id of duplicates(setup.meters.map((meter) => meter.id)))
    faults.push({ code: 'duplicate-id', message: `Two meters of ${setup.id} are called ${id}.`, where: [id] });
  for (const meter of setup.meters) {
    faults.push(...instrumentFaults(instruments, meter));
    faults.push(...placementFaults(network, nodes, meter));
  }
  const lifted = setup.meters.flatMap((meter) => (meter.quantity === 'dc-current' ? meter.ends : []));
  for (const end of duplicates(lifted))
    faults.push({
      code: 'invalid-value',
      message: `${end} is lifted twice in ${setup.id}. An end can be joined to one lead only.`,
      where: setup.meters.filter((m) => m.quantity === 'dc-current' && m.ends.includes(end)).map((m) => m.id),
    });
  return faults;
}

function instrumentFaults(instruments: readonly Instrument[], meter: Meter): SetupFault[] {
  const where = [meter.id];
  const instrument = instruments.find((i) => i.id === meter.instrument);
  if (!instrument)
    return [
      {
        code: 'unknown-instrument',
        message: `${meter.id}: there is no instrument “${meter.instrument}” in this job.`,
        where,
      },
    ];
  if (!findRange(instrument, meter.quantity, meter.range))
    return [
      {
        code: 'unknown-instrument',
        message: `${meter.id}: “${meter.instrument}” has no range “${meter.range}” for ${meter.quantity}.`,
        where,
      },
    ];
  return [];
}

function placementFaults(network: Network, nodes: ReadonlySet<string>, meter: Meter): SetupFault[] {
  const where = [meter.id];
  if (meter.quantity === 'dc-voltage')
    return (['red', 'black'] as const)
      .filter((lead) => !nodes.has(meter[lead]))
      .map((lead) => ({
        code: 'unknown-node',
        message: `${meter.id}: the ${lead} lead is on ${meter[lead]}, which is not a node of this network. Put it on one that is.`,
        where,
      }));
  if (!nodes.has(meter.node))
    return [
      {
        code: 'unknown-node',
        message: `${meter.id}: the break is at ${meter.node}, which is not a node of this network.`,
        where,
      },
    ];
  const present = endsAt(network, meter.node);
  if (meter.ends.length === 0)
    return [{ code: 'invalid-value', message: `${meter.id}: lift at least one end off ${meter.node}.`, where }];
  return meter.ends
    .filter((end) => !present.includes(end))
    .map((end) => ({
      code: 'unknown-node',
      message: `${meter.id}: the end ${end} is not on node ${meter.node}.`,
      where,
    }));
}
