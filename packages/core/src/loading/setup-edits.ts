import { type MapPoint } from './loading-map.ts';
import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { endsAt, nodesOf, referenceOf, type Network } from '../network/index.ts';
import type { Meter, Setup } from './setup.ts';

/** The next free set-up name: S-3 after S-2. */
export function nextSetupId(setups: readonly Setup[]): string {
  const taken = new Set(setups.map((setup) => setup.id));
  let number = 1;
  while (taken.has(`S-${number}`)) number += 1;
  return `S-${number}`;
}

/** The next free meter name in a set-up: V1, V2 … across, A1, A2 … in a break. */
function nextMeterId(setup: Setup, quantity: MeterQuantity): string {
  const letter = quantity === 'dc-voltage' ? 'V' : 'A';
  const taken = new Set(setup.meters.map((meter) => meter.id));
  let number = 1;
  while (taken.has(`${letter}${number}`)) number += 1;
  return `${letter}${number}`;
}

/**
 * A meter to start with: on its highest range, as is safe; a voltmeter across the last part, an ammeter in the break at
 * the first end that no other meter of the set-up has lifted.
 *
 * @returns null if the instrument cannot measure the quantity or no end is left to lift
 */
export function newMeter(
  network: Network,
  setup: Setup,
  instrument: Instrument,
  quantity: MeterQuantity,
): Meter | null {
  const range = highestRange(instrument, quantity);
  if (range === null) return null;
  const base = { id: nextMeterId(setup, quantity), instrument: instrument.id, range };
  if (quantity === 'dc-voltage') {
    const across = network.elements.findLast((e) => e.kind === 'resistor' || e.kind === 'load') ?? network.elements[0]!;
    return { ...base, quantity, red: across.from, black: across.to };
  }
  const lifted = new Set(setup.meters.flatMap((meter) => (meter.quantity === 'dc-current' ? meter.ends : [])));
  for (const node of nodesOf(network)) {
    if (node === referenceOf(network)) continue;
    const end = endsAt(network, node).find((candidate) => !lifted.has(candidate));
    if (end !== undefined) return { ...base, quantity, node, ends: [end] };
  }
  return null;
}

/** The same placement on another instrument: on the range of the same name where it has one, else on its highest. */
export function changeInstrument(meter: Meter, instrument: Instrument): Meter {
  const same = rangesOf(instrument, meter.quantity).find((range) => range.id === meter.range);
  return {
    ...meter,
    instrument: instrument.id,
    range: same?.id ?? highestRange(instrument, meter.quantity) ?? meter.range,
  };
}

/** The instrument's own top range for a quantity. */
function highestRange(instrument: Instrument, quantity: MeterQuantity): string | null {
  const ranges = rangesOf(instrument, quantity);
  if (ranges.length === 0) return null;
  return ranges.reduce((best, range) => (range.fullScale > best.fullScale ? range : best)).id;
}

/** Lifts an end, or puts it back; lifting one at another node moves the break there. The last end stays lifted. */
export function toggleEnd(meter: Meter, node: string, end: string): Meter {
  if (meter.quantity !== 'dc-current') return meter;
  if (meter.node !== node) return { ...meter, node, ends: [end] };
  const lifted = meter.ends.includes(end);
  if (!lifted) return { ...meter, ends: [...meter.ends, end] };
  return meter.ends.length === 1 ? meter : { ...meter, ends: meter.ends.filter((other) => other !== end) };
}

/** Swaps the two leads. */
export const swapLeads = (meter: Meter): Meter =>
  meter.quantity === 'dc-voltage'
    ? { ...meter, red: meter.black, black: meter.red }
    : { ...meter, reversed: !(meter.reversed ?? false) };

/** A meter moved to a point of the loading map; null if the part is gone. */
export function meterAt(meter: Meter, { across, inSeriesWith }: MapPoint, { elements }: Network): Meter | null {
  if (meter.quantity === 'dc-voltage') return across ? { ...meter, red: across[0], black: across[1] } : null;
  const part = elements.find(({ id }) => id === inSeriesWith);
  return part ? { ...meter, node: part.from, ends: [`${part.id}.from`] } : null;
}
