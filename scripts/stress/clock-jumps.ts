import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { History, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { newFolder, startServer, type RunningServer } from '../../apps/server/src/test/running-server.ts';
import { hasStackTrace, type Finding } from './finding.ts';

const passphrase = 'brass lamp, wet rope';
const versions = 43;

/** Environment of a server whose clock is wrong by some days. */
function withClock(days: number): Record<string, string> {
  const shift = join(mkdtempSync(join(tmpdir(), 'usual-drag-clock-')), 'clock.mjs');
  writeFileSync(
    shift,
    `const shift = ${days} * 86_400_000;
const Real = Date;
globalThis.Date = class extends Real {
  constructor(...of) {
    if (of.length === 0) super(Real.now() + shift);
    else super(...of);
  }
  static now() {
    return Real.now() + shift;
  }
};
`,
  );
  return { USUAL_DRAG_PASSPHRASE: passphrase, NODE_OPTIONS: `--import=${pathToFileURL(shift).href}` };
}

async function signIn(server: RunningServer): Promise<string> {
  const answer = await fetch(`${server.address}/sign-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ passphrase }),
  });
  return answer.headers.getSetCookie()[0]!.split(';')[0]!;
}

/** A clock that is 400 days ahead at one start, and behind at another: no version, copy or session is lost by it. */
export async function clockJumps(): Promise<Finding> {
  const folder = newFolder();
  let [lost, stackTraces] = [0, 0];
  let cookie = '';
  let id = '';
  const jumps = [0, 400, 0, -400, 0];
  for (const [round, days] of jumps.entries()) {
    const server = await startServer(folder, { env: withClock(days) });
    if (round === 0) {
      cookie = await signIn(server);
      const ask = (method: string, path: string, body: unknown) => server.ask(method, path, body, { cookie });
      const made = (await ask('POST', '/jobs', { document: newJob('0') })).json as StoredDocument<Job>;
      id = made.id;
      for (let k = 1; k < versions; k += 1)
        await ask('PUT', `/jobs/${id}`, { revision: k, document: { ...made.document, title: String(k) } });
    }
    // Signed in on the right day, a device is out only while the clock is past the age of its cookie.
    const history = await server.ask('GET', `/history/jobs/${id}`, undefined, {
      cookie: days === 400 ? await signIn(server) : cookie,
    });
    lost += history.status === 200 ? versions - (history.json as History).entries.length : versions;
    await server.stop();
    if (hasStackTrace(server.output())) stackTraces += 1;
  }
  const numbers = readdirSync(join(folder, 'copies')).map((name) => Number(name.slice(0, 6)));
  if (new Set(numbers).size !== numbers.length || numbers.some(Number.isNaN)) lost += 1;
  return {
    name: 'Clock jumps',
    tried: `${jumps.length} starts by ${jumps.join(', ')} days, ${versions} versions, ${numbers.length} copies`,
    lost,
    faults: 0,
    stackTraces,
  };
}
