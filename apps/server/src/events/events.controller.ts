import { Controller, Inject, Sse, type MessageEvent } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { concat, EMPTY, interval, map, merge, of, takeUntil, type Observable } from 'rxjs';
import { Changes } from '../documents/changes.ts';
import { ACCESS, type Access } from '../sign-in/access.ts';

/** ms between two signs of life, so that a line that has gone is noticed on both sides. */
const heartbeat = 20_000;

@ApiTags('events')
@Controller('events')
export class EventsController {
  constructor(
    @Inject(Changes) private readonly changes: Changes,
    @Inject(ACCESS) private readonly access: Access,
  ) {}

  /** What changes, as server-sent events: `{kind, id, revision}` of each document, as soon as it is saved. */
  @Sse()
  events(): Observable<MessageEvent> {
    const changes = this.changes.all.pipe(map((data): MessageEvent => ({ data })));
    const alive = interval(heartbeat).pipe(map((): MessageEvent => ({ type: 'alive', data: '' })));
    // At once, so that the page knows that it listens.
    return concat(of<MessageEvent>({ type: 'alive', data: '' }), merge(changes, alive)).pipe(
      takeUntil(this.access.sessions?.ended ?? EMPTY),
    );
  }
}
