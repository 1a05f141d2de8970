import { readFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { resolve } from 'node:path';
import { hostsOf, isLocalIPv6, isLoopback, listeningAt } from './addresses.ts';

const cert = readFileSync(resolve('apps/server/src/test/loopback.cert.pem'));
const tls = { cert };

test.each(['127.0.0.1', '127.8.9.10', '::1', 'localhost'])('%s is this computer alone', (host) => {
  expect(isLoopback(host)).toBe(true);
});

test.each(['0.0.0.0', '::', '10.0.0.1', '128.0.0.1', 'localhost.evil.example', '::ffff:10.0.0.1', 'bench', ''])(
  '%s lets others in',
  (host) => {
    expect(isLoopback(host)).toBe(false);
  },
);

test('on the loopback nothing but its names is answered to', () => {
  const at = listeningAt({ host: '127.0.0.1', tls: null, names: [] }, 8470);
  expect(at.addresses).toEqual(['http://127.0.0.1:8470']);
  expect(hostsOf(at, '127.0.0.1').sort()).toEqual(['127.0.0.1:8470', '127.0.0.1:8470', '[::1]:8470', 'localhost:8470']);
});

test('to others it answers by the address that they came to, and by the name of this computer', () => {
  const at = listeningAt({ host: '0.0.0.0', tls: null, names: [] }, 8470);
  const hosts = hostsOf(at, '::ffff:192.0.2.7');
  expect(hosts).toEqual(
    expect.arrayContaining([
      '192.0.2.7:8470',
      `${hostname().toLowerCase()}:8470`,
      `${hostname().toLowerCase()}.local:8470`,
    ]),
  );
  expect(hosts).not.toContain('192.0.2.8:8470');
  expect(hostsOf(at, 'fd00::2')).toContain('[fd00::2]:8470');
  const outside = Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter((one) => !one.internal && one.family === 'IPv4');
  expect(at.addresses).toEqual(outside.map(({ address }) => `http://${address}:8470`));
});

test('a name that it was told to listen on is one that it answers to', () => {
  expect(hostsOf(listeningAt({ host: 'Bench.lan', tls: null, names: [] }, 8470), '10.0.0.1')).toContain(
    'bench.lan:8470',
  );
});

test('a port that is the usual one may be left out', () => {
  expect(hostsOf(listeningAt({ host: '10.0.0.1', tls: null, names: [] }, 80), '10.0.0.1')).toEqual(
    expect.arrayContaining(['10.0.0.1', '10.0.0.1:80']),
  );
  expect(listeningAt({ host: '10.0.0.1', tls: null, names: [] }, 80).addresses).toEqual(['http://10.0.0.1']);
  expect(hostsOf(listeningAt({ host: '10.0.0.1', tls, names: [] }, 443), '10.0.0.1')).toContain('bench.example');
  expect(hostsOf(listeningAt({ host: '10.0.0.1', tls: null, names: [] }, 443), '10.0.0.1')).not.toContain('10.0.0.1');
});

test('with a certificate the names on it come first; one for any name is no address', () => {
  const { scheme, names, addresses } = listeningAt({ host: '10.0.0.1', tls, names: [] }, 8443);
  expect(scheme).toBe('https');
  expect(addresses).toEqual(['https://localhost:8443', 'https://bench.example:8443', 'https://10.0.0.1:8443']);
  expect(names).toContain('bench.example');
  expect(names.some((name) => name.includes('*'))).toBe(false);
});

test.each([
  ['fe80::1', true],
  ['fe80::1%eth0', true],
  ['fd12:3456::7', true],
  ['::1', true],
  ['2001:db8::1', false],
  ['::ffff:192.168.1.7', false],
  ['192.168.1.7', false],
  ['', false],
])('%s is an IPv6 address of a network of this computer: %s', (address, is) => expect(isLocalIPv6(address)).toBe(is));
