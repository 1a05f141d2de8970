import { newFolder, startServer } from '../test/running-server.ts';

const passphrase = 'brass lamp, wet rope';

test('a monitor without a session gets the status of the server and, with the passphrase, its metrics', async () => {
  const server = await startServer(newFolder(), { env: { USUAL_DRAG_PASSPHRASE: passphrase } });
  expect((await server.ask('GET', '/health')).json).toEqual({ status: 'ready' });
  const metrics = (given: string) => server.ask('GET', '/metrics', undefined, { authorization: `Bearer ${given}` });
  const right = await metrics(passphrase);
  expect(right.status).toBe(200);
  expect(right.text).toContain('usual_drag_database_bytes');
  // The header opens nothing else.
  expect((await server.ask('GET', '/jobs', undefined, { authorization: `Bearer ${passphrase}` })).status).toBe(401);
  const wrong = [];
  for (let k = 0; k < 7; k += 1) wrong.push((await metrics(`wrong ${k}`)).status);
  expect(wrong).toEqual([401, 401, 401, 401, 401, 429, 429]);
  await server.stop();
});
