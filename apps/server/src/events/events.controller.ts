import { Controller, Inject, Res, Sse, type MessageEvent } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { concat, EMPTY, interval, map, merge, of, takeUntil, takeWhile, type Observable } from 'rxjs';
import type { Response } from 'express';
import { Changes } from '../documents/changes.ts';
import { ACCESS, type Access } from '../sign-in/access.ts';
import { Shutdown } from '../operations/shutdown.ts';
import { sessionOf } from '../sign-in/require-session.ts';

/** ms between two signs of life, so that a line that has gone is noticed on both sides. */
const heartbeat = 20_000;

@ApiTags('events')
@Controller('events')
export class EventsController {
  constructor(
    @Inject(Changes) private readonly changes: Changes,
    @Inject(ACCESS) private readonly access: Access,
    @Inject(Shutdown) private readonly shutdown: Shutdown,
  ) {}

  /** Changes as server-sent events: `{kind, id, revision}` of each document, as soon as it is saved; `ending` is the last. */
  @Sse()
  events(@Res({ passthrough: true }) response: Response): Observable<MessageEvent> {
    const session = sessionOf(response);
    const changes = this.changes.all.pipe(map((data): MessageEvent => ({ data })));
    const alive = interval(heartbeat).pipe(map((): MessageEvent => ({ type: 'alive', data: '' })));
    const ending = this.shutdown.begun.pipe(map((): MessageEvent => ({ type: 'ending', data: '', retry: 1000 })));
    // At once, so that the page receives a first event.
    return concat(of<MessageEvent>({ type: 'alive', data: '' }), merge(changes, alive, ending)).pipe(
      takeWhile(({ type }) => type !== 'ending', true),
      takeUntil(session === null ? EMPTY : this.access.sessions!.endOf(session)),
    );
  }
}
