import { Injectable } from '@nestjs/common';
import type { DocumentChange, Followed } from '@usual-drag/contract';
import { Observable } from 'rxjs';

type Listener = (change: DocumentChange) => void;

/** Announces changed documents to those who follow them. */
@Injectable()
export class Changes {
  /** Listeners by what they follow; under null those who follow everything. */
  readonly #listeners = new Map<Followed | null, Set<Listener>>();

  /** Every change of some documents and lists, or of all where `followed` is null. */
  of(followed: readonly Followed[] | null): Observable<DocumentChange> {
    return new Observable((subscriber) => {
      const listener: Listener = (change) => subscriber.next(change);
      for (const subject of followed ?? [null]) this.#add(subject, listener);
      return () => {
        for (const subject of followed ?? [null]) this.#remove(subject, listener);
      };
    });
  }

  /** Tells each listener once; one who follows the list alone learns what has changed, but not how. */
  announce(change: DocumentChange): void {
    const { kind, id, revision } = change;
    const told = new Set<Listener>();
    const tell = (subject: Followed | null, message: DocumentChange): void => {
      for (const listener of this.#listeners.get(subject) ?? []) {
        if (told.has(listener)) continue;
        told.add(listener);
        listener(message);
      }
    };
    if (id !== null) tell(`${kind}/${id}`, change);
    tell(null, change);
    tell(kind, { kind, id, revision });
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
