import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readJob } from '@usual-drag/contract';
import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { SimulatedMultimeter } from './simulated-multimeter.ts';
import { serveStandIn } from './stand-in-server.ts';

const usage = 'Usage: npm run instrument -- [--port 8471] [--job FILE] [--seed N] [--slow] [--garbled] [--drop]';

try {
  const { values } = parseArgs({
    options: {
      port: { type: 'string', default: '8471' },
      job: { type: 'string' },
      seed: { type: 'string', default: '1' },
      slow: { type: 'boolean', default: false },
      garbled: { type: 'boolean', default: false },
      drop: { type: 'boolean', default: false },
    },
  });
  const [port, seed] = [Number(values.port), Number(values.seed)];
  if (!/^\d+$/.test(values.port) || port > 65_535) throw new Error(`--port must be a number from 0 to 65535.`);
  if (!Number.isSafeInteger(seed)) throw new Error('--seed must be a whole number.');
  const job = values.job === undefined ? floatLevelDivider(builtInKit.map(instrumentForJob)) : jobIn(values.job);
  const served = await serveStandIn(() => new SimulatedMultimeter(job, seed), port, values);
  process.stdout.write(`The simulated multimeter answers at tcp://127.0.0.1:${served.port}\n`);
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n${usage}\n`);
  process.exit(1);
}

function jobIn(file: string): Job {
  const job = readJob(readFileSync(file, 'utf8'));
  if (!job.ok) throw new Error(`${file}: ${job.fault[0]!.message}`);
  return job.value;
}
