import type { StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, type Job } from '@usual-drag/core/job';
import { newFolder, startServer, type RunningServer } from '../apps/server/src/test/running-server.ts';
import { Technician } from '../apps/server/src/test/technician.ts';
import { duration, line } from './measure.ts';

/** s that a save may take at the most, for ninety-nine of a hundred. */
const allowed = 0.05;
/** Technicians at once, five to a job; ms between two readings of one. */
const loads = [
  { technicians: 50, gap: 10_000, what: '50 technicians, a reading every ten seconds each' },
  { technicians: 50, gap: 2000, what: '50 technicians, a reading every two seconds each' },
  { technicians: 200, gap: 10_000, what: '200 technicians, a reading every ten seconds each' },
  { technicians: 50, gap: 0, what: '50 technicians, each as fast as the answers come' },
] as const;

/** One server, technicians with a page open each: how long a save takes, and how soon the others see it. */
export async function benchTechnicians(): Promise<void> {
  console.log('\nMany technicians at once on one server, five to a job, every page listening');
  for (const { technicians, gap, what } of loads) {
    const server = await startServer(newFolder());
    const { saves, lags, seconds } = await workOn(server, technicians, gap, gap === 0 ? 10_000 : 30_000);
    await server.stop();
    const p99 = at(saves, 0.99) / 1000;
    line(
      `  ${what}`,
      `${(saves.length / seconds).toFixed(0)} saves a second: p99 ${(p99 / allowed).toFixed(2)} of 50 ms (${duration(p99)}, median ${duration(at(saves, 0.5) / 1000)}); seen by the others: p99 ${duration(at(lags, 0.99) / 1000)}`,
    );
  }
}

async function workOn(server: RunningServer, technicians: number, gap: number, length: number) {
  const jobs = technicians / 5;
  const ids: string[] = [];
  for (let k = 0; k < jobs; k += 1) {
    const made = await server.ask('POST', '/jobs', { document: { ...floatLevelDivider([]), title: `Job ${k}` } });
    ids.push((made.json as StoredDocument<Job>).id);
  }
  const all = Array.from({ length: technicians }, (_, k) => new Technician(server.address, ids[k % jobs]!, `T${k}`));
  await Promise.all(all.map((one) => one.open()));
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
        if (took !== null) saves.push(took);
        await new Promise((later) => setTimeout(later, gap));
      }
    }),
  );
  const seconds = (performance.now() - begun) / 1000;
  all.forEach((one) => one.leave());
  return { saves, lags: all.flatMap((one) => one.lags), seconds };
}

/** The value below which a share of all lies. */
function at(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
