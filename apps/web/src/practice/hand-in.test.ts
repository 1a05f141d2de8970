import { handIn, handInWaiting, useWaiting } from './hand-in.ts';
import { usePerson } from '../ui/person.ts';

jest.mock('nanoid', () => ({ nanoid: () => `attempt-${Math.random()}` }));

const attempt = {
  kind: 'voltmeter',
  level: 1,
  seed: 7,
  right: true,
  slip: null,
  hints: 0,
  seconds: 12,
} as const;

/** Answers requests by a function, and returns the bodies that were sent. */
function answering(answer: () => Promise<Response>): { readonly seed: number }[] {
  const sent: { readonly seed: number }[] = [];
  globalThis.fetch = (_input, init) => {
    sent.push(JSON.parse(String(init?.body)) as { seed: number });
    return answer();
  };
  return sent;
}

const taken = () => Promise.resolve(new Response(null, { status: 204 }));
const noServer = () => Promise.reject(new TypeError('Failed to fetch'));
const refused = () =>
  Promise.resolve(
    new Response(JSON.stringify({ error: { message: 'seconds must be a number' } }), {
      status: 422,
      headers: { 'content-type': 'application/json' },
    }),
  );

beforeEach(() => {
  useWaiting.setState({ waiting: [] });
  usePerson.setState({ person: 'Ann' });
});

test('without a name nothing is stored', () => {
  const sent = answering(taken);
  usePerson.setState({ person: '' });
  handIn(attempt);
  expect(sent).toEqual([]);
  expect(useWaiting.getState().waiting).toEqual([]);
});

test('attempts made while the server is away are handed in afterwards, in their order and once', async () => {
  answering(noServer);
  for (const seed of [1, 2, 3]) handIn({ ...attempt, seed });
  await handInWaiting();
  expect(useWaiting.getState().waiting.map(({ seed }) => seed)).toEqual([1, 2, 3]);
  const sent = answering(taken);
  await Promise.all([handInWaiting(), handInWaiting()]);
  expect(sent.map(({ seed }) => seed)).toEqual([1, 2, 3]);
  expect(useWaiting.getState().waiting).toEqual([]);
});

test('an attempt that the server refuses does not hold up the next', async () => {
  let asked = 0;
  const sent = answering(() => ((asked += 1) === 1 ? refused() : taken()));
  handIn({ ...attempt, seed: 1 });
  handIn({ ...attempt, seed: 2 });
  await handInWaiting();
  expect(sent.map(({ seed }) => seed)).toEqual([1, 2]);
  expect(useWaiting.getState().waiting).toEqual([]);
});
