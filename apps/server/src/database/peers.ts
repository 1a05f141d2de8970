import { EMPTY, NEVER, type Observable } from 'rxjs';

/** Subjects of the messages between servers. */
export type PeerTopic = 'changes' | 'sessions';

/** Bytes that a message may have as JSON; the database forwards at most 8000 with what is added to it. */
export const largestMessage = 7000;

/** Other servers on the same database. Messages may be lost while a connection is interrupted. */
export interface Peers {
  /** Sends a message to the other servers. */
  send(topic: PeerTopic, message: unknown): void;
  /** Messages of the other servers about a subject. */
  received(topic: PeerTopic): Observable<unknown>;
  /** Emits when messages may have been lost. */
  readonly interrupted: Observable<void>;
}

/** For a database that one server alone uses. */
export const noPeers: Peers = {
  send: () => undefined,
  received: () => EMPTY,
  interrupted: NEVER,
};
