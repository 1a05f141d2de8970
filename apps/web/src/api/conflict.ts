import { hashKey } from '@tanstack/react-query';
import type { Shelved } from '@usual-drag/contract';
import { Refused } from './http.ts';

/** What the server has where it refused a save because that has been changed since; null where it refused for another reason. */
export function newestOf<T>(fault: unknown): Shelved<T> | null {
  const current = fault instanceof Refused ? fault.details.current : undefined;
  return (current as Shelved<T> | undefined) ?? null;
}

/** Whether two documents say the same, in whatever order they name it. */
export const sameDocument = (a: unknown, b: unknown): boolean => hashKey([a]) === hashKey([b]);
