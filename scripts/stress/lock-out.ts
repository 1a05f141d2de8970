import { request } from 'node:http';
import { newFolder, startServer } from '../../apps/server/src/test/running-server.ts';
import { hasStackTrace, type Finding } from './finding.ts';
import { watchHealth } from './health-watch.ts';

const passphrase = 'brass lamp, wet rope';

/** Strangers at many addresses try passphrases: a device that was signed in before gets in all the while, and others are answered. */
export async function lockOut(): Promise<Finding> {
  const server = await startServer(newFolder(), { env: { USUAL_DRAG_PASSPHRASE: passphrase } });
  const { hostname, port } = new URL(server.address);
  const signIn = (localAddress: string, tried: string, cookie = ''): Promise<{ status: number; mark: string }> =>
    new Promise((done, failed) => {
      const headers = { 'content-type': 'application/json', ...(cookie && { cookie }) };
      const sent = request({ hostname, port, localAddress, method: 'POST', path: '/sign-in', headers }, (answer) => {
        answer.resume();
        const cookies = (answer.headers['set-cookie'] ?? []).map((one) => one.split(';')[0]!);
        done({ status: answer.statusCode!, mark: cookies.find((one) => one.startsWith('usual-drag-device')) ?? '' });
      });
      sent.on('error', failed);
      sent.end(JSON.stringify({ passphrase: tried }));
    });
  const { mark } = await signIn('127.0.0.1', passphrase);
  const watch = watchHealth(server.address);
  let [lost, tries] = [0, 0];
  for (let address = 2; address < 32; address += 1) {
    const wrong = await Promise.all(
      Array.from({ length: 20 }, () => signIn(`127.0.0.${address}`, `wrong ${(tries += 1)}`)),
    );
    if (wrong.some(({ status }) => status < 400)) lost += 1;
    if ((await signIn(`127.0.0.${address}`, passphrase, mark)).status !== 204) lost += 1;
  }
  const { longestMs, wrong } = await watch.stop();
  await server.stop();
  return {
    name: 'Lock-out',
    tried: `${tries} wrong tries from 30 addresses; others answered within ${longestMs.toFixed(0)} ms`,
    lost: lost + (longestMs > 300 ? 1 : 0),
    faults: wrong,
    stackTraces: hasStackTrace(server.output()) ? 1 : 0,
  };
}
