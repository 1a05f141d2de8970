import { followRun, type RunEvent } from './follow-run.ts';
import type { Run } from './run.ts';

/** A run that the test ends, and how often it was stopped. */
function manualRun() {
  let settle: { resolve: (value: string) => void; reject: (reason: Error) => void };
  const state = { started: 0, stopped: 0, progress: (_done: number): void => undefined };
  const start = (onProgress: (done: number) => void): Run<string> => {
    state.started += 1;
    state.progress = onProgress;
    const result = new Promise<string>((resolve, reject) => {
      settle = { resolve, reject };
    });
    return { result, stop: () => (state.stopped += 1) };
  };
  return { state, start, end: (value: string) => settle.resolve(value), fail: () => settle.reject(new Error('x')) };
}

const tick = (): Promise<void> => new Promise((done) => setTimeout(done, 5));

test('progress and the result are reported in their order', async () => {
  const { state, start, end } = manualRun();
  const events: RunEvent<string, number>[] = [];
  followRun(start, 0, (event) => events.push(event));
  await tick();
  state.progress(1);
  state.progress(2);
  end('found');
  await tick();
  expect(events).toEqual([
    { kind: 'progress', progress: 1 },
    { kind: 'progress', progress: 2 },
    { kind: 'done', result: 'found' },
  ]);
});

test('progress that arrives behind the result is ignored', async () => {
  const { state, start, end } = manualRun();
  const events: RunEvent<string, number>[] = [];
  followRun(start, 0, (event) => events.push(event));
  await tick();
  end('found');
  await tick();
  state.progress(2);
  expect(events).toEqual([{ kind: 'done', result: 'found' }]);
});

test('a run that fails is reported as failed', async () => {
  const { start, fail } = manualRun();
  const events: RunEvent<string, number>[] = [];
  followRun(start, 0, (event) => events.push(event));
  await tick();
  fail();
  await tick();
  expect(events).toEqual([{ kind: 'failed' }]);
});

test('stopped before its delay is over, nothing is started', async () => {
  const { state, start } = manualRun();
  followRun(start, 3, () => undefined)();
  await tick();
  expect(state).toMatchObject({ started: 0, stopped: 0 });
});

test('stopped under way, the worker ends and nothing more is reported', async () => {
  const { state, start, end } = manualRun();
  const events: RunEvent<string, number>[] = [];
  const stop = followRun(start, 0, (event) => events.push(event));
  await tick();
  stop();
  state.progress(1);
  end('too late');
  await tick();
  expect(events).toEqual([]);
  expect(state.stopped).toBe(1);
});
