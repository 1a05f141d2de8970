import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { newJob, solveJob, type Job } from '@usual-drag/core/job';
import { sampleJobs } from './demo/sample-jobs.ts';
import { newFolder, startServer } from './test/running-server.ts';

interface OpenJob {
  id: string;
  revision: number;
  document: Job;
}

test('what was saved is there after a restart', async () => {
  const folder = newFolder();
  const first = await startServer(folder);
  const made = (await first.ask('POST', '/jobs', { document: newJob('Kept') })).json as OpenJob;
  await first.stop('SIGTERM');
  expect(existsSync(join(folder, 'usual-drag.sqlite'))).toBe(true);
  // Closed in good order: the log has been written into the database.
  expect(statSync(join(folder, 'usual-drag.sqlite-wal'), { throwIfNoEntry: false })?.size ?? 0).toBe(0);
  const second = await startServer(folder);
  expect((await second.ask('GET', `/jobs/${made.id}`)).json).toEqual(made);
  await second.stop('SIGTERM');
});

test('a kill in the middle of saving loses nothing that was answered', async () => {
  const folder = newFolder();
  for (let round = 0; round < 3; round += 1) {
    const server = await startServer(folder);
    const made = (await server.ask('POST', '/jobs', { document: newJob('Under way') })).json as OpenJob;
    let answered: OpenJob = made;
    const saving = (async () => {
      for (;;) {
        const document: Job = { ...made.document, title: `Edit ${answered.revision}` };
        const saved = await server
          .ask('PUT', `/jobs/${made.id}`, { revision: answered.revision, document })
          .catch(() => null);
        if (saved?.status !== 200) return;
        answered = saved.json;
      }
    })();
    const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
    while (answered.revision <= 3) await wait(5);
    // At another moment of a save in each round.
    await wait(7 * round);
    await server.stop('SIGKILL');
    await saving;
    const again = await startServer(folder);
    const found = (await again.ask('GET', `/jobs/${made.id}`)).json as OpenJob;
    // The last answered save is there; at the most, one more that was written and not yet answered.
    expect([answered.revision, answered.revision + 1]).toContain(found.revision);
    if (found.revision === answered.revision) expect(found.document).toEqual(answered.document);
    await again.stop('SIGTERM');
  }
});

test('the demo starts with the sample jobs once, and keeps what is changed', async () => {
  const folder = newFolder();
  const first = await startServer(folder, { demo: true });
  const list = (await first.ask('GET', '/jobs')).json as { id: string; title: string }[];
  expect(list.map(({ title }) => title)).toEqual([
    'Float-level divider',
    'Beacon and sounder panel',
    'Sluice-gate strain bridge',
    'Level loop',
    'Resistor by voltmeter and ammeter',
    'Pump resistors combined',
    'Pump resistors in parallel',
    'Pump resistors in series',
  ]);
  for (const { id } of list) await first.ask('DELETE', `/jobs/${id}`);
  await first.stop('SIGTERM');
  const second = await startServer(folder, { demo: true });
  expect((await second.ask('GET', '/jobs')).json).toEqual([]);
  await second.stop('SIGTERM');
});

const meterOf = (job: Job, setup: string, meter: string) => {
  const solved = solveJob(job);
  if (!solved.ok) throw new Error(solved.fault.message);
  return solved.value.setups[setup]!.meters[meter]!;
};
const [divider, beacon, bridge, loop, resistor] = sampleJobs as [Job, Job, Job, Job, Job];

test('float-level divider: the old meter reads two fifths low', () => {
  expect(meterOf(divider, 'S-1', 'V1').relativeError).toBeCloseTo(-0.426, 3);
});

test('beacon and sounder: the currents as read do not add up, the true ones do', () => {
  const [trunk, lamp, sounder] = ['trunk', 'beacon', 'sounder'].map((setup) => meterOf(beacon, setup, 'A1')) as [
    never,
    never,
    never,
  ] as unknown as {
    indicated: number;
    true: number;
    state: string;
  }[];
  expect([trunk!.state, lamp!.state, sounder!.state]).toEqual(['ok', 'ok', 'ok']);
  expect(lamp!.true + sounder!.true).toBeCloseTo(trunk!.true, 12);
  // Far more than the last digits is missing, and burden is all that is different.
  expect(lamp!.indicated + sounder!.indicated - trunk!.indicated).toBeGreaterThan(0.002);
});

test('strain bridge: millivolts that the old meter drags, and the bench one does not', () => {
  const bench = meterOf(bridge, 'bench', 'V1');
  expect(bench.true).toBeGreaterThan(0.01);
  expect(Math.abs(bench.relativeError!)).toBeLessThan(1e-7);
  expect(meterOf(bridge, 'old', 'V1').relativeError).toBeLessThan(-0.05);
});

test('level loop: the ammeter changes nothing until compliance runs out', () => {
  for (const setup of ['digital', 'old'])
    expect(meterOf(loop, setup, 'A1')).toMatchObject({ error: 0, indicated: 0.0128 });
  const drive = (setup: string): number => {
    const solved = solveJob(loop);
    return solved.ok ? solved.value.setups[setup]!.elements.J1!.voltage! : 0;
  };
  expect(drive('digital')).toBeLessThan(22);
  expect(drive('old')).toBeGreaterThan(22);
});

test('resistor by voltmeter and ammeter: one way reads low, the other high', () => {
  const apparent = (setup: string): number =>
    meterOf(resistor, setup, 'V1').indicated! / meterOf(resistor, setup, 'A1').indicated!;
  expect(apparent('across-part')).toBeCloseTo(1 / (1 / 680 + 1 / 20_000), 9);
  expect(apparent('across-both')).toBeCloseTo(690, 9);
});
