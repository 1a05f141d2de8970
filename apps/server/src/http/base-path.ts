import type { NextFunction, Request, RequestHandler, Response } from 'express';

/**
 * Removes the path of the application from the addresses of requests, so that it does not matter whether a proxy has removed it.
 *
 * @param path  with a slash at both ends
 */
export function withoutBasePath(path: string): RequestHandler {
  return (request: Request, response: Response, next: NextFunction): void => {
    if (path === '/') return next();
    if (request.path === path.slice(0, -1)) return response.redirect(308, path);
    if (request.url.startsWith(path)) request.url = request.url.slice(path.length - 1);
    next();
  };
}
