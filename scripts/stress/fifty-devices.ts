import { setTimeout as delay } from 'node:timers/promises';
import type { StoredDocument } from '@usual-drag/contract';
import { floatLevelDivider, sameValue, type Job } from '@usual-drag/core/job';
import type { RunningServer } from '../../apps/server/src/test/running-server.ts';
import { Technician } from '../../apps/server/src/test/technician.ts';
import { hasStackTrace, type Finding } from './finding.ts';
import type { Place } from './place.ts';

const devices = 50;
const jobs = 10;

/** Something else that fails from time to time. */
export interface Disturbance {
  readonly words: string;
  /** Makes it fail, and waits until it works again. */
  happen(): Promise<void>;
}

/**
 * Fifty devices on ten jobs, all listening: they read, go through dead spots, give answers up that come too late and save again,
 * while servers are killed now and then. Every reading must be there once, in each one's order, and on every screen.
 *
 * @param servers  number of servers that share the place
 */
export async function fiftyDevices(
  place: Place,
  rounds: number,
  servers = 1,
  disturbances: readonly Disturbance[] = [],
): Promise<Finding> {
  const running: RunningServer[] = [];
  for (let k = 0; k < servers; k += 1) running.push(await place.start());
  const ports = running.map(({ address }) => Number(new URL(address).port));
  const ids: string[] = [];
  for (let k = 0; k < jobs; k += 1) {
    const made = await running[0]!.ask('POST', '/jobs', { document: { ...floatLevelDivider([]), title: `Job ${k}` } });
    ids.push((made.json as StoredDocument<Job>).id);
  }
  // The devices of one job are on all servers.
  const technicians = Array.from(
    { length: devices },
    (_, k) => new Technician(running[Math.floor(k / jobs) % servers]!.address, ids[k % jobs]!, `Technician ${k}`),
  );
  await Promise.all(technicians.map((one) => one.open()));
  let [stackTraces, saves, lostAnswers] = [0, 0, 0];
  const work = async (technician: Technician, seed: number): Promise<void> => {
    for (let round = 0; round < rounds; round += 1) {
      // One to three readings before there is a connection again.
      for (let k = 0; k <= (seed + round) % 3; k += 1) technician.takeReading();
      const timeoutMs = (seed * 7 + round * 3) % 5 === 0 ? 1 + ((seed + round) % 12) : undefined;
      for (let given = timeoutMs; (await technician.save(given)) === null; given = undefined) {
        lostAnswers += 1;
        await delay(20);
      }
      saves += 1;
      await delay((seed * 13 + round * 29) % 60);
    }
  };
  const working = Promise.all(technicians.map(work));
  let isOver = false;
  void working.then(() => (isOver = true));
  let kills = 0;
  const happened = new Map(disturbances.map(({ words }) => [words, 0]));
  while (!isOver && kills < 4 * servers) {
    await delay(2500 / servers);
    if (isOver) break;
    const at = kills % servers;
    await running[at]!.stop('SIGKILL');
    if (hasStackTrace(running[at]!.output())) stackTraces += 1;
    const disturbance = disturbances[kills % Math.max(1, disturbances.length)];
    if (disturbance) {
      await disturbance.happen();
      happened.set(disturbance.words, happened.get(disturbance.words)! + 1);
    }
    running[at] = await place.start(ports[at]);
    kills += 1;
  }
  await working;
  // The last changes are announced.
  const isBehind = (): boolean => technicians.some((one) => !one.isUpToDate);
  for (let k = 0; k < 100 && isBehind(); k += 1) await delay(100);
  let lost = 0;
  for (const [at, id] of ids.entries()) {
    const { document, revision } = (await running[0]!.ask('GET', `/jobs/${id}`)).json as StoredDocument<Job>;
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
  const sum = (value: (one: Technician) => number): number => technicians.reduce((total, one) => total + value(one), 0);
  technicians.forEach((one) => one.leave());
  for (const server of running) {
    await server.stop();
    if (hasStackTrace(server.output())) stackTraces += 1;
  }
  const others = [...happened].map(([words, count]) => `, ${count} ${words}`).join('');
  return {
    name: `Fifty devices${servers > 1 ? ` on ${servers} servers` : ''}`,
    tried: `${sum((one) => one.read.length)} readings in ${saves} saves, ${lostAnswers} answers lost, ${sum((one) => one.refused)} refused for now, ${kills} kills${others}`,
    lost,
    faults: sum((one) => one.faults),
    stackTraces,
  };
}
