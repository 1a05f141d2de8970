import type { DocumentChange } from '@usual-drag/contract';

/** ms until one asks again where the server has turned away, as it does while nobody is signed in. */
const patience = 5000;

/**
 * Hears of every document that changes, as long as the page can be seen: a browser keeps but few lines to one server open.
 *
 * @param onChange  told of each
 * @param onAgain  told whenever it listens again: what changed meanwhile was not heard
 */
export function listen(onChange: (change: DocumentChange) => void, onAgain: () => void): void {
  let source: EventSource | null = null;
  const open = (): void => {
    source?.close();
    source = null;
    if (document.hidden) return;
    const opened = new EventSource('/api/events');
    source = opened;
    opened.addEventListener('open', onAgain);
    opened.addEventListener('message', ({ data }) => onChange(JSON.parse(data as string) as DocumentChange));
    opened.addEventListener('error', () => {
      // It tries again by itself where the line has gone, and gives up where it was answered otherwise.
      if (opened.readyState === EventSource.CLOSED) setTimeout(() => opened === source && open(), patience);
    });
  };
  document.addEventListener('visibilitychange', open);
  open();
}
