import { newJob } from '@usual-drag/core/job';
import { newFolder, startServer } from '../../apps/server/src/test/running-server.ts';
import { hasStackTrace, type Finding } from './finding.ts';

/** A second server on one folder, tried while the first one saves: it is refused, and nothing of the first one's is lost. */
export async function twoServers(): Promise<Finding> {
  const folder = newFolder();
  const first = await startServer(folder);
  let [refused, stackTraces, saves] = [0, 0, 0];
  for (let round = 0; round < 10; round += 1) {
    const second = startServer(folder).then(
      async (server) => void (await server.stop('SIGKILL')),
      (error: Error) => {
        refused += 1;
        if (hasStackTrace(error.message.replace(/^Error: /, ''))) stackTraces += 1;
      },
    );
    for (let k = 0; k < 5; k += 1)
      if ((await first.ask('POST', '/jobs', { document: newJob(`${round} ${k}`) })).status === 201) saves += 1;
    await second;
  }
  await first.stop('SIGKILL');
  const again = await startServer(folder);
  const there = ((await again.ask('GET', '/jobs')).json as unknown[]).length;
  await again.stop();
  const lost = saves - there + (10 - refused);
  return {
    name: 'Two servers',
    tried: `${refused} of 10 second servers refused in ${saves} saves`,
    lost,
    faults: 0,
    stackTraces,
  };
}
