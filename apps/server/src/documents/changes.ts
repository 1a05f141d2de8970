import { Injectable } from '@nestjs/common';
import type { DocumentChange } from '@usual-drag/contract';
import { Subject, type Observable } from 'rxjs';

/** Announces changed documents to subscribers. */
@Injectable()
export class Changes {
  readonly #changes = new Subject<DocumentChange>();

  get all(): Observable<DocumentChange> {
    return this.#changes;
  }

  announce(change: DocumentChange): void {
    this.#changes.next(change);
  }
}
