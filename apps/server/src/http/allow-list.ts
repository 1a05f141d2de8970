import type { NextFunction, Request, Response } from 'express';
import { hostsOf, schemeOf, type Listening } from '../network/addresses.ts';
import { signInPath } from '../sign-in/sign-in-page.ts';
import { contentTypeOf } from './body-parsers.ts';

/**
 * Refuses requests that no page of this server can have sent: a foreign host name (another name that was made to resolve to this
 * computer), a foreign origin (a page of another site), data asked for by a page of another site, and a body of a type that its
 * route does not take (forms of other sites cannot send JSON). The type is refused before the body is read.
 *
 * @param listening  where the server listens, asked for at each request
 */
export function allowOwnRequestsOnly(listening: () => Listening) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const refuse = (status: number, message: string): void =>
      void response.status(status).json({ error: { status, message } });
    const at = listening();
    const hosts = hostsOf(at, request.socket.localAddress);
    const host = (request.headers.host ?? '').toLowerCase();
    if (!hosts.includes(host))
      return refuse(403, `Usual Drag does not answer to the name “${host}”. Open ${at.addresses[0] ?? ''} instead.`);
    const { origin } = request.headers;
    if (origin !== undefined && !hosts.some((own) => origin.toLowerCase() === `${schemeOf(at, own)}://${own}`))
      return refuse(403, `Requests from pages of ${origin} are not answered.`);
    const reads = request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS';
    // A link from another site may open a page; only the data is for this server's own pages.
    const isForPage = reads && !/^\/api(\/|$)/i.test(request.path);
    if (!isForPage && request.headers['sec-fetch-site'] === 'cross-site')
      return refuse(403, 'Requests from pages of other sites are not answered.');
    if (reads) return next();
    const type = contentTypeOf(request);
    const expected = bodyTypes[request.path] ?? ['application/json'];
    if (!expected.includes(type))
      return refuse(415, `A change at this address must be sent with the content type ${expected.join(' or ')}.`);
    next();
  };
}

/** The addresses that take another type than JSON. The sign-in form must work before any script is served. */
const bodyTypes: Readonly<Record<string, readonly string[]>> = {
  [signInPath]: ['application/json', 'application/x-www-form-urlencoded'],
  '/api/jobs/import-archive': ['application/zip'],
  '/api/backup/check': ['application/vnd.sqlite3'],
};
