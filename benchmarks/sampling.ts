import { sampleTolerance, toleranceModel, worstCase } from '@usual-drag/core/uncertainty';
import { duration, line, secondsOf } from './measure.ts';
import { benchJob } from './networks.ts';

/** The tolerance of one reading in a network of twelve parts, each of them 5 %. */
export function benchSampling(): void {
  const job = benchJob();
  const network = {
    ...job.network,
    elements: job.network.elements.map((e) => (e.kind === 'resistor' ? { ...e, tolerance: 0.05 } : e)),
  };
  const question = { network, instruments: job.instruments!, setup: job.setups![0]!, output: { meter: 'V1' } };
  const model = toleranceModel(question)!;
  const count = 100_000;
  const drawn = secondsOf(() => {
    for (const _ of sampleTolerance(model, { count, seed: 1, spread: 'rectangular' }));
  }, 1);
  const corners = secondsOf(() => worstCase(model));
  console.log(`\nThe tolerance of a reading, ${network.elements.length} parts`);
  line(`  ${count} draws (${duration(drawn)})`, `${drawn.toFixed(2)} of 1 s`);
  line(`  ${1 << model.parts.length} corners (${duration(corners)})`, `${(corners / drawn).toFixed(3)} × the draws`);
}
