import { expose } from 'comlink';
import { run } from './run.ts';

const api = {
  double: (x: number) => 2 * x,
  fail: (): number => {
    throw new Error('no solution');
  },
};

/** A worker in this process: its messages go through a channel. */
function localWorker() {
  const { port1, port2 } = new MessageChannel();
  expose(api, port1);
  let ended = 0;
  port2.start();
  const worker = Object.assign(port2, {
    terminate: () => {
      ended += 1;
      port1.close();
      port2.close();
    },
  });
  return { create: () => worker as unknown as Worker, ended: () => ended };
}

test('the worker ends with its call, whether the call succeeds or throws', async () => {
  const good = localWorker();
  await expect(run<typeof api, number>(good.create, (work) => work.double(21)).result).resolves.toBe(42);
  expect(good.ended()).toBe(1);
  const bad = localWorker();
  await expect(run<typeof api, number>(bad.create, (work) => work.fail()).result).rejects.toThrow('no solution');
  expect(bad.ended()).toBe(1);
});

test('a run that is stopped ends its worker at once', () => {
  const { create, ended } = localWorker();
  const { stop } = run<typeof api, number>(create, (work) => work.double(1));
  stop();
  expect(ended()).toBe(1);
});
