import type { NextFunction, Request, Response } from 'express';

/** Keeps proxies from storing answers of the API: they belong to a session. A route may say more. */
export function cacheHeaders(request: Request, response: Response, next: NextFunction): void {
  if (/^\/api(\/|$)/.test(request.path)) response.setHeader('Cache-Control', 'private, no-cache');
  next();
}
