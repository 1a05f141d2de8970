import type { StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { hasPostgres, startCluster } from '../apps/server/src/test/postgres-cluster.ts';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';
import { Technician } from '../apps/server/src/test/technician.ts';
import { watchDisk } from './disk.ts';
import { duration, line } from './measure.ts';

interface Load {
  /** Five to a job. */
  readonly technicians: number;
  /** ms between two readings of one technician. */
  readonly gap: number;
  /** Largest allowed p99 of a save, s. */
  readonly allowed: number;
}

const loads: readonly Load[] = [
  { technicians: 50, gap: 10_000, allowed: 0.05 },
  { technicians: 50, gap: 2000, allowed: 0.05 },
  { technicians: 200, gap: 10_000, allowed: 0.05 },
  { technicians: 400, gap: 10_000, allowed: 0.025 },
  { technicians: 800, gap: 10_000, allowed: 0.05 },
  { technicians: 50, gap: 0, allowed: 0.05 },
];

/** Loads of two servers on one PostgreSQL database. */
const sharedLoads: readonly Load[] = [
  { technicians: 400, gap: 10_000, allowed: 0.05 },
  { technicians: 800, gap: 10_000, allowed: 0.05 },
];

/** One server, technicians with a page open each: how long a save takes, and how soon the others see it. */
export async function benchTechnicians(): Promise<void> {
  console.log('\nMany technicians at once on one server, five to a job, every page listening');
  for (const load of loads) await benchLoad(load, onFile);
  const [small, large] = [await measured(onFile, 5, 500, 5000, 0), await measured(onFile, 5, 500, 5000, 1000)];
  line(
    '  bytes for a reading, to and from five pages',
    `${(large.bytesPerSave / small.bytesPerSave).toFixed(2)} × in a job of 1000 readings (${large.bytesPerSave.toFixed(0)} and ${small.bytesPerSave.toFixed(0)})`,
  );
  line(
    '  time of a save, median',
    `${(at(large.saves, 0.5) / at(small.saves, 0.5)).toFixed(2)} × in a job of 1000 readings (${duration(at(large.saves, 0.5))} and ${duration(at(small.saves, 0.5))})`,
  );
  if (!hasPostgres()) return;
  console.log('\nThe same on two servers that share a PostgreSQL database; those of one job are on both');
  const cluster = await startCluster(true);
  let count = 0;
  const onPostgres = async (): Promise<RunningServer[]> => {
    count += 1;
    const env = { DATABASE_URL: await cluster.create(`load_${count}`) };
    return [await startServer(newFolder(), { env }), await startServer(newFolder(), { env })];
  };
  for (const load of sharedLoads) await benchLoad(load, onPostgres);
  await cluster.remove();
}

/** Starts the servers of a load. */
type Start = () => Promise<RunningServer[]>;

const onFile: Start = async () => [await startServer(newFolder())];

async function benchLoad({ technicians, gap, allowed }: Load, start: Start): Promise<void> {
  const { saves, lags, disk, seconds } = await measured(start, technicians, gap, gap === 0 ? 10_000 : 30_000, 0);
  const p99 = at(saves, 0.99);
  line(
    `  ${technicians} technicians, ${gap === 0 ? 'each as fast as the answers come' : `a reading every ${gap / 1000} s each`}`,
    `${(saves.length / seconds).toFixed(0)} saves a second: p99 ${(p99 / allowed).toFixed(2)} of ${duration(allowed)} (${duration(p99)}, median ${duration(at(saves, 0.5))}); seen by the others: p99 ${duration(at(lags, 0.99))}; disk write with flush meanwhile: median ${duration(at(disk, 0.5))}, longest ${duration(at(disk, 1))}`,
  );
}

/** @param readings  that each job has at the beginning */
async function measured(start: Start, technicians: number, gap: number, length: number, readings: number) {
  const servers = await start();
  const disk = await watchDisk();
  const result = await workOn(servers, technicians, gap, length, readings);
  await Promise.all(servers.map((server) => server.stop()));
  return { ...result, disk: await disk() };
}

async function workOn(
  servers: readonly RunningServer[],
  technicians: number,
  gap: number,
  length: number,
  readings: number,
) {
  const jobs = technicians / 5;
  const ids: string[] = [];
  for (let k = 0; k < jobs; k += 1) {
    const made = await servers[0]!.ask('POST', '/jobs', { document: jobWith(readings, `Job ${k}`) });
    ids.push((made.json as StoredDocument<Job>).id);
  }
  const serverOf = (k: number): RunningServer => servers[Math.floor(k / jobs) % servers.length]!;
  const all = Array.from(
    { length: technicians },
    (_, k) => new Technician(serverOf(k).address, ids[k % jobs]!, `T${k}`),
  );
  await Promise.all(all.map((one) => one.open()));
  const opening = bytesOf(all);
  const saves: number[] = [];
  const begun = performance.now();
  const end = begun + length;
  await Promise.all(
    all.map(async (technician, k) => {
      // Not in step with each other.
      await new Promise((later) => setTimeout(later, (gap * k) / technicians));
      while (performance.now() < end) {
        technician.takeReading();
        const took = await technician.save();
        if (took !== null) saves.push(took / 1000);
        await new Promise((later) => setTimeout(later, gap));
      }
    }),
  );
  const seconds = (performance.now() - begun) / 1000;
  all.forEach((one) => one.leave());
  const lags = all.flatMap((one) => one.lags.map((lag) => lag / 1000));
  return { saves, lags, seconds, bytesPerSave: (bytesOf(all) - opening) / saves.length };
}

const bytesOf = (all: readonly Technician[]): number => all.reduce((sum, { bytes }) => sum + bytes, 0);

function jobWith(readings: number, title: string): Job {
  const job: Job = { ...floatLevelDivider([]), title };
  if (readings === 0) return job;
  const all = Array.from({ length: readings }, (_, k) => ({
    id: `M${k + 1}`,
    quantity: 'dc-voltage' as const,
    instrument: 'none',
    range: '20 V',
    red: 'B',
    black: '0',
    observations: [{ shown: String(k), unit: 'V', at: `2026-11-27T09:00:00.${k}Z` }],
    by: 'early shift',
  }));
  return { ...job, version: 2, readings: all };
}

/** Returns the quantile of some values for a share from 0 to 1. */
function at(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
