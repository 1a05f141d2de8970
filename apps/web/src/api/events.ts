import type { DocumentChange, Followed } from '@usual-drag/contract';
import { serverAddress } from './base-path.ts';

/** ms until the next attempt after a refusal, for example while nobody is signed in. */
const retryDelayMs = 5000;
/** ms without a message after which the connection counts as lost; the server sends one at least every 20 s. */
const longestSilenceMs = 45_000;

/** Receives the announcements of the server. */
export interface AnnouncementListener {
  onChange(change: DocumentChange): void;
  /** The connection is open. Earlier changes of the subjects in `added`, which were not followed before, may be missing. */
  onOpen(added: readonly Followed[]): void;
  /** The server refused the connection. */
  onRefused(): void;
}

/**
 * Follows documents and lists while the page is visible; browsers limit the number of connections to one server.
 *
 * @returns a function that sets the followed subjects; the first call connects. The former connection remains until the next one is open, so that no
 *   change is missed.
 */
export function listen(listener: AnnouncementListener): (followed: readonly Followed[]) => void {
  let followed: readonly Followed[] | null = null;
  /** The open connection, and the one that is to replace it. */
  let [present, next]: (Connection | null)[] = [null, null];
  const open = (): void => {
    next?.close();
    next = null;
    if (!document.hidden && followed) next = connect(followed, events);
    else {
      present?.close();
      present = null;
    }
  };
  const events: ConnectionEvents = {
    onOpen: (connection) => {
      const before = present?.followed ?? [];
      present?.close();
      [present, next] = [connection, null];
      listener.onOpen(connection.followed.filter((subject) => !before.includes(subject)));
    },
    onChange: (change) => listener.onChange(change),
    onLost: (connection) => {
      // The browser reconnects by itself; the reconnected one is a new connection, which follows all its subjects anew.
      if (connection === present) present = null;
      if (next === null) next = connection;
      else if (next !== connection) connection.close();
    },
    onSilent: (connection) => {
      if (connection === present) present = null;
      connection.close();
      if (next === null || next === connection) open();
    },
    onRefused: (connection) => {
      listener.onRefused();
      setTimeout(() => next === connection && open(), retryDelayMs);
    },
  };
  document.addEventListener('visibilitychange', open);
  return (subjects) => {
    if (followed && sameSubjects(subjects, followed)) return;
    followed = subjects;
    open();
  };
}

const sameSubjects = (some: readonly Followed[], others: readonly Followed[]): boolean =>
  some.length === others.length && some.every((subject) => others.includes(subject));

/** Connection on which the server announces changes. */
interface Connection {
  readonly followed: readonly Followed[];
  close(): void;
}

interface ConnectionEvents {
  onOpen(connection: Connection): void;
  onChange(change: DocumentChange): void;
  /** Lost; the browser tries to reconnect unless the server refused. */
  onLost(connection: Connection): void;
  onSilent(connection: Connection): void;
  onRefused(connection: Connection): void;
}

function connect(followed: readonly Followed[], events: ConnectionEvents): Connection {
  // Without subjects the parameter is empty: the connection then only reports whether the server can be reached.
  const query = new URLSearchParams((followed.length > 0 ? followed : ['']).map((subject) => ['follow', subject]));
  const source = new EventSource(serverAddress(`api/events?${query.toString()}`));
  let silence: ReturnType<typeof setTimeout> | undefined;
  const connection: Connection = {
    followed,
    close: () => {
      clearTimeout(silence);
      source.close();
    },
  };
  const restartSilence = (): void => {
    clearTimeout(silence);
    silence = setTimeout(() => events.onSilent(connection), longestSilenceMs);
  };
  restartSilence();
  source.addEventListener('open', () => events.onOpen(connection));
  source.addEventListener('alive', restartSilence);
  source.addEventListener('message', ({ data }) => {
    restartSilence();
    events.onChange(JSON.parse(data as string) as DocumentChange);
  });
  source.addEventListener('error', () => {
    events.onLost(connection);
    if (source.readyState === EventSource.CLOSED) events.onRefused(connection);
  });
  return connection;
}
