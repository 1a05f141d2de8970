import { AsyncLocalStorage } from 'node:async_hooks';
import { randomBytes } from 'node:crypto';
import type { NextFunction, Request, Response } from 'express';

/** The request that is being answered, as far as a line of the log names it. */
interface RequestContext {
  readonly id: string;
  readonly request: Request;
}

const context = new AsyncLocalStorage<RequestContext>();

/** Gives every request an id, which is in its answer's header `X-Request-Id` and in every line of the log about it. */
export function identifyRequests(request: Request, response: Response, next: NextFunction): void {
  const id = randomBytes(6).toString('base64url');
  response.setHeader('X-Request-Id', id);
  context.run({ id, request }, next);
}

/** Id, method and route of the present request, without what it carries: `PUT /api/jobs/:id`; empty outside of one. */
export function requestWords(): string {
  const present = context.getStore();
  if (!present) return '';
  const { id, request } = present;
  const route = (request.route as { path?: unknown } | undefined)?.path;
  const path = typeof route === 'string' ? route : request.path.slice(0, 100);
  return `${id} ${request.method} ${path}`;
}
