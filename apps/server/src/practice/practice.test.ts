import type { KeptAttempt, Learner } from '@usual-drag/contract';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer(newFolder());
});

const attempt = {
  id: 'attempt-1',
  person: 'J. Marsh',
  kind: 'voltmeter',
  level: 2,
  seed: 7,
  right: false,
  slip: 'meter-left-out',
  hints: 1,
  seconds: 41.5,
};
const post = (body: unknown) => server.ask('POST', '/practice/attempts', body);
const of = async (person: string): Promise<KeptAttempt[]> =>
  (await server.ask('GET', `/practice/attempts?person=${encodeURIComponent(person)}`)).json;

test('an attempt is kept once however often it is sent, with the time of the first', async () => {
  expect((await post(attempt)).status).toBe(204);
  expect((await post({ ...attempt, right: true })).status).toBe(204);
  const kept = await of('J. Marsh');
  expect(kept).toEqual([{ ...attempt, at: expect.stringMatching(/^\d{4}-\d\d-\d\dT/) }]);
});

test('people are told apart, the last to practise first, and one is erased without the other', async () => {
  await post({ ...attempt, id: 'attempt-2', person: 'A. Reed', slip: null, right: true });
  await post({ ...attempt, id: 'attempt-3', person: 'A. Reed', slip: undefined, right: true });
  const learners = (await server.ask('GET', '/practice/learners')).json as Learner[];
  expect(learners.map(({ person, attempts }) => [person, attempts])).toEqual([
    ['A. Reed', 2],
    ['J. Marsh', 1],
  ]);
  expect((await of('A. Reed')).map(({ slip }) => slip)).toEqual([null, null]);
  expect((await server.ask('DELETE', '/practice/attempts?person=A.%20Reed')).status).toBe(204);
  expect(await of('A. Reed')).toEqual([]);
  expect(await of('J. Marsh')).toHaveLength(1);
});

test.each([
  ['kind', 'tea'],
  ['level', 4],
  ['slip', 'haste'],
  ['person', ''],
  ['person', 'x'.repeat(65)],
  ['seed', 1.5],
  ['hints', -1],
  ['seconds', 'soon'],
  ['right', 'yes'],
  ['id', 'short'],
  ['more', 1],
])('%s %j is refused with its path', async (key, value) => {
  const refused = await post({ ...attempt, id: 'attempt-9', [key]: value });
  expect(refused.status).toBe(400);
  expect((refused.json as { error: { faults: { path: string }[] } }).error.faults[0]!.path).toBe(key);
});

test('nobody named, or two, is refused', async () => {
  for (const query of ['', '?person=', '?person=a&person=b'])
    for (const method of ['GET', 'DELETE'])
      expect((await server.ask(method, `/practice/attempts${query}`)).status).toBe(400);
});
