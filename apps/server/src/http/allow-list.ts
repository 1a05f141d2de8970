import type { NextFunction, Request, Response } from 'express';

/** The names that this computer alone answers to. */
const loopback = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Turns away what no page of ours can have sent: a foreign host name (another name that was made to lead here), a foreign origin
 * (another site's page), and changes that do not say they are JSON (forms of other sites cannot).
 *
 * @param port  where the server listens, asked for at each request
 */
export function allowOwnRequestsOnly(port: () => number) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const turnAway = (status: number, message: string): void =>
      void response.status(status).json({ error: { status, message } });
    const hosts = loopback.map((name) => `${name}:${port()}`);
    const host = (request.headers.host ?? '').toLowerCase();
    if (!hosts.includes(host) && !(port() === 80 && loopback.includes(host)))
      return turnAway(
        403,
        `Usual Drag does not answer to the name “${host}”. Open http://127.0.0.1:${port()} instead.`,
      );
    const { origin } = request.headers;
    if (origin !== undefined && !hosts.some((own) => origin.toLowerCase() === `http://${own}`))
      return turnAway(403, `Requests from pages of ${origin} are not answered.`);
    if (request.method === 'GET' || request.method === 'HEAD' || request.method === 'OPTIONS') return next();
    if (request.headers['sec-fetch-site'] === 'cross-site')
      return turnAway(403, 'Requests from pages of other sites are not answered.');
    const type = (request.headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase();
    if (type !== 'application/json' && type !== 'application/zip')
      return turnAway(415, 'A change must be sent with the content type application/json.');
    next();
  };
}
