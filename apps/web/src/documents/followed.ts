import { mostFollowed, type Followed } from '@usual-drag/contract';
import { queries } from '../api/queries.ts';

/** ms from a change of the screen to the call: a page is left and the next one opened in one step. */
const pause = 50;

/** Returns the lists and documents on the screen. */
function onScreen(): Followed[] {
  const shown = queries.getQueryCache().findAll({ type: 'active' });
  const followed = new Set(shown.flatMap(({ meta }) => meta?.follows ?? []));
  return [...followed].slice(0, mostFollowed);
}

/** Calls a function with the lists and documents on the screen, now and after each change. */
export function whenScreenChanges(call: (followed: readonly Followed[]) => void): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'observerAdded' && type !== 'observerRemoved') return;
    clearTimeout(timer);
    timer = setTimeout(() => call(onScreen()), pause);
  });
  call(onScreen());
}
