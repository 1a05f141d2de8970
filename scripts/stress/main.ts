// npm run stress: what must never happen, tried for long. Ends with status 1 if anything was lost.
//
// `npm run stress -- 50` makes a tenth of it, `npm run stress -- 50 postgresql` only what is tried on that engine. The figures of a
// whole run are in docs/reliability.md.
import { clockJumps } from './clock-jumps.ts';
import { fiftyDevices } from './fifty-devices.ts';
import { everyCase } from './every-case.ts';
import { startCluster, hasPostgres } from '../../apps/server/src/test/postgres-cluster.ts';
import { breakingLine } from './breaking-line.ts';
import type { Finding } from './finding.ts';
import { fullDisk } from './full-disk.ts';
import { hostileLoad } from './hostile-load.ts';
import { killLoop } from './kill-loop.ts';
import { lockOut } from './lock-out.ts';
import { malformedRequests } from './malformed-requests.ts';
import { postgres, sqlite } from './place.ts';
import { threeWindows } from './three-windows.ts';
import { twoServers } from './two-servers.ts';

const kills = Number(process.argv[2] ?? 500);
const engine = process.argv[3];
const share = kills / 500;
const deviceRounds = Math.max(6, Math.round(60 * share));
const began = Date.now();

const trials: (() => Promise<Finding>)[] = [
  () => everyCase(),
  async () => malformedRequests(await sqlite.place(), Math.round(20_000 * share)),
  () => hostileLoad(),
  () => lockOut(),
  () => clockJumps(),
  () => fullDisk(),
  () => twoServers(),
  async () => fiftyDevices(await sqlite.place(), deviceRounds),
  () => threeWindows(Math.max(6, Math.round(60 * share))),
  async () => killLoop(await sqlite.place(), kills),
];
let isSound = true;
if (engine !== 'postgresql') for (const trial of trials) report('', await trial());
if (engine !== 'sqlite' && hasPostgres()) await onPostgres();
console.log(`Took ${((Date.now() - began) / 60_000).toFixed(1)} minutes.`);
console.log(isSound ? 'Nothing was lost.' : 'Something was lost or failed.');
process.exit(isSound ? 0 : 1);

function report(on: string, { name, tried, lost, faults, stackTraces }: Finding): void {
  console.log(`${on}${name}: ${tried}; ${lost} lost, ${faults} answers of 500, ${stackTraces} stack traces`);
  isSound &&= lost + faults + stackTraces === 0;
}

/** The trials of storage on PostgreSQL; the last one has two servers, whose connections and database fail too. */
async function onPostgres(): Promise<void> {
  const cluster = await startCluster(true);
  const places = postgres((name) => cluster.create(name));
  const trial = async (finding: Promise<Finding>): Promise<void> => report('PostgreSQL, ', await finding);
  await trial(malformedRequests(await places.place(), Math.round(4000 * share)));
  await trial(killLoop(await places.place(), Math.round(kills / 5)));
  await trial(fiftyDevices(await places.place(), deviceRounds, 2));

  const line = await breakingLine(Number(new URL(cluster.url).port), 25);
  const broken = postgres(async (name) => {
    const url = new URL(await cluster.create(`broken_${name}`));
    url.port = String(line.port);
    return url.href;
  });
  const databaseKill = {
    words: 'kills of the database',
    happen: async () => {
      await cluster.kill();
      await cluster.start();
    },
  };
  const finding = await fiftyDevices(await broken.place(), deviceRounds, 2, [databaseKill]);
  report('PostgreSQL, ', { ...finding, tried: `${finding.tried}, ${line.cuts()} connections cut at a commit` });
  line.stop();
  await cluster.remove();
}
