import type { NextFunction, Request, Response } from 'express';
import type { ServerLog } from './server-log.ts';

/** ms from which an answer is logged as slow. */
const slow = 1000;

/** Logs each change, each refused request and each slow answer, with the request id of the answer. */
export const logRequests =
  (log: ServerLog) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const begun = performance.now();
    response.once('finish', () => {
      const ms = Math.round(performance.now() - begun);
      const reads = request.method === 'GET' || request.method === 'HEAD';
      if (reads && response.statusCode < 400 && (ms < slow || isStream(response))) return;
      log.record(`answered ${response.statusCode} in ${ms} ms`);
    });
    next();
  };

const isStream = (response: Response): boolean => String(response.getHeader('Content-Type')).includes('event-stream');
