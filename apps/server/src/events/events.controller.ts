import { BadRequestException, Controller, Inject, Query, Res, Sse, type MessageEvent } from '@nestjs/common';
import { ApiQuery, ApiTags } from '@nestjs/swagger';
import { documentKinds, mostFollowed, type DocumentChange, type Followed } from '@usual-drag/contract';
import {
  concat,
  defer,
  EMPTY,
  from,
  interval,
  map,
  merge,
  mergeMap,
  of,
  takeUntil,
  takeWhile,
  type Observable,
} from 'rxjs';
import type { Response } from 'express';
import { Changes } from '../documents/changes.ts';
import { Repositories } from '../documents/repositories.ts';
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
    @Inject(Repositories) private readonly repositories: Repositories,
    @Inject(ACCESS) private readonly access: Access,
    @Inject(Shutdown) private readonly shutdown: Shutdown,
  ) {}

  /**
   * Announces changes as server-sent events: of the documents (`jobs/ID`) and lists (`jobs`) in `follow`; of all if `follow` is
   * omitted; of none if it is empty. The first events are the present revisions of the followed documents; `ending` is the last one.
   */
  @Sse()
  @ApiQuery({ name: 'follow', required: false, isArray: true, type: String })
  events(
    @Query('follow') follow: string | string[] | undefined,
    @Res({ passthrough: true }) response: Response,
  ): Observable<MessageEvent> {
    const followed = follow === undefined ? null : subjects([follow].flat().filter((name) => name !== ''));
    const session = sessionOf(response);
    const changes = merge(this.changes.of(followed), this.#present(followed ?? [])).pipe(
      map((data): MessageEvent => ({ data })),
    );
    const { peers } = this.repositories.database;
    const alive = interval(heartbeat).pipe(map((): MessageEvent => ({ type: 'alive', data: '' })));
    // After an interruption between the servers, pages reconnect and compare revisions.
    const ending = merge(this.shutdown.begun, peers.interrupted).pipe(
      map((): MessageEvent => ({ type: 'ending', data: '', retry: 1000 })),
    );
    // At once, so that the page receives a first event.
    return concat(of<MessageEvent>({ type: 'alive', data: '' }), merge(changes, alive, ending)).pipe(
      takeWhile(({ type }) => type !== 'ending', true),
      takeUntil(session === null ? EMPTY : this.access.sessions!.endOf(session)),
    );
  }

  /** Returns the revisions of the followed documents, so that a page notices what it has missed. */
  #present(followed: readonly Followed[]): Observable<DocumentChange> {
    return from(followed.flatMap((subject) => documentOf(subject) ?? [])).pipe(
      mergeMap(({ kind, id }) =>
        defer(async () => {
          const revision = await this.repositories.of(kind).revisionOf(id);
          return revision === undefined ? [] : [{ kind, id, revision }];
        }).pipe(mergeMap((changes) => changes)),
      ),
    );
  }
}

/** @throws a refusal (400) of a name that is neither a list nor a document, and of too many */
function subjects(names: readonly string[]): Followed[] {
  const wrong = names.find((name) => !documentKinds.some((kind) => name === kind) && !documentOf(name));
  if (wrong !== undefined)
    throw new BadRequestException(
      `“${wrong.slice(0, 100)}” cannot be followed. Name a list (${documentKinds.join(', ')}) or a document, such as jobs/ID.`,
    );
  if (names.length > mostFollowed)
    throw new BadRequestException(`${names.length} subjects are more than the ${mostFollowed} that can be followed.`);
  return names as Followed[];
}

/** Returns the document of a subject; undefined for a list. */
function documentOf(subject: string) {
  const kind = documentKinds.find((one) => subject.startsWith(`${one}/`));
  const id = kind && subject.slice(kind.length + 1);
  return kind && id ? { kind, id } : undefined;
}
