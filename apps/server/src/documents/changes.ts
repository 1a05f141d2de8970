import { Inject, Injectable } from '@nestjs/common';
import type { DocumentChange, Followed } from '@usual-drag/contract';
import { Observable } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { largestMessage } from '../database/peers.ts';

type Listener = (change: DocumentChange) => void;

/** Announces changed documents to the listeners that follow them, on all servers of the database. */
@Injectable()
export class Changes {
  /** Listeners by the subject that they follow; null for those that follow all subjects. */
  readonly #listeners = new Map<Followed | null, Set<Listener>>();

  constructor(@Inject(DATABASE) private readonly database: Database) {
    this.ofPeers.subscribe((change) => this.#send(change));
  }

  /** Changes that other servers announced. */
  get ofPeers(): Observable<DocumentChange> {
    return this.database.peers.received('changes') as Observable<DocumentChange>;
  }

  /** Returns the changes of some documents and lists, or of all if `followed` is null. */
  of(followed: readonly Followed[] | null): Observable<DocumentChange> {
    return new Observable((subscriber) => {
      const listener: Listener = (change) => subscriber.next(change);
      for (const subject of followed ?? [null]) this.#add(subject, listener);
      return () => {
        for (const subject of followed ?? [null]) this.#remove(subject, listener);
      };
    });
  }

  /** Sends a change to each listener once; listeners of the list alone receive it without its readings. */
  announce(change: DocumentChange): void {
    const { kind, id, revision } = change;
    const isSmall = Buffer.byteLength(JSON.stringify(change)) <= largestMessage;
    this.database.peers.send('changes', isSmall ? change : { kind, id, revision });
    this.#send(change);
  }

  #send(change: DocumentChange): void {
    const { kind, id, revision } = change;
    const reached = new Set<Listener>();
    const send = (subject: Followed | null, message: DocumentChange): void => {
      for (const listener of this.#listeners.get(subject) ?? []) {
        if (reached.has(listener)) continue;
        reached.add(listener);
        listener(message);
      }
    };
    if (id !== null) send(`${kind}/${id}`, change);
    send(null, change);
    send(kind, { kind, id, revision });
  }

  #add(subject: Followed | null, listener: Listener): void {
    const listeners = this.#listeners.get(subject);
    if (listeners) listeners.add(listener);
    else this.#listeners.set(subject, new Set([listener]));
  }

  #remove(subject: Followed | null, listener: Listener): void {
    const listeners = this.#listeners.get(subject);
    listeners?.delete(listener);
    if (listeners?.size === 0) this.#listeners.delete(subject);
  }
}
