import type { Range } from '../instrument/index.ts';
import type { Attachment } from '../solver/index.ts';
import type { Meter } from './setup.ts';

/** Returns the branch that a meter adds to the circuit: its resistance, Ω, or an open break if its fuse has blown. */
export function attachmentOf(meter: Meter, range: Range, blown: boolean): Attachment {
  const { id } = meter;
  const { resistance } = range;
  return meter.quantity === 'dc-voltage'
    ? { id, resistance, from: meter.red, to: meter.black }
    : { id, resistance, from: meter.node, to: { liftedEnds: meter.ends }, open: blown };
}
