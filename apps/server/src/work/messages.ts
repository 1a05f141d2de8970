import type { TaskName } from './tasks.ts';

/** Asks a worker for one task. */
export interface Asked {
  readonly task: TaskName;
  readonly input: unknown;
}

/** What a worker answers: that it is ready, a task's result, or that the task threw. */
export type Answered =
  | { readonly kind: 'ready' }
  | { readonly kind: 'done'; readonly value: unknown }
  | { readonly kind: 'threw'; readonly message: string };
