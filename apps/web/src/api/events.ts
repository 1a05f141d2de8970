import type { DocumentChange, Followed } from '@usual-drag/contract';

/** Milliseconds until the next request after a refusal, as while nobody is signed in. */
const retryDelayMs = 5000;
/** ms without a sign of life, of which the server gives one every twenty seconds, after which the line counts as gone. */
const silence = 45_000;

/** Told of what the server announces. */
export interface EventListener {
  onChange(change: DocumentChange): void;
  /** The line is open; changes of `begun`, which were not followed before, may have been missed. */
  onOpen(begun: readonly Followed[]): void;
  /** The server refuses, as it does while nobody is signed in. */
  onTurnedAway(): void;
}

/**
 * Listens to the changes of some documents and lists as long as the page can be seen: a browser keeps but few lines to one server
 * open.
 *
 * @returns a function that says what to follow from now on; nothing is missed between the former line and the new one
 */
export function listen(listener: EventListener): (followed: readonly Followed[]) => void {
  let followed: readonly Followed[] = [];
  /** The line that changes come by, and the one that is being opened to take its place. */
  let [present, next]: (Line | null)[] = [null, null];
  const open = (): void => {
    next?.close();
    next = null;
    if (!document.hidden) next = openLine(followed, events);
    else {
      present?.close();
      present = null;
    }
  };
  const events: LineEvents = {
    onOpen: (line) => {
      const before = line === present ? [] : (present?.followed ?? []);
      if (line !== present) present?.close();
      [present, next] = [line, null];
      listener.onOpen(line.followed.filter((subject) => !before.includes(subject)));
    },
    onChange: (change) => listener.onChange(change),
    onBroken: (line) => {
      // What it has missed until it is open again is followed anew then.
      if (line === present) present = null;
      if (next === null) next = line;
      else if (next !== line) line.close();
    },
    onSilent: (line) => {
      if (line === present) present = null;
      line.close();
      if (next === null || next === line) open();
    },
    onTurnedAway: (line) => {
      listener.onTurnedAway();
      setTimeout(() => next === line && open(), retryDelayMs);
    },
  };
  document.addEventListener('visibilitychange', open);
  open();
  return (subjects) => {
    if (subjects.length === followed.length && subjects.every((subject) => followed.includes(subject))) return;
    followed = subjects;
    open();
  };
}

/** Connection on which the server announces changes. */
interface Line {
  readonly followed: readonly Followed[];
  close(): void;
}

interface LineEvents {
  onOpen(line: Line): void;
  onChange(change: DocumentChange): void;
  /** It has gone, and the browser tries again by itself. */
  onBroken(line: Line): void;
  onSilent(line: Line): void;
  onTurnedAway(line: Line): void;
}

function openLine(followed: readonly Followed[], events: LineEvents): Line {
  // An empty one follows nothing: the line then says that the server is there.
  const query = new URLSearchParams((followed.length > 0 ? followed : ['']).map((subject) => ['follow', subject]));
  const source = new EventSource(`/api/events?${query.toString()}`);
  let silent: ReturnType<typeof setTimeout> | undefined;
  const line: Line = {
    followed,
    close: () => {
      clearTimeout(silent);
      source.close();
    },
  };
  const heard = (): void => {
    clearTimeout(silent);
    silent = setTimeout(() => events.onSilent(line), silence);
  };
  heard();
  source.addEventListener('open', () => events.onOpen(line));
  source.addEventListener('alive', heard);
  source.addEventListener('message', ({ data }) => {
    heard();
    events.onChange(JSON.parse(data as string) as DocumentChange);
  });
  source.addEventListener('error', () => {
    events.onBroken(line);
    // It gives up where it was answered otherwise.
    if (source.readyState === EventSource.CLOSED) events.onTurnedAway(line);
  });
  return line;
}
