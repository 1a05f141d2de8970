import { Logger } from '@nestjs/common';
import { parseCookie, stringifySetCookie } from 'cookie';
import express, { Router, type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { schemeOf, type Listening } from '../network/addresses.ts';
import { signInPage, signInPath } from './sign-in-page.ts';
import { sessionAge, type Sessions } from './sessions.ts';
import { throttleTries } from './throttle.ts';

const sessionCookie = 'usual-drag-session';
const deviceCookie = 'usual-drag-device';

/** The id of the session that a request belongs to, once `requireSession` has let it through; null if none is needed. */
export const sessionOf = (response: Response): string | null =>
  (response.locals as { session?: string }).session ?? null;

/**
 * Lets nothing through but the page that asks for the passphrase until a device has given it; then gives that device a cookie that
 * is signed, that scripts cannot read and that no other site can send. Too many wrong tries have to wait.
 */
export function requireSession(sessions: Sessions, listening: () => Listening): Router {
  const basePath = (): string => listening().external?.path ?? '/';
  const ask = (response: Response, status: number, next: string, message: string | null): void =>
    void response
      .status(status)
      .setHeader('Cache-Control', 'no-store')
      .type('html')
      .send(signInPage({ next, message, isPrivate: listening().isPrivate, basePath: basePath() }));
  /** In JSON to a script, as the page with the form to a person. */
  const answer = (request: Request, response: Response, status: number, message: string): void =>
    request.is('json') ? refuse(response, status, message) : ask(response, status, nextOf(request), message);
  const nextOf = (request: Request): string => nextIn(basePath(), request);
  const sessionIdOf = (request: Request): string | null => sessions.idOf(cookiesOf(request)[sessionCookie]);
  const setCookie = (response: Response, name: string, value: string, maxAge: number): void => {
    const { host = '' } = response.req.headers;
    response.append(
      'Set-Cookie',
      stringifySetCookie({
        name,
        value,
        maxAge,
        path: basePath(),
        httpOnly: true,
        sameSite: 'strict',
        secure: schemeOf(listening(), host.toLowerCase()) === 'https',
      }),
    );
  };
  const deviceOf = (request: Request): string | null => sessions.deviceOf(cookiesOf(request)[deviceCookie]);
  const logger = new Logger('Sign-in');

  const router = Router();
  router.get(signInPath, (request, response) =>
    sessionIdOf(request) === null ? ask(response, 200, nextOf(request), null) : response.redirect(303, nextOf(request)),
  );
  router.post(
    signInPath,
    throttleTries({
      deviceOf,
      refuse: (request, response) => {
        logger.warn(`Too many wrong tries of the passphrase from ${request.ip ?? 'an unknown address'}.`);
        answer(request, response, 429, 'That was tried too often. Wait a minute, then try again.');
      },
    }),
    express.urlencoded({ extended: false, limit: 4096 }),
    express.json({ limit: 4096 }),
    async (request: Request, response: Response) => {
      const { passphrase } = bodyOf(request);
      const isRight = typeof passphrase === 'string' && (await sessions.isPassphrase(passphrase.trim()));
      if (!isRight) return answer(request, response, 401, 'Wrong passphrase. Ask the person who started the server.');
      setCookie(response, sessionCookie, sessions.issue(), sessionAge / 1000);
      if (deviceOf(request) === null) setCookie(response, deviceCookie, sessions.markDevice(), sessionAge / 1000);
      return request.is('json') ? void response.status(204).end() : response.redirect(303, nextOf(request));
    },
    (error: { status?: number }, request: Request, response: Response, _next: NextFunction) =>
      answer(
        request,
        response,
        error.status ?? 400,
        error.status === 413 ? 'That is too long for a passphrase.' : 'That could not be read. Try again.',
      ),
  );
  router.post('/sign-out', async (request, response) => {
    const id = sessionIdOf(request);
    if (id !== null) await sessions.end(id);
    setCookie(response, sessionCookie, '', 0);
    // What the browser stored of answers goes; drafts, which nobody else can read, stay in its storage.
    response.setHeader('Clear-Site-Data', '"cache"').status(204).end();
  });
  router.get('/api/metrics', withPassphrase(sessions, logger));
  router.use((request: Request, response: Response, next: NextFunction) => {
    if (response.locals.isCollector) return next();
    const id = sessionIdOf(request);
    if (id !== null) {
      response.locals.session = id;
      return next();
    }
    // Containers and monitors check the server without a session; the answer has no details.
    if (request.method === 'GET' && request.path === '/api/health') {
      response.locals.isMonitor = true;
      return next();
    }
    const forPage = (request.method === 'GET' || request.method === 'HEAD') && !request.path.startsWith('/api');
    if (forPage) return ask(response, 401, basePath() + request.url.slice(1), null);
    return refuse(response, 401, 'Sign in first: this device has not entered the passphrase, or was signed out.');
  });
  return router;
}

/**
 * Admits a monitor that sends the passphrase as `Authorization: Bearer …`. Requests without that header pass on to the check of
 * the session.
 */
function withPassphrase(sessions: Sessions, logger: Logger): RequestHandler[] {
  const given = (request: Request): string | undefined =>
    /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1]?.trim();
  const throttle = throttleTries({
    deviceOf: () => null,
    refuse: (_request, response) => refuse(response, 429, 'Too many wrong tries. Wait a minute, then try again.'),
  }).map(
    (limit): RequestHandler =>
      (request, response, next) =>
        given(request) === undefined ? next() : limit(request, response, next),
  );
  return [
    ...throttle,
    async (request, response, next) => {
      const passphrase = given(request);
      if (passphrase === undefined) return next();
      if (!(await sessions.isPassphrase(passphrase))) {
        logger.warn(`A wrong passphrase was sent for the metrics from ${request.ip ?? 'an unknown address'}.`);
        return refuse(response, 401, 'Wrong passphrase.');
      }
      response.locals.isCollector = true;
      next();
    },
  ];
}

const cookiesOf = (request: Request): Readonly<Record<string, string | undefined>> =>
  parseCookie(request.headers.cookie ?? '');

const refuse = (response: Response, status: number, message: string): void =>
  void response.status(status).json({ error: { status, message } });

const bodyOf = (request: Request): Readonly<Record<string, unknown>> =>
  (request.body as Readonly<Record<string, unknown>> | undefined) ?? {};

/** Returns the page to open after signing in, from the form or the address: always a page of the application. */
function nextIn(basePath: string, request: Request): string {
  const next = bodyOf(request).next ?? request.query.next;
  if (typeof next !== 'string' || !next.startsWith(basePath)) return basePath;
  const page = next.slice(basePath.length - 1);
  return /^\/(?![/\\])[^\r\n]*$/.test(page) && !page.startsWith('/sign-') ? next : basePath;
}
