import { ask } from './http.ts';
import { readInstrument } from './instrument-link.ts';

/** Milliseconds after which a request to the server is given up. */
async function timeoutOf(request: () => Promise<unknown>): Promise<number> {
  const timeout = jest.spyOn(AbortSignal, 'timeout');
  globalThis.fetch = () => Promise.resolve(new Response('{}'));
  await request();
  const [ms] = timeout.mock.lastCall!;
  timeout.mockRestore();
  return ms;
}

const asked = { quantity: 'dc-voltage', range: '2 V', jobId: 'j', place: { red: 'A', black: '0' } } as const;

test('a slow instrument is waited for longer than the server waits, and than any document', async () => {
  // The server's limits for connecting, for an answer and for a reading.
  const serverGivesUp = 3000 + 3000 + 6000;
  const instrument = await timeoutOf(() => readInstrument('m', asked));
  expect(instrument).toBeGreaterThan(serverGivesUp);
  expect(instrument).toBeGreaterThan(await timeoutOf(() => ask('PUT', '/jobs/1', { text: 'x'.repeat(100_000) })));
});
