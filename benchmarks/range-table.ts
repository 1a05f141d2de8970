import type { Instrument } from '@usual-drag/core/instrument';
import { bestRangeOptions, measurementPointOf, rangeTable, solveUnloaded, type Setup } from '@usual-drag/core/loading';
import { duration, line, secondsOf } from './measure.ts';
import { benchJob } from './networks.ts';

/** Every range of a large kit at one place, from the moment a lead has moved. */
export function benchRangeTable(): void {
  const job = benchJob();
  const kit = Array.from({ length: 30 }, (_, k): Instrument => ({
    id: `m${k}`,
    display: k % 2 === 0 ? 'analogue' : 'digital',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: Array.from({ length: 8 }, (_range, r) => ({
          id: `${r}`,
          fullScale: 2 ** r,
          resistance: 20_000 * (k + 1) * 2 ** r,
          accuracyOfRange: 0.02,
          accuracyOfReading: 0.005,
          resolution: 0.001,
        })),
      },
    ],
  }));
  const setup: Setup = {
    id: 'S',
    meters: [{ id: 'V', instrument: 'm0', quantity: 'dc-voltage', range: '5', red: 'C', black: '0' }],
  };
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const time = secondsOf(() => {
    const point = measurementPointOf(unloaded.value, kit, setup, 'V');
    if (!point.ok) throw new Error(point.fault.code);
    return bestRangeOptions(rangeTable(point.value, 'dc-voltage', kit));
  });
  console.log('\nThe range table');
  line(`  30 instruments × 8 ranges (${duration(time)})`, `${(time / 0.016).toFixed(3)} of a frame`);
}
