import { X509Certificate } from 'node:crypto';
import { BlockList, isIP } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';

/** Address of the server behind a proxy, as browsers have it. */
export interface ExternalAddress {
  readonly scheme: 'http' | 'https';
  /** Host with its port, unless that is the usual one. */
  readonly host: string;
  /** Path of the application, with a slash at both ends. */
  readonly path: string;
}

/** Requested address to listen on, and the certificate. */
interface Asked {
  readonly host: string;
  /** Null without a proxy. */
  readonly external?: ExternalAddress | null;
  readonly tls: { readonly cert: Buffer } | null;
  /** Further names by which other devices reach the server, such as a container's host; each may have a port. */
  readonly names: readonly string[];
}

/** Address at which the server answers, as far as a request or a page requires it. */
export interface Listening {
  readonly scheme: 'http' | 'https';
  readonly port: number;
  /** Null without a proxy. */
  readonly external: ExternalAddress | null;
  /** Whether nobody else on a network can read what is sent. */
  readonly isPrivate: boolean;
  /** Names that lead here and are known in advance; the address that a request came in on is another one. */
  readonly names: readonly string[];
  /** Address on this computer. */
  readonly local: string;
  /** Addresses of the server for other devices, the best first; looked up each time, because a network may assign another one. */
  readonly addresses: readonly string[];
}

/** The names that this computer alone answers to. */
const loopback = ['127.0.0.1', 'localhost', '[::1]'];

const loopbackAddresses = new BlockList();
loopbackAddresses.addSubnet('127.0.0.0', 8);
loopbackAddresses.addAddress('::1', 'ipv6');

/** Returns whether nothing but this computer can reach a server that listens there. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || (isIP(host) > 0 && loopbackAddresses.check(host, isIP(host) === 6 ? 'ipv6' : 'ipv4'));

const localIPv6 = new BlockList();
localIPv6.addSubnet('fe80::', 10, 'ipv6');
localIPv6.addSubnet('fc00::', 7, 'ipv6');

/** Returns whether an address is of IPv6 and on a network of this computer: link-local, unique local, or under an interface's prefix. */
export function isLocalIPv6(address: string): boolean {
  const bare = address.replace(/%.*$/, '');
  if (isIP(bare) !== 6 || bare.startsWith('::ffff:')) return false;
  if (localIPv6.check(bare, 'ipv6')) return true;
  const own = new BlockList();
  for (const { family, cidr } of Object.values(networkInterfaces()).flatMap((of) => of ?? []))
    if (family === 'IPv6' && cidr !== null) own.addSubnet(cidr.split('/')[0]!, Number(cidr.split('/')[1]), 'ipv6');
  return own.check(bare, 'ipv6');
}

/** Returns the names of a server that listens on `port`, from the settings that it was started with. */
export function listeningAt({ host, tls, names, external = null }: Asked, port: number): Listening {
  const scheme = tls ? 'https' : 'http';
  const certified = tls ? certifiedNames(tls.cert) : [];
  const own = hostname().toLowerCase();
  const isAny = host === '0.0.0.0' || host === '::';
  const others = isLoopback(host) ? [] : [own, `${own}.local`, ...(isAny ? [] : [inAddress(host)])];
  const direct = (): string[] => {
    const reached = isLoopback(host) ? [host] : [...certified.filter((name) => !isIP(name)), ...reachedAt(host)];
    return [...names, ...reached.map(inAddress)].map((name) => `${scheme}://${withPort(name, scheme, port)}`);
  };
  return {
    scheme,
    port,
    external,
    isPrivate: external ? external.scheme === 'https' : tls !== null || isLoopback(host),
    names: [...loopback, ...others, ...names.map((name) => name.toLowerCase()), ...certified.map(inAddress)],
    get local() {
      return isAny ? `${scheme}://127.0.0.1:${port}` : direct()[0]!;
    },
    get addresses() {
      return external ? [externalUrl(external)] : direct();
    },
  };
}

/** Returns an external address as it is typed. */
const externalUrl = ({ scheme, host, path }: ExternalAddress): string =>
  `${scheme}://${host}${path === '/' ? '' : path}`;

/** Returns the scheme by which browsers reach the server under a host. */
export const schemeOf = ({ external, scheme }: Listening, host: string): 'http' | 'https' =>
  external?.host === host ? external.scheme : scheme;

/** The hosts that a request may name which came in on `localAddress`. */
export function hostsOf({ names, scheme, port, external }: Listening, localAddress: string | undefined): string[] {
  const reached = localAddress ? [inAddress(localAddress.replace(/^::ffff:/, ''))] : [];
  const known = [...names, ...reached];
  const bare = port === usualPort[scheme] ? known : [];
  return [
    ...known.map((name) => (hasPort(name) ? name : `${name}:${port}`)),
    ...bare,
    ...(external ? [external.host] : []),
  ];
}

const usualPort = { http: 80, https: 443 } as const;

const withPort = (name: string, scheme: 'http' | 'https', port: number): string =>
  port === usualPort[scheme] || hasPort(name) ? name : `${name}:${port}`;

const hasPort = (name: string): boolean => /[^:\]]:\d+$|\]:\d+$/.test(name);

/** An IPv6 address is written in brackets. */
export const inAddress = (name: string): string => (isIP(name) === 6 ? `[${name}]` : name.toLowerCase());

/** The addresses of this computer that a server which listens on `host` is reached at, the old kind first. */
function reachedAt(host: string): string[] {
  if (host !== '0.0.0.0' && host !== '::') return [host];
  const outside = Object.values(networkInterfaces())
    .flatMap((of) => of ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80'));
  const family = (version: 'IPv4' | 'IPv6'): string[] =>
    outside.filter((one) => one.family === version).map(({ address }) => address);
  return [...family('IPv4'), ...(host === '::' ? family('IPv6') : [])];
}

/** The names that a certificate is made out to; one for any name below another is none that could be typed. */
function certifiedNames(cert: string | Buffer): string[] {
  const names = new X509Certificate(cert).subjectAltName ?? '';
  return [...names.matchAll(/(?:DNS|IP Address):([^,\s]+)/g)]
    .map(([, name]) => name!)
    .filter((name) => !name.includes('*'));
}
