import type { StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, sameValue, type Job } from '@usual-drag/core/job';
import { newFolder, startServer } from '../../apps/server/src/test/running-server.ts';
import { Technician } from '../../apps/server/src/test/technician.ts';
import { hasStackTrace, type Finding } from './finding.ts';

const devices = 50;
const jobs = 10;

/**
 * Fifty devices on ten jobs, all listening: they read, go through dead spots, give answers up that come too late and hand in again,
 * while the server is killed now and then. Every reading must be there once, in each one's order, and on every screen.
 */
export async function fiftyDevices(rounds: number): Promise<Finding> {
  const folder = newFolder();
  let server = await startServer(folder);
  const port = Number(new URL(server.address).port);
  const ids: string[] = [];
  for (let k = 0; k < jobs; k += 1) {
    const made = await server.ask('POST', '/jobs', { document: { ...floatLevelDivider([]), title: `Job ${k}` } });
    ids.push((made.json as StoredDocument<Job>).id);
  }
  const technicians = Array.from(
    { length: devices },
    (_, k) => new Technician(server.address, ids[k % jobs]!, `Technician ${k}`),
  );
  await Promise.all(technicians.map((one) => one.open()));
  let [stackTraces, saves, lostAnswers] = [0, 0, 0];
  const work = async (technician: Technician, seed: number): Promise<void> => {
    for (let round = 0; round < rounds; round += 1) {
      // One to three readings before the line is there again.
      for (let k = 0; k <= (seed + round) % 3; k += 1) technician.takeReading();
      const timeoutMs = (seed * 7 + round * 3) % 5 === 0 ? 1 + ((seed + round) % 12) : undefined;
      for (let given = timeoutMs; (await technician.save(given)) === null; given = undefined) {
        lostAnswers += 1;
        await new Promise((later) => setTimeout(later, 20));
      }
      saves += 1;
      await new Promise((later) => setTimeout(later, (seed * 13 + round * 29) % 60));
    }
  };
  const working = Promise.all(technicians.map(work));
  let isOver = false;
  void working.then(() => (isOver = true));
  let kills = 0;
  while (!isOver && kills < 4) {
    await new Promise((later) => setTimeout(later, 2500));
    if (isOver) break;
    await server.stop('SIGKILL');
    if (hasStackTrace(server.output())) stackTraces += 1;
    server = await startServer(folder, { port });
    kills += 1;
  }
  await working;
  // The last ones are told of.
  const isBehind = (): boolean => technicians.some((one) => !one.isUpToDate);
  for (let k = 0; k < 100 && isBehind(); k += 1) await new Promise((later) => setTimeout(later, 100));
  let lost = 0;
  for (const [at, id] of ids.entries()) {
    const { document, revision } = (await server.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
    const readings = document.readings ?? [];
    if (new Set(readings.map((one) => one.id)).size !== readings.length) lost += 1;
    for (const [k, technician] of technicians.entries()) {
      if (k % jobs !== at) continue;
      const kept = readings
        .filter(({ by }) => by === `Technician ${k}`)
        .map(({ observations }) => observations[0]!.shown);
      if (kept.join() !== technician.read.join()) lost += 1;
      if (technician.job.revision !== revision || !sameValue(technician.job.document, document)) lost += 1;
    }
  }
  const faults = technicians.reduce((sum, one) => sum + one.faults, 0);
  technicians.forEach((one) => one.leave());
  await server.stop();
  if (hasStackTrace(server.output())) stackTraces += 1;
  const read = technicians.reduce((sum, one) => sum + one.read.length, 0);
  return {
    name: 'Fifty devices',
    tried: `${read} readings in ${saves} saves, ${lostAnswers} answers lost, ${kills} kills`,
    lost,
    faults,
    stackTraces,
  };
}
