import { parseCookie, stringifySetCookie } from 'cookie';
import express, { Router, type NextFunction, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Listening } from '../network/addresses.ts';
import { signInPage, signInPath } from './sign-in-page.ts';
import { sessionAge, type Sessions } from './sessions.ts';

const cookieName = 'usual-drag-session';
const minute = 60_000;
/** Tries a minute that are not the passphrase: of one address, and of all together. */
const tries = { address: 5, all: 60 } as const;

/**
 * Lets nothing through but the page that asks for the passphrase until a device has said it; then gives that device a cookie,
 * signed, not to be read by scripts and sent by no other site. Who tries too often waits.
 */
export function requireSession(
  sessions: Sessions,
  { isPrivate, scheme }: Pick<Listening, 'isPrivate' | 'scheme'>,
): Router {
  const ask = (response: Response, status: number, next: string, message: string | null): void =>
    void response
      .status(status)
      .setHeader('Cache-Control', 'no-store')
      .type('html')
      .send(signInPage({ next, message, isPrivate }));
  const isSignedIn = (request: Request): boolean =>
    sessions.accepts(parseCookie(request.headers.cookie ?? '')[cookieName]);
  const setCookie = (response: Response, value: string, maxAge: number): void =>
    void response.setHeader(
      'Set-Cookie',
      stringifySetCookie({
        name: cookieName,
        value,
        maxAge,
        path: '/',
        httpOnly: true,
        sameSite: 'strict',
        secure: scheme === 'https',
      }),
    );
  const throttle = (limit: number, keyed: boolean) =>
    rateLimit({
      windowMs: minute,
      limit,
      skipSuccessfulRequests: true,
      legacyHeaders: false,
      validate: false,
      ...(keyed ? {} : { keyGenerator: () => 'all' }),
      handler: (request, response) => {
        const wait = 'That was tried too often. Wait a minute, then try again.';
        if (request.is('json')) refuse(response, 429, wait);
        else ask(response, 429, nextOf(request), wait);
      },
    });

  const router = Router();
  router.get(signInPath, (request, response) =>
    isSignedIn(request) ? response.redirect(303, nextOf(request)) : ask(response, 200, nextOf(request), null),
  );
  router.post(
    signInPath,
    throttle(tries.all, false),
    throttle(tries.address, true),
    express.urlencoded({ extended: false, limit: 4096 }),
    express.json({ limit: 4096 }),
    async (request, response) => {
      const { passphrase } = bodyOf(request);
      const isRight = typeof passphrase === 'string' && (await sessions.isPassphrase(passphrase.trim()));
      const wrong = 'That is not the passphrase of this workshop.';
      if (isRight) setCookie(response, sessions.issue(), sessionAge / 1000);
      if (request.is('json')) return isRight ? void response.status(204).end() : refuse(response, 401, wrong);
      return isRight ? response.redirect(303, nextOf(request)) : ask(response, 401, nextOf(request), wrong);
    },
  );
  router.post('/sign-out', (_request, response) => {
    setCookie(response, '', 0);
    response.status(204).end();
  });
  router.use((request: Request, response: Response, next: NextFunction) => {
    if (isSignedIn(request)) return next();
    const forPage = (request.method === 'GET' || request.method === 'HEAD') && !request.path.startsWith('/api');
    if (forPage) return ask(response, 401, request.originalUrl, null);
    return refuse(response, 401, 'Sign in first: this device has not said the passphrase, or was signed out.');
  });
  return router;
}

const refuse = (response: Response, status: number, message: string): void =>
  void response.status(status).json({ error: { status, message } });

const bodyOf = (request: Request): Readonly<Record<string, unknown>> =>
  (request.body as Readonly<Record<string, unknown>> | undefined) ?? {};

/** Where to go after signing in, from the form or the address: a page of this server, never another's. */
function nextOf(request: Request): string {
  const next = bodyOf(request).next ?? request.query.next;
  return typeof next === 'string' && /^\/(?![/\\])[^\r\n]*$/.test(next) && !next.startsWith('/sign-') ? next : '/';
}
