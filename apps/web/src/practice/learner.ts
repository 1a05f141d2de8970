import type { Attempt } from '@usual-drag/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keepAttempt } from '../api/practice.ts';
import { Refused } from '../api/http.ts';
import { queries } from '../api/queries.ts';
import { toast } from '../ui/toast.ts';

type Waiting = Attempt & { readonly id: string };

interface LearnerStore {
  /** Who practises: a name, no account. */
  readonly person: string;
  /** Attempts that the server does not have yet, the oldest first. */
  readonly waiting: readonly Waiting[];
}

/** Who practises in this browser, and what of it is still to be handed in. */
export const useLearner = create<LearnerStore>()(
  persist((): LearnerStore => ({ person: '', waiting: [] }), { name: 'usual-drag-learner' }),
);

export function setPerson(person: string): void {
  useLearner.setState({ person });
}

/** Hands an attempt in; without a name nothing is kept. Where the server does not answer it waits for the next time. */
export function handIn(attempt: Omit<Attempt, 'person'>): void {
  const { person } = useLearner.getState();
  if (person === '') return;
  const made: Waiting = { ...attempt, person, id: crypto.randomUUID() };
  useLearner.setState(({ waiting }) => ({ waiting: [...waiting, made] }));
  void handInWaiting();
}

let underWay: Promise<void> | null = null;

/** Hands in what waits, in order. */
export function handInWaiting(): Promise<void> {
  underWay ??= handInAll().finally(() => (underWay = null));
  return underWay;
}

async function handInAll(): Promise<void> {
  for (let [next] = useLearner.getState().waiting; next; [next] = useLearner.getState().waiting) {
    const { id } = next;
    try {
      await keepAttempt(next);
    } catch (fault) {
      // What the server will never take must not hold up the rest.
      if (!(fault instanceof Refused)) return;
      toast.error(`An attempt was not kept: ${fault.message}`);
    }
    useLearner.setState(({ waiting }) => ({ waiting: waiting.filter((one) => one.id !== id) }));
  }
  await queries.invalidateQueries({ queryKey: ['practice'] });
}
