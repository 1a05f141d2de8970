import type { DocumentChange } from '@usual-drag/contract';

/** Milliseconds until the next request after a refusal, as while nobody is signed in. */
const retryDelayMs = 5000;
/** ms without a sign of life, of which the server gives one every twenty seconds, after which the line counts as gone. */
const silence = 45_000;

/**
 * Hears of every document that changes, as long as the page can be seen: a browser keeps but few lines to one server open.
 *
 * @param onChange  called with each
 * @param onAgain  called when it listens again: changes in between were not received
 * @param onTurnedAway  called if the server refuses, as it does while nobody is signed in
 */
export function listen(
  onChange: (change: DocumentChange) => void,
  onAgain: () => void,
  onTurnedAway: () => void,
): void {
  let source: EventSource | null = null;
  let silent: ReturnType<typeof setTimeout> | undefined;
  const open = (): void => {
    source?.close();
    source = null;
    clearTimeout(silent);
    if (document.hidden) return;
    const opened = new EventSource('/api/events');
    source = opened;
    const heard = (): void => {
      clearTimeout(silent);
      silent = setTimeout(open, silence);
    };
    heard();
    opened.addEventListener('open', onAgain);
    opened.addEventListener('alive', heard);
    opened.addEventListener('message', ({ data }) => {
      heard();
      onChange(JSON.parse(data as string) as DocumentChange);
    });
    opened.addEventListener('error', () => {
      // It tries again by itself if the line has gone, and gives up where it was answered otherwise.
      if (opened.readyState !== EventSource.CLOSED) return;
      onTurnedAway();
      setTimeout(() => opened === source && open(), retryDelayMs);
    });
  };
  document.addEventListener('visibilitychange', open);
  open();
}
