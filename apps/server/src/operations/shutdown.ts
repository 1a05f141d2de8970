import { type BeforeApplicationShutdown, Inject, Injectable } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import type { Server } from 'node:http';
import { Subject, type Observable } from 'rxjs';

/** ms after which requests in flight are cut off. */
const timeoutMs = 10_000;

/** Shuts the server down in order: announces the end to open pages, and finishes the requests in flight. */
@Injectable()
export class Shutdown implements BeforeApplicationShutdown {
  readonly #begun = new Subject<void>();

  constructor(@Inject(HttpAdapterHost) private readonly host: HttpAdapterHost) {}

  /** Emits once, when the shutdown begins. */
  get begun(): Observable<void> {
    return this.#begun;
  }

  beforeApplicationShutdown(): void {
    const server = this.host.httpAdapter.getHttpServer() as Server;
    this.#begun.next();
    // Otherwise the server would wait for connections that are kept open for further requests.
    server.prependListener('request', (_request, response) => response.setHeader('Connection', 'close'));
    setInterval(() => server.closeIdleConnections(), 100).unref();
    setTimeout(() => server.closeAllConnections(), timeoutMs).unref();
  }
}
