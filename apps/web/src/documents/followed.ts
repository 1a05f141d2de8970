import { mostFollowed, type Followed } from '@usual-drag/contract';
import { queries } from '../api/queries.ts';

/** ms after which a change of what is on the screen is told: a page is left and the next one opened in one go. */
const pause = 50;

/** Returns the lists and documents whose answers are on the screen. */
function onScreen(): Followed[] {
  const shown = queries.getQueryCache().findAll({ type: 'active' });
  const followed = new Set(shown.flatMap(({ meta }) => meta?.follows ?? []));
  return [...followed].slice(0, mostFollowed);
}

/** Calls with what is on the screen, now and whenever that has changed. */
export function whenScreenChanges(call: (followed: readonly Followed[]) => void): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'observerAdded' && type !== 'observerRemoved') return;
    clearTimeout(timer);
    timer = setTimeout(() => call(onScreen()), pause);
  });
  call(onScreen());
}
