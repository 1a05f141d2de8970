import type { NextFunction, Request, Response } from 'express';
import { hostsOf, type Listening } from '../network/addresses.ts';
import { signInPath } from '../sign-in/sign-in-page.ts';

/**
 * Turns away what no page of ours can have sent: a foreign host name (another name that was made to lead here), a foreign origin
 * (another site's page), and changes that do not say they are JSON (forms of other sites cannot).
 *
 * @param listening  where the server listens, asked for at each request
 */
export function allowOwnRequestsOnly(listening: () => Listening) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const turnAway = (status: number, message: string): void =>
      void response.status(status).json({ error: { status, message } });
    const at = listening();
    const hosts = hostsOf(at, request.socket.localAddress);
    const host = (request.headers.host ?? '').toLowerCase();
    if (!hosts.includes(host))
      return turnAway(403, `Usual Drag does not answer to the name “${host}”. Open ${at.addresses[0] ?? ''} instead.`);
    const { origin } = request.headers;
    if (origin !== undefined && !hosts.some((own) => origin.toLowerCase() === `${at.scheme}://${own}`))
      return turnAway(403, `Requests from pages of ${origin} are not answered.`);
    if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return next();
    if (request.headers['sec-fetch-site'] === 'cross-site')
      return turnAway(403, 'Requests from pages of other sites are not answered.');
    const type = (request.headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase();
    // The one form that is sent as such: it must work where no script of ours has been let through yet.
    const isSignIn = request.path === signInPath && type === 'application/x-www-form-urlencoded';
    if (type !== 'application/json' && type !== 'application/zip' && !isSignIn)
      return turnAway(415, 'A change must be sent with the content type application/json.');
    next();
  };
}
