import { rangesOf } from '../../instrument/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { Drafted } from './circuit-problems.ts';
import type { Draw } from './draw.ts';
import { rangeProblem } from './meter-problems.ts';
import type { Ask, Level } from './problem.ts';

/** How to set an instrument: range and jack; for an ammeter from level 2 on, whether its fuse holds across the source. */
export function setMeterProblem(draw: Draw, level: Level): Drafted | null {
  const drafted = rangeProblem(draw, level);
  const meter = drafted?.job?.setups![0]!.meters[0];
  if (!drafted?.job || !meter) return null;
  const { network, instruments } = drafted.job;
  const at = { setup: 'S-1', meter: meter.id };
  const jack: Ask = { id: 'b', text: 'In which jack is the red lead on that range?', of: { what: 'jack', ...at } };
  if (level === 1) return { ...drafted, asks: [...drafted.asks, jack] };
  const source = network.elements.find(({ kind }) => kind === 'source');
  const fused = rangesOf(instruments![0]!, 'dc-current').filter(({ fuse }) => fuse !== undefined);
  if (meter.quantity !== 'dc-current' || !source || fused.length === 0) return null;
  const { id: range, fuse } = draw.pick(fused);
  const rating = formatQuantity(fuse!, 'A', { digits: 3, trim: true });
  const holds: Ask = {
    id: 'c',
    text: `By mistake ${meter.id} is put across ${source.id} on its ${range} range. Does its fuse of ${rating} hold?`,
    of: { what: 'fuse', ...at, range, source: source.id },
  };
  return { ...drafted, asks: [...drafted.asks, jack, holds] };
}
