import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { request } from 'node:http';
import { get, request as httpsRequest } from 'node:https';
import { networkInterfaces } from 'node:os';
import { resolve } from 'node:path';
import { newFolder, serverFile, startServer, type RunningServer } from '../test/running-server.ts';

const passphrase = 'brass lamp, wet rope';
const env = { USUAL_DRAG_PASSPHRASE: passphrase };

/** Enters the passphrase, by form or as JSON. */
const signIn = (server: RunningServer, tried = passphrase, next = '/'): Promise<Response> =>
  fetch(`${server.address}/sign-in`, {
    method: 'POST',
    redirect: 'manual',
    headers: { 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ passphrase: tried, next }).toString(),
  });
const cookieOf = (response: Response): string => response.headers.get('set-cookie')!.split(';')[0]!;
const paths = [
  '/',
  '/bench/x/readings',
  '/mark.svg',
  '/api/jobs',
  '/api/metrics',
  '/api/about',
  '/api/docs',
  '/api/events',
  '/api/backup',
  '/api/devices',
];

let server: RunningServer;
afterEach(() => server.stop());

test('without the passphrase nothing is served but the page that asks for it', async () => {
  server = await startServer(newFolder(), { demo: true, env });
  for (const path of [...paths, '/sign-in', '/assets/x.js', '/manifest.webmanifest', '/sw.js']) {
    const answer = await fetch(server.address + path, { redirect: 'manual' });
    const text = await answer.text();
    if (path.startsWith('/api'))
      expect([path, answer.status, text.slice(0, 41)]).toEqual([
        path,
        401,
        '{"error":{"status":401,"message":"Sign in',
      ]);
    else expect([path, text.includes('Passphrase of this workshop')]).toEqual([path, true]);
    // Neither a script nor anything else of the application.
    expect(text).not.toMatch(/<script|<link|Float-level/);
    expect(answer.headers.get('set-cookie')).toBeNull();
  }
  for (const [method, path] of [
    ['POST', '/jobs'],
    ['PUT', '/jobs/x'],
    ['DELETE', '/jobs/x'],
    ['POST', '/devices/sign-out-everywhere'],
  ] as const)
    expect((await server.ask(method, path, {})).status).toBe(401);
});

test('with it a device gets a cookie that scripts cannot read and other sites do not send', async () => {
  server = await startServer(newFolder(), { env });
  const answer = await signIn(server, ` ${passphrase} `, '/kit?a=1');
  expect([answer.status, answer.headers.get('location')]).toEqual([303, '/kit?a=1']);
  const attributes = answer.headers.get('set-cookie')!.split('; ').slice(1);
  expect(attributes).toEqual(expect.arrayContaining(['HttpOnly', 'SameSite=Strict', 'Path=/']));
  expect(attributes).not.toContain('Secure');
  const cookie = cookieOf(answer);
  expect((await server.ask('GET', '/jobs', undefined, { cookie })).status).toBe(200);
  expect(await (await fetch(server.address, { headers: { cookie } })).text()).toContain('id="root"');
  // A signed-in device is not asked again.
  expect((await fetch(`${server.address}/sign-in`, { headers: { cookie }, redirect: 'manual' })).status).toBe(303);
});

test('afterwards nobody is led to another site', async () => {
  server = await startServer(newFolder(), { env });
  for (const next of ['//evil.example', 'https://evil.example', '/\\evil.example', 'javascript:alert(1)', '/sign-in'])
    expect((await signIn(server, passphrase, next)).headers.get('location')).toBe('/');
});

test('a cookie that was changed, made up or cut off is none', async () => {
  server = await startServer(newFolder(), { env });
  const cookie = cookieOf(await signIn(server));
  const [name, value] = cookie.split('=') as [string, string];
  const forged = [value.slice(0, -1), value.replace(/^./, 'z'), value.split('.')[0]!, `s%3A${value}`, '', 'x.y'];
  for (const one of forged)
    expect([one, (await server.ask('GET', '/jobs', undefined, { cookie: `${name}=${one}` })).status]).toEqual([
      one,
      401,
    ]);
});

test('devices stay signed in over a restart, until the passphrase is another', async () => {
  const folder = newFolder();
  server = await startServer(folder, { env });
  const cookie = cookieOf(await signIn(server));
  await server.stop();
  server = await startServer(folder, { env });
  expect((await server.ask('GET', '/jobs', undefined, { cookie })).status).toBe(200);
  await server.stop();
  server = await startServer(folder, { env: { USUAL_DRAG_PASSPHRASE: 'another one of four' } });
  expect((await server.ask('GET', '/jobs', undefined, { cookie })).status).toBe(401);
});

test('signed out everywhere, every device is asked again, and what listens hears no more', async () => {
  server = await startServer(newFolder(), { env });
  const [bench, phone] = [cookieOf(await signIn(server)), cookieOf(await signIn(server))];
  const events = await fetch(`${server.address}/api/events`, { headers: { cookie: phone } });
  expect(events.status).toBe(200);
  expect((await server.ask('POST', '/devices/sign-out-everywhere', undefined, { cookie: bench })).status).toBe(204);
  for (const cookie of [bench, phone])
    expect((await server.ask('GET', '/jobs', undefined, { cookie })).status).toBe(401);
  // Ends, instead of going on for ever.
  expect(await events.text()).toContain('event: alive');
  expect((await signIn(server)).status).toBe(303);
});

test('who tries too often waits, however right the next try is', async () => {
  server = await startServer(newFolder(), { env });
  for (let k = 0; k < 5; k += 1) {
    const wrong = await signIn(server, `wrong ${k}`);
    expect(wrong.status).toBe(401);
    expect(await wrong.text()).toContain('Wrong passphrase');
  }
  const waits = await signIn(server);
  expect([waits.status, waits.headers.get('set-cookie')]).toEqual([429, null]);
  expect(await waits.text()).toContain('Wait a minute');
});

test('the right passphrase counts as no try', async () => {
  server = await startServer(newFolder(), { env });
  for (let k = 0; k < 8; k += 1) expect((await signIn(server)).status).toBe(303);
});

test('as JSON it is answered in JSON', async () => {
  server = await startServer(newFolder(), { env });
  const say = (body: unknown) =>
    fetch(`${server.address}/sign-in`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  expect((await say({ passphrase })).status).toBe(204);
  for (const body of [{ passphrase: 'x' }, { passphrase: ['x'] }, {}]) {
    const refused = await say(body);
    expect([refused.status, ((await refused.json()) as { error: { status: number } }).error.status]).toEqual([
      401, 401,
    ]);
  }
});

test('whatever is sent to it, it answers in words, and goes on', async () => {
  server = await startServer(newFolder(), { env });
  const send = (type: string, body: string) =>
    fetch(`${server.address}/sign-in`, { method: 'POST', redirect: 'manual', headers: { 'content-type': type }, body });
  const [json, form] = ['application/json', 'application/x-www-form-urlencoded'];
  for (const [type, body] of [
    [json, '{'],
    [json, 'null'],
    [form, `passphrase=${'x'.repeat(9000)}`],
    [form, 'passphrase[]=x&passphrase[]=y'],
  ] as const) {
    const answer = await send(type, body);
    expect([body.slice(0, 20), answer.status >= 400 && answer.status < 500]).toEqual([body.slice(0, 20), true]);
    expect(await answer.text()).not.toMatch(/\n\s+at /);
  }
  expect((await fetch(`${server.address}/sign-in?next=${encodeURIComponent('"><script>')}`)).status).toBe(200);
  const page = await (
    await fetch(`${server.address}/sign-in?next=${encodeURIComponent('/x"><script>alert(1)</script>')}`)
  ).text();
  expect(page).not.toContain('<script>');
  expect(server.output()).not.toMatch(/\n\s+at /);
});

test('a page of another site cannot sign anybody in, nor a name that was made to lead here', async () => {
  server = await startServer(newFolder(), { env });
  const from = (headers: Record<string, string>) =>
    fetch(`${server.address}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: { 'content-type': 'application/x-www-form-urlencoded', ...headers },
      body: `passphrase=${encodeURIComponent(passphrase)}`,
    });
  expect((await from({ origin: 'http://evil.example' })).status).toBe(403);
  expect((await from({ origin: server.address })).status).toBe(303);
  // A form is taken for the passphrase alone.
  const { status } = await fetch(`${server.address}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', cookie: cookieOf(await signIn(server)) },
    body: 'a=1',
  });
  expect(status).toBe(415);
});

test('without a passphrase other addresses are not listened to, and nothing is asked', async () => {
  server = await startServer(newFolder());
  expect((await server.ask('GET', '/devices')).json).toEqual({ isOpen: false, isPrivate: true, addresses: [] });
  await expect(startServer(newFolder(), { env: { HOST: '0.0.0.0' } })).rejects.toThrow('needs a passphrase');
  expect((await fetch(server.address)).status).toBe(200);
});

const outside = Object.values(networkInterfaces())
  .flatMap((of) => of ?? [])
  .find((one) => !one.internal && one.family === 'IPv4');

test('for others it prints an address with its QR code, and answers there', async () => {
  server = await startServer(newFolder(), { env: { ...env, HOST: '0.0.0.0' } });
  const address = `http://${outside?.address ?? '127.0.0.1'}:${new URL(server.address).port}`;
  const answer = await fetch(`${address}/api/jobs`);
  expect(answer.status).toBe(401);
  const cookie = cookieOf(await signIn({ ...server, address }));
  const devices = (await (await fetch(`${address}/api/devices`, { headers: { cookie } })).json()) as {
    isOpen: boolean;
    isPrivate: boolean;
    addresses: { address: string; code: string }[];
  };
  expect([devices.isOpen, devices.isPrivate]).toEqual([true, false]);
  if (outside) {
    expect(devices.addresses.map((one) => one.address)).toContain(address);
    expect(devices.addresses[0]!.code).toMatch(/^<svg /);
    expect(server.output()).toContain(`On the workshop's network: ${address}`);
    expect(server.output()).toContain('▄▄▄▄▄▄▄');
    expect(server.output()).toContain('This connection is not encrypted');
  }
});

test('with a certificate the line is private, and the cookie goes over no other', async () => {
  const file = (name: string): string => resolve('apps/server/src/test', name);
  const tls = { TLS_CERT: file('loopback.cert.pem'), TLS_KEY: file('loopback.key.pem') };
  server = await startServer(newFolder(), { env: { ...env, ...tls } });
  expect(server.address).toMatch(/^https:\/\/127\.0\.0\.1:/);
  const ca = readFileSync(tls.TLS_CERT);
  const page = await new Promise<string>((done, failed) => {
    get(`${server.address}/`, { ca }, (answer) => {
      let text = '';
      answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
      answer.on('end', () => done(text));
    }).on('error', failed);
  });
  expect(page).toContain('Passphrase of this workshop');
  expect(page).not.toContain('not encrypted');
  const cookie = await new Promise<string>((done, failed) => {
    const headers = { 'content-type': 'application/json', origin: server.address };
    const sent = httpsRequest(`${server.address}/sign-in`, { method: 'POST', ca, headers }, (answer) => {
      answer.resume();
      done(answer.headers['set-cookie']![0]!);
    });
    sent.on('error', failed);
    sent.end(JSON.stringify({ passphrase }));
  });
  expect(cookie).toContain('; Secure');
});

test('a host that is not this computer’s is said in a sentence', async () => {
  server = await startServer(newFolder());
  const said = await new Promise<string>((done) =>
    execFile(
      process.execPath,
      [serverFile()],
      { env: { ...process.env, ...env, HOST: '203.0.113.9', PORT: '0', USUAL_DRAG_DATA: newFolder() } },
      (_error, _out, errors) => done(errors),
    ),
  );
  expect(said).toContain('HOST=203.0.113.9 is no address of this computer');
});

/** Signs in from an address of the loopback, with a cookie if one is given. */
function signInFrom(localAddress: string, tried: string, cookie = ''): Promise<{ status: number; cookies: string[] }> {
  const { hostname, port } = new URL(server.address);
  return new Promise((done, failed) => {
    const sent = request(
      {
        hostname,
        port,
        localAddress,
        method: 'POST',
        path: '/sign-in',
        headers: { 'content-type': 'application/json', ...(cookie && { cookie }) },
      },
      (answer) => {
        answer.resume();
        done({ status: answer.statusCode!, cookies: answer.headers['set-cookie'] ?? [] });
      },
    );
    sent.on('error', failed);
    sent.end(JSON.stringify({ passphrase: tried }));
  });
}

test('however often one address tries, others get in; a device that was in before gets in whatever strangers do', async () => {
  server = await startServer(newFolder(), { env });
  const known = await signInFrom('127.0.0.1', passphrase);
  const mark = known.cookies.map((one) => one.split(';')[0]!).find((one) => one.startsWith('usual-drag-device'))!;
  const tries = await Promise.all(Array.from({ length: 70 }, () => signInFrom('127.0.0.2', 'wrong')));
  expect(tries.filter(({ status }) => status === 401)).toHaveLength(5);
  expect((await signInFrom('127.0.0.3', passphrase)).status).toBe(204);
  // Strangers at many addresses use up what all may try together.
  for (let k = 10; k < 22; k += 1)
    await Promise.all(Array.from({ length: 5 }, () => signInFrom(`127.0.0.${k}`, 'wrong')));
  expect((await signInFrom('127.0.0.30', passphrase)).status).toBe(429);
  expect((await signInFrom('127.0.0.2', passphrase, mark)).status).toBe(204);
  // A mark that was made up is none.
  expect((await signInFrom('127.0.0.2', passphrase, `${mark}x`)).status).toBe(429);
  expect(server.output()).toMatch(
    /warning \S+ POST \/sign-in Too many wrong tries of the passphrase from 127\.0\.0\.2/,
  );
});

test('a device that signs out is out, over a restart too, and hears no more; others stay', async () => {
  const folder = newFolder();
  server = await startServer(folder, { env });
  const [bench, phone] = [cookieOf(await signIn(server)), cookieOf(await signIn(server))];
  const events = await fetch(`${server.address}/api/events`, { headers: { cookie: phone } });
  const out = await fetch(`${server.address}/sign-out`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: phone },
  });
  expect([out.status, out.headers.get('clear-site-data')]).toEqual([204, '"cache"']);
  expect(await events.text()).toContain('event: alive');
  const statuses = () =>
    Promise.all([bench, phone].map(async (cookie) => (await server.ask('GET', '/jobs', undefined, { cookie })).status));
  expect(await statuses()).toEqual([200, 401]);
  await server.stop();
  server = await startServer(folder, { env });
  expect(await statuses()).toEqual([200, 401]);
});

test('a form that is too long is answered with the form', async () => {
  server = await startServer(newFolder(), { env });
  const answer = await signIn(server, 'x'.repeat(5000));
  expect([answer.status, answer.headers.get('content-type')]).toEqual([413, expect.stringContaining('text/html')]);
  expect(await answer.text()).toContain('too long for a passphrase');
});

test('a passphrase that can be guessed is refused at the start', async () => {
  server = await startServer(newFolder());
  await expect(startServer(newFolder(), { env: { USUAL_DRAG_PASSPHRASE: 'a' } })).rejects.toThrow('at least 12');
});
