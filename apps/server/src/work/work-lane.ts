import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { Answered, Asked } from './messages.ts';
import type { TaskInput, TaskName, TaskOutput } from './tasks.ts';

/** A task that was given up: it took too long, needed too much memory, or too many were waiting. */
export class WorkGivenUp extends Error {
  constructor(
    readonly why: 'too-long' | 'too-large' | 'busy',
    message: string,
  ) {
    super(message);
  }
}

interface Waiting {
  readonly asked: Asked;
  readonly timeoutMs: number;
  readonly take: (value: unknown) => void;
  readonly fail: (error: Error) => void;
}

/** Built beside the server. */
const workerFile = join(dirname(fileURLToPath(import.meta.url)), 'worker.js');

/** MB of memory that the computations of one worker may take. */
const memoryMb = 1024;
/** ms without a task after which a worker is ended. */
const idleMs = 60_000;

/**
 * One worker thread that does tasks one after the other, each within a time. A task that takes longer is ended with its thread;
 * the next one gets a new thread.
 */
export class WorkLane {
  #worker: Worker | null = null;
  #ready: Promise<void> = Promise.resolve();
  #present: Waiting | null = null;
  #timer: NodeJS.Timeout | undefined;
  readonly #waiting: Waiting[] = [];

  constructor(private readonly mostWaiting: number) {}

  /** Starts the thread, so that the first task does not wait for it; resolves when it takes tasks. */
  start(): Promise<void> {
    this.#worker ??= this.#newWorker();
    return this.#ready;
  }

  /** @throws WorkGivenUp; Error if the task itself threw */
  run<Name extends TaskName>(task: Name, input: TaskInput<Name>, timeoutMs: number): Promise<TaskOutput<Name>> {
    if (this.#waiting.length >= this.mostWaiting)
      return Promise.reject(new WorkGivenUp('busy', 'Too much is being computed already. Try again in a moment.'));
    return new Promise((take, fail) => {
      this.#waiting.push({ asked: { task, input }, timeoutMs, take: take as (value: unknown) => void, fail });
      this.#next();
    });
  }

  close(): void {
    clearTimeout(this.#timer);
    void this.#worker?.terminate();
    this.#worker = null;
  }

  #next(): void {
    if (this.#present) return;
    clearTimeout(this.#timer);
    this.#present = this.#waiting.shift() ?? null;
    if (!this.#present) {
      this.#timer = setTimeout(() => this.close(), idleMs).unref();
      return;
    }
    const present = this.#present;
    void this.start().then(() => {
      if (this.#present !== present) return;
      this.#timer = setTimeout(
        () => this.#giveUp('too-long', `This took longer than ${present.timeoutMs / 1000} s and was given up.`),
        present.timeoutMs,
      );
      this.#worker?.postMessage(present.asked);
    });
  }

  #newWorker(): Worker {
    const worker = new Worker(workerFile, { resourceLimits: { maxOldGenerationSizeMb: memoryMb } });
    worker.unref();
    this.#ready = new Promise((ready) => {
      worker.on('message', (answered: Answered) => {
        if (answered.kind === 'ready') return ready();
        if (answered.kind === 'done') return this.#settle(({ take }) => take(answered.value));
        this.#settle(({ fail }) => fail(new Error(answered.message)));
      });
      worker.on('error', () => {
        ready();
        if (this.#worker === worker) this.#giveUp('too-large', 'This needs more memory than there is for it.');
      });
    });
    return worker;
  }

  #giveUp(why: 'too-long' | 'too-large', message: string): void {
    this.close();
    this.#settle(({ fail }) => fail(new WorkGivenUp(why, message)));
  }

  #settle(how: (present: Waiting) => void): void {
    const present = this.#present;
    if (!present) return;
    clearTimeout(this.#timer);
    this.#present = null;
    how(present);
    this.#next();
  }
}
