import type { TaskName } from './tasks.ts';

/** Asks a worker for one task. */
export interface Asked {
  readonly task: TaskName;
  readonly input: unknown;
}

/** Messages of a worker: ready, the result of a task, or its exception. */
export type Answered =
  | { readonly kind: 'ready' }
  | { readonly kind: 'done'; readonly value: unknown }
  | { readonly kind: 'threw'; readonly message: string };
