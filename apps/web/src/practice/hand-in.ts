import type { Attempt } from '@usual-drag/core/practice';
import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keepAttempt } from '../api/practice.ts';
import { Refused } from '../api/http.ts';
import { queries } from '../api/queries.ts';
import { usePerson } from '../ui/person.ts';
import { toast } from '../ui/toast.ts';

type Waiting = Attempt & { readonly id: string };

/** Attempts that the server does not have yet, the oldest first. */
export const useWaiting = create<{ readonly waiting: readonly Waiting[] }>()(
  persist(() => ({ waiting: [] as readonly Waiting[] }), { name: 'usual-drag-learner' }),
);

/** Hands an attempt in; without a name nothing is kept. Where the server does not answer it waits for the next time. */
export function handIn(attempt: Omit<Attempt, 'person'>): void {
  const { person } = usePerson.getState();
  if (person === '') return;
  // Its own: a browser has none for a page that came over a line that is not private.
  const made: Waiting = { ...attempt, person, id: nanoid() };
  useWaiting.setState(({ waiting }) => ({ waiting: [...waiting, made] }));
  void handInWaiting();
}

let underWay: Promise<void> | null = null;

/** Hands in what waits, in order. */
export function handInWaiting(): Promise<void> {
  underWay ??= handInAll().finally(() => (underWay = null));
  return underWay;
}

async function handInAll(): Promise<void> {
  for (let [next] = useWaiting.getState().waiting; next; [next] = useWaiting.getState().waiting) {
    const { id } = next;
    try {
      await keepAttempt(next);
    } catch (fault) {
      // What the server will never take must not hold up the rest.
      if (!(fault instanceof Refused)) return;
      toast.error(`The attempt was not saved: ${fault.message}`);
    }
    useWaiting.setState(({ waiting }) => ({ waiting: waiting.filter((one) => one.id !== id) }));
  }
  await queries.invalidateQueries({ queryKey: ['practice'] });
}
