import { findRange, shownOn } from '../../instrument/index.ts';
import { observedNumber } from '../../readings/index.ts';
import { dialInUse } from '../needle.ts';
import type { Drafted } from './circuit-problems.ts';
import { unitFor } from './clear-problem.ts';
import type { Draw } from './draw.ts';
import { oneMeter } from './meter-problems.ts';
import type { Level } from './problem.ts';

/**
 * Value that a needle indicates. On level 1 the scale ends at the range; from level 2 on its figures must be converted; level 3 has
 * currents as well.
 */
export function readNeedleProblem(draw: Draw, level: Level): Drafted | null {
  const quantity = level === 3 ? draw.pick(['dc-voltage', 'dc-current'] as const) : 'dc-voltage';
  const drafted = oneMeter(draw, level, quantity);
  if (!drafted) return null;
  const { job, meter, reading, text } = drafted;
  const instrument = job.instruments![0]!;
  const range = findRange(instrument, quantity, meter.range)!;
  const dial = dialInUse(instrument, quantity, meter.range);
  if (instrument.display !== 'analogue' || !dial) return null;
  const isDirect = Math.abs(dial.scale.fullScale - range.fullScale) < 1e-9 * range.fullScale;
  if (isDirect !== (level === 1)) return null;
  const { display, unit } = shownOn(instrument, quantity, range, reading.indicated);
  const shown = display === null ? null : observedNumber({ shown: display, unit });
  if (!shown) return null;
  const of = { what: 'needle', setup: 'S-1', meter: meter.id, shown } as const;
  const asked = `${meter.id} is on its ${meter.range} range. What does its needle indicate, to half a division?`;
  const base = quantity === 'dc-voltage' ? 'V' : 'A';
  return { text, job, asks: [{ id: 'a', text: asked, of, unit: unitFor(shown, base) }] };
}
