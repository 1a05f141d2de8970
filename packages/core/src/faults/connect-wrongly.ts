import { findRange, rangesOf, type Instrument, type Range } from '../instrument/index.ts';
import { parseEnd, type Element, type Network } from '../network/index.ts';
import { swapLeads, type Meter, type VoltmeterPlacement } from '../loading/index.ts';
import type { ReadingFault } from './kinds/index.ts';

/** A way to handle a meter wrongly. */
export type WrongConnection =
  Extract<ReadingFault, 'one-point' | 'hanging' | 'across' | 'blown-fuse' | 'leads-swapped'> | 'current-jack';

/** The wrong connections that a meter is open to, as listed. */
export function wrongConnectionsOf(meter: Meter, instrument: Instrument): WrongConnection[] {
  if (meter.quantity === 'dc-voltage')
    return ['one-point', 'hanging', 'leads-swapped', ...(currentJack(instrument) ? (['current-jack'] as const) : [])];
  const fused = findRange(instrument, meter.quantity, meter.range)?.fuse !== undefined;
  return ['one-point', 'hanging', 'across', 'leads-swapped', ...(fused ? (['blown-fuse'] as const) : [])];
}

/** The current range whose jack a lead is most often left in: the fused one of the largest full scale, else the largest. */
function currentJack(instrument: Instrument): Range | null {
  const ranges = [...rangesOf(instrument, 'dc-current')].sort((a, b) => b.fullScale - a.fullScale);
  return ranges.find(({ fuse, fullScale }) => fuse !== undefined && fullScale < 5) ?? ranges[0] ?? null;
}

/** The probe that a wrong connection puts into the circuit beside its parts. No part can have its name. */
export const probeId = ' fault';

/** A resistance that a wrong connection lays between two nodes. */
export interface Probe {
  /** Ω. */
  readonly resistance: number;
  readonly from: string;
  readonly to: string;
  /** A. */
  readonly fuse: number | undefined;
}

/** Network and meter with a wrong connection. */
export interface Handled {
  readonly network: Network;
  /** Meter as it is solved with; null if the network describes it, or it is in no circuit. */
  readonly solvedAs: Meter | null;
  readonly drawnAs: Meter | null;
  readonly probe: Probe | null;
}

/** Returns the set-up with a wrong connection as it really is. */
export function handledAs(
  network: Network,
  meter: Meter,
  instrument: Instrument,
  range: Range,
  fault: WrongConnection,
): Handled {
  const plain = { network, probe: null };
  if (fault === 'leads-swapped') return { ...plain, solvedAs: swapLeads(meter), drawnAs: swapLeads(meter) };
  if (meter.quantity === 'dc-voltage') {
    if (fault === 'current-jack') {
      const jack = currentJack(instrument)!;
      const probe = { resistance: jack.resistance, from: meter.red, to: meter.black, fuse: jack.fuse };
      return { network: withProbe(network, probe), solvedAs: null, drawnAs: meter, probe };
    }
    const onOne: VoltmeterPlacement = { ...meter, black: meter.red };
    return fault === 'one-point'
      ? { ...plain, solvedAs: onOne, drawnAs: onOne }
      : { ...plain, solvedAs: null, drawnAs: null };
  }
  if (fault === 'across') {
    const part = acrossPart(network, meter.ends);
    const probe = { resistance: range.resistance, ...part, fuse: range.fuse };
    const { ends: _ends, node: _node, reversed: _reversed, ...rest } = meter;
    const drawnAs: Meter = { ...rest, quantity: 'dc-voltage', red: part.from, black: part.to };
    return { network: withProbe(network, probe), solvedAs: null, drawnAs, probe };
  }
  if (fault === 'one-point') return { ...plain, solvedAs: null, drawnAs: null };
  return { network: leftOpen(network, meter.ends, meter.id), solvedAs: null, drawnAs: meter, probe: null };
}

/** The two nodes of the part that the ammeter was meant to be in series with, the break's first. */
export function acrossPart(network: Network, ends: readonly string[]): { readonly from: string; readonly to: string } {
  const end = parseEnd(ends[0]!)!;
  const part = network.elements.find(({ id }) => id === end.element)!;
  return end.end === 'from' ? { from: part.from, to: part.to } : { from: part.to, to: part.from };
}

function withProbe(network: Network, { resistance, from, to }: Probe): Network {
  const probe: Element =
    resistance > 0 ? { id: probeId, kind: 'resistor', from, to, resistance } : { id: probeId, kind: 'link', from, to };
  return { ...network, elements: [...network.elements, probe] };
}

/** The lifted ends left in the air. */
const leftOpen = (network: Network, ends: readonly string[], meter: string): Network => ({
  ...network,
  elements: network.elements.map((element) => {
    const lifted = (['from', 'to'] as const).filter((side) => ends.includes(`${element.id}.${side}`));
    return lifted.reduce((open, side) => ({ ...open, [side]: ` ${meter}` }), element);
  }),
});
