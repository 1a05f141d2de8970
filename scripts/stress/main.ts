// npm run stress: what must never happen, tried for long. Ends with status 1 if anything was lost.
//
// `npm run stress -- 50` makes a tenth of it. The figures of a whole run are in docs/reliability.md.
import { clockJumps } from './clock-jumps.ts';
import { fiftyDevices } from './fifty-devices.ts';
import { everyCase } from './every-case.ts';
import type { Finding } from './finding.ts';
import { fullDisk } from './full-disk.ts';
import { hostileLoad } from './hostile-load.ts';
import { killLoop } from './kill-loop.ts';
import { lockOut } from './lock-out.ts';
import { malformedRequests } from './malformed-requests.ts';
import { threeWindows } from './three-windows.ts';
import { twoServers } from './two-servers.ts';

const kills = Number(process.argv[2] ?? 500);
const share = kills / 500;
const began = Date.now();

const trials: (() => Promise<Finding>)[] = [
  () => everyCase(),
  () => malformedRequests(Math.round(20_000 * share)),
  () => hostileLoad(),
  () => lockOut(),
  () => clockJumps(),
  () => fullDisk(),
  () => twoServers(),
  () => fiftyDevices(Math.max(6, Math.round(60 * share))),
  () => threeWindows(Math.max(6, Math.round(60 * share))),
  () => killLoop(kills),
];
let isSound = true;
for (const trial of trials) {
  const { name, tried, lost, faults, stackTraces } = await trial();
  console.log(`${name}: ${tried}; ${lost} lost, ${faults} answers of 500, ${stackTraces} stack traces`);
  isSound &&= lost + faults + stackTraces === 0;
}
console.log(`Took ${((Date.now() - began) / 60_000).toFixed(1)} minutes.`);
console.log(isSound ? 'Nothing was lost.' : 'Something was lost or failed.');
process.exit(isSound ? 0 : 1);
