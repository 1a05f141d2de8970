import { readFileSync } from 'node:fs';
import { request } from 'node:https';
import { resolve } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { IncomingHttpHeaders, IncomingMessage } from 'node:http';
import type { DevicesAnswer, StoredDocument } from '@usual-drag/contract';
import { newJob, type Job } from '@usual-drag/core/job';
import { freePort } from '../test/free-port.ts';
import { hasNginx, startNginx, type Proxy } from '../test/nginx.ts';
import { newFolder, startServer, type RunningServer } from '../test/running-server.ts';

const passphrase = 'brass lamp, wet rope';
const ca = readFileSync(resolve('apps/server/src/test/loopback.cert.pem'));
const form = { 'content-type': 'application/x-www-form-urlencoded' };

let server: RunningServer;
let proxy: Proxy;
/** Address of the proxy's host. */
let origin: string;

interface Answer {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
  readonly body: Buffer;
}

/** Begins a request through the proxy. @param path  from the host on */
const open = (
  method: string,
  path: string,
  headers: Readonly<Record<string, string>> = {},
  body = '',
): Promise<IncomingMessage> =>
  new Promise((done, failed) => {
    const sent = request(`${origin}${path}`, { method, headers, ca, agent: false, servername: 'localhost' }, done);
    sent.on('error', failed);
    sent.end(body);
  });

async function ask(...of: Parameters<typeof open>): Promise<Answer> {
  const answer = await open(...of);
  const parts: Buffer[] = [];
  for await (const part of answer) parts.push(part as Buffer);
  return { status: answer.statusCode!, headers: answer.headers, body: Buffer.concat(parts) };
}

const signIn = (headers: Readonly<Record<string, string>> = {}): Promise<Answer> =>
  ask(
    'POST',
    '/drag/sign-in',
    { ...form, ...headers },
    new URLSearchParams({ passphrase, next: '/drag/bench/x/network' }).toString(),
  );

const cookie = async (): Promise<{ readonly cookie: string }> => ({
  cookie: (await signIn()).headers['set-cookie']!.map((one) => one.split(';')[0]).join('; '),
});

// Debian's nginx; without it there is no proxy to test with.
const suite = hasNginx() ? describe : describe.skip;
suite('behind nginx with the sample configuration', () => {
  beforeAll(async () => {
    const port = await freePort();
    origin = `https://localhost:${port}`;
    server = await startServer(newFolder(), {
      env: { USUAL_DRAG_URL: `${origin}/drag`, USUAL_DRAG_PASSPHRASE: passphrase },
    });
    proxy = await startNginx(port, [Number(new URL(server.address).port)], true);
  });
  afterAll(async () => {
    await proxy.stop();
    await server.stop();
  });

  test('a device signs in, and its cookies belong to the path of the application', async () => {
    const bare = await ask('GET', '/drag');
    expect([bare.status, bare.headers.location]).toEqual([308, `${origin}/drag/`]);
    const asked = await ask('GET', '/drag/bench/x/network?a=1');
    expect(asked.status).toBe(401);
    expect(asked.headers['cache-control']).toBe('no-store');
    expect(asked.body.toString()).toContain('action="/drag/sign-in"');
    expect(asked.body.toString()).toContain('value="/drag/bench/x/network?a=1"');
    // The connection of the browser is encrypted.
    expect(asked.body.toString()).not.toContain('not encrypted');

    const { status, headers } = await signIn();
    expect([status, headers.location]).toEqual([303, '/drag/bench/x/network']);
    expect(headers['set-cookie']).toHaveLength(2);
    for (const one of headers['set-cookie']!)
      expect(one).toMatch(/; Path=\/drag\/; HttpOnly; Secure; SameSite=Strict$/);
  });

  test.each(['//evil.example/', '/elsewhere', '/drag//evil.example', '/drag/sign-in', 'https://evil.example/'])(
    'after signing in, %s is not opened',
    async (next) => {
      const body = new URLSearchParams({ passphrase, next }).toString();
      expect((await ask('POST', '/drag/sign-in', form, body)).headers.location).toBe('/drag/');
    },
  );

  test('the page and its files have the path in their addresses, and headers that are right for a proxy', async () => {
    const session = await cookie();
    const page = await ask('GET', '/drag/bench/x/network', session);
    expect([page.status, page.headers['cache-control']]).toEqual([200, 'private, no-cache']);
    const html = page.body.toString();
    expect(html).toContain('<meta name="base-path" content="/drag/" />');
    const addresses = [...html.matchAll(/(?:src|href)="([^"]+)"/g)].map(([, address]) => address!);
    expect(addresses.length).toBeGreaterThan(5);
    for (const address of addresses) {
      expect(address).toMatch(/^\/drag\//);
      expect([address, (await ask('GET', address, session)).status]).toEqual([address, 200]);
    }
    const script = addresses.find((address) => address.endsWith('.js'))!;
    const file = await ask('GET', script, { ...session, 'accept-encoding': 'gzip' });
    expect(file.headers).toMatchObject({
      'cache-control': 'public, max-age=31536000, immutable',
      'content-encoding': 'gzip',
      vary: expect.stringContaining('Accept-Encoding') as string,
    });
    expect(gunzipSync(file.body).length).toBeGreaterThan(file.body.length);
    const again = await ask('GET', '/drag/', { ...session, 'if-none-match': page.headers.etag! });
    expect(again.status).toBe(304);
  });

  test('answers of the API are stored by no proxy; the QR code has the external address', async () => {
    const { headers, body } = await ask('GET', '/drag/api/devices', await cookie());
    expect(headers['cache-control']).toBe('private, no-cache');
    const { addresses, isPrivate } = JSON.parse(body.toString()) as DevicesAnswer;
    expect(isPrivate).toBe(true);
    expect(addresses.map(({ address }) => address)).toEqual([`${origin}/drag/`]);
    expect(server.output()).toContain(`On the workshop's network: ${origin}/drag/`);
    expect(server.output()).not.toContain('not encrypted');
  });

  test('on the computer of the server, the application is below the same path', async () => {
    const signedIn = await fetch(`${server.address}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: form,
      body: new URLSearchParams({ passphrase }).toString(),
    });
    const headers = { cookie: signedIn.headers.get('set-cookie')!.split(';')[0]! };
    const outside = await fetch(`${server.address}/kit`, { headers, redirect: 'manual' });
    expect([outside.status, outside.headers.get('location')]).toEqual([302, '/drag/kit']);
    expect((await fetch(`${server.address}/drag/kit`, { headers })).status).toBe(200);
  });

  test('announcements arrive at once', async () => {
    const session = await cookie();
    const stream = await open('GET', '/drag/api/events?follow=jobs', session);
    const received = new Promise<string>((done) => {
      let text = '';
      stream.on('data', (part: Buffer) => {
        text += part.toString();
        if (text.includes('"kind":"jobs"')) done(text);
      });
    });
    const json = { ...session, 'content-type': 'application/json' };
    const made = await ask('POST', '/drag/api/jobs', json, JSON.stringify({ document: newJob('Through the proxy') }));
    expect(made.status).toBe(201);
    const { id } = JSON.parse(made.body.toString()) as StoredDocument<Job>;
    expect(await received).toContain(id);
    stream.destroy();
  });

  test('other hosts and pages of other sites are refused', async () => {
    const session = await cookie();
    const json = { ...session, 'content-type': 'application/json' };
    const post = (headers: Readonly<Record<string, string>>): Promise<Answer> =>
      ask('POST', '/drag/api/jobs', { ...json, ...headers }, JSON.stringify({ document: newJob('x') }));
    expect((await post({ host: 'evil.example' })).status).toBe(403);
    expect((await post({ origin: 'https://evil.example' })).status).toBe(403);
    expect((await post({ origin: origin.replace('https', 'http') })).status).toBe(403);
    expect((await post({ origin })).status).toBe(201);
  });
});

test.each([
  ['of a trusted proxy', {}, 'from 203.0.113.9.'],
  ['of any other sender is ignored', { USUAL_DRAG_PROXIES: '10.0.0.0/8, 192.168.1.2' }, 'from 127.0.0.1.'],
])('the address of the client %s', async (_, env, words) => {
  const own = await startServer(newFolder(), {
    env: { USUAL_DRAG_URL: 'https://plant.example/drag/', USUAL_DRAG_PASSPHRASE: passphrase, ...env },
  });
  const tryOnce = (): Promise<Response> =>
    fetch(`${own.address}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: { ...form, 'x-forwarded-for': '203.0.113.9' },
      body: 'passphrase=wrong',
    });
  let status = 0;
  for (let k = 0; k < 30 && status !== 429; k += 1) ({ status } = await tryOnce());
  expect(status).toBe(429);
  expect(own.output()).toContain(`Too many wrong tries of the passphrase ${words}`);
  await own.stop();
});
