import { type BeforeApplicationShutdown, Inject, Injectable } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import type { Server } from 'node:http';
import { Subject, type Observable } from 'rxjs';

/** ms that answers in flight have to be finished. */
const patience = 10_000;

/** The end of the server in good order: pages are told, answers in flight are finished, then nothing more is taken. */
@Injectable()
export class Ending implements BeforeApplicationShutdown {
  readonly #begun = new Subject<void>();

  constructor(@Inject(HttpAdapterHost) private readonly host: HttpAdapterHost) {}

  /** Emits once, when the end begins. */
  get begun(): Observable<void> {
    return this.#begun;
  }

  beforeApplicationShutdown(): void {
    const server = this.host.httpAdapter.getHttpServer() as Server;
    this.#begun.next();
    // Connections that are kept for a next request would be waited for.
    server.prependListener('request', (_request, response) => response.setHeader('Connection', 'close'));
    setInterval(() => server.closeIdleConnections(), 100).unref();
    setTimeout(() => server.closeAllConnections(), patience).unref();
  }
}
