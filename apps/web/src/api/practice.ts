import type { KeptAttempt, Learner } from '@usual-drag/contract';
import type { Attempt } from '@usual-drag/core/practice';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

const of = (person: string): string => `/practice/attempts?person=${encodeURIComponent(person)}`;

/** Everybody who practised, who did so last first. */
export const learnersQuery = queryOptions({
  queryKey: ['practice', 'learners'],
  queryFn: () => ask<Learner[]>('GET', '/practice/learners'),
});

/** A person's attempts, the oldest first. */
export const attemptsQuery = (person: string) =>
  queryOptions({
    queryKey: ['practice', 'attempts', person],
    queryFn: () => ask<KeptAttempt[]>('GET', of(person)),
    enabled: person !== '',
  });

/** Keeps an attempt; with the same id again it is kept once. */
export const keepAttempt = (attempt: Attempt & { readonly id: string }) =>
  ask<undefined>('POST', '/practice/attempts', attempt);

export const eraseAttempts = (person: string) => ask<undefined>('DELETE', of(person));
