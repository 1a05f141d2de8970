import { Inject, Injectable } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { keptCopies } from '../database/dialects/sqlite/copies.ts';
import { DATABASE, DATA_FOLDER, type Database } from '../database/database.ts';
import { freeSpace } from './free-space.ts';

const registry = new Registry();

const requests = new Histogram({
  name: 'usual_drag_request_seconds',
  help: 'Time of answers by method, route and status',
  labelNames: ['method', 'route', 'status'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 5],
  registers: [registry],
});

const openRequests = new Gauge({
  name: 'usual_drag_open_requests',
  help: 'Requests that are being answered, event streams included',
  registers: [registry],
});

/** Measures requests to the API by route; ids and contents are not part of the metrics. */
export function measureRequests(request: Request, response: Response, next: NextFunction): void {
  if (!request.path.startsWith('/api/')) return next();
  const end = requests.startTimer();
  openRequests.inc();
  response.once('close', () => {
    openRequests.dec();
    const route = (request.route as { path?: unknown } | undefined)?.path;
    // A stream of events lasts as long as its page is open.
    if (route !== '/api/events')
      end({
        method: request.method,
        route: typeof route === 'string' ? route : 'none',
        status: response.statusCode,
      });
  });
  next();
}

/** Metrics of this server in the common text format. */
@Injectable()
export class Metrics {
  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DATA_FOLDER) private readonly folder: string,
  ) {
    collectDefaultMetrics({ register: registry });
    const gauge = (name: string, help: string, value: () => number | null | Promise<number | null>): Gauge =>
      new Gauge({
        name,
        help,
        registers: [registry],
        async collect() {
          const now = await value();
          if (now === null) this.reset();
          else this.set(now);
        },
      });
    gauge('usual_drag_database_bytes', 'Size of the database', () => this.database.bytes());
    gauge('usual_drag_disk_free_bytes', 'Free bytes on the disk of the data', () => freeSpace(this.folder));
    gauge('usual_drag_last_copy_age_seconds', 'Age of the newest copy among the data', () => {
      const [newest] = keptCopies(this.folder);
      return newest ? (Date.now() - Date.parse(newest.at)) / 1000 : null;
    });
  }

  readonly contentType = registry.contentType;

  text(): Promise<string> {
    return registry.metrics();
  }
}
