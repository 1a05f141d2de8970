import { wrap, type Remote } from 'comlink';

/** One call in a worker of its own. */
export interface Run<T> {
  /** Stays pending if the run is stopped. */
  readonly result: Promise<T>;
  readonly stop: () => void;
}

/**
 * Runs one call in a worker of its own, which ends with the call.
 *
 * @param create  creates the worker; written out at each place, because the bundler looks for this form
 */
export function run<Api, T>(create: () => Worker, call: (api: Remote<Api>) => Promise<T>): Run<T> {
  const worker = create();
  const stop = (): void => worker.terminate();
  return { result: call(wrap<Api>(worker)).finally(stop), stop };
}
