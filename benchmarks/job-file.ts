import { readJob } from '@usual-drag/contract';
import { solveJob } from '@usual-drag/core/job';
import { duration, line, secondsOf } from './measure.ts';
import { benchJob } from './networks.ts';

/** Reading and solving a whole job file. */
export function benchJobFile(): void {
  console.log('\nA whole job file, 12 parts, three set-ups');
  const job = benchJob();
  const text = JSON.stringify(job);
  const parse = secondsOf(() => JSON.parse(text));
  const read = secondsOf(() => readJob(text));
  const solve = secondsOf(() => solveJob(job));
  line(`  read and checked (${duration(read)})`, `${(read / parse).toFixed(1)} × JSON.parse alone`);
  line(`  solved, set-ups and all (${duration(solve)})`, `${(solve / 0.0002).toFixed(2)} of 0.2 ms`);
}
