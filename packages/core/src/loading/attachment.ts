import type { Range } from '../instrument/index.ts';
import type { Attachment } from '../solver/index.ts';
import type { Meter } from './setup.ts';

/** A meter as what it puts into the circuit: its resistance, or an open break where its fuse has blown. */
export function attachmentOf(meter: Meter, range: Range, blown: boolean): Attachment {
  const { id } = meter;
  const { resistance } = range;
  return meter.quantity === 'dc-voltage'
    ? { id, resistance, from: meter.red, to: meter.black }
    : { id, resistance, from: meter.node, to: { liftedEnds: meter.ends }, open: blown };
}
