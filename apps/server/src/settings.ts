import { createPrivateKey, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { resolve } from 'node:path';
import { createSecureContext } from 'node:tls';
import { StartFailure } from './database/start-failure.ts';
import type { CopySchedule } from './operations/copy-schedule.ts';
import { isLoopback, type ExternalAddress } from './network/addresses.ts';

/** Address and data folder of the server, from the environment, with defaults for a bench computer. */
export interface Settings {
  /** Address of this computer to listen on; one of the loopback keeps all others out. */
  readonly host: string;
  /** 0 for any that is free. */
  readonly port: number;
  /** Further names by which other devices reach this server, such as a container's host; each may have a port. */
  readonly names: readonly string[];
  /** Address at which browsers reach a proxy of this server; null without one. */
  readonly external: ExternalAddress | null;
  /** Addresses of the proxies that report the address of the client. */
  readonly proxies: readonly string[];
  /** Passphrase that a device must enter once; null if only this computer can connect. */
  readonly passphrase: string | null;
  /** Certificate and key, as their files contain them; null for plain HTTP. */
  readonly tls: { readonly cert: Buffer; readonly key: Buffer } | null;
  /** Folder of the log and, unless the database is a server, of the database. */
  readonly dataFolder: string;
  /** Address of a PostgreSQL database; null for a file in the data folder. */
  readonly databaseUrl: string | null;
  /** Folder and interval of the copies on schedule; null if none are made. */
  readonly copies: CopySchedule | null;
  /** Start with the sample jobs where the database is new. */
  readonly demo: boolean;
  /** Put the demo's former database aside first. */
  readonly fresh: boolean;
}

/** Characters that a passphrase must have. */
const shortestPassphrase = 12;

/** @throws StartFailure that names the variable where one makes no sense */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const host = env.HOST?.trim() ?? '';
  const passphrase = secretOf(env, 'USUAL_DRAG_PASSPHRASE', 'passphrase');
  if (host !== '' && !isLoopback(host) && passphrase === '')
    throw new StartFailure(
      `HOST=${host} lets other devices connect, which needs a passphrase. Set USUAL_DRAG_PASSPHRASE to four words or more, or USUAL_DRAG_PASSPHRASE_FILE to a file with them. Without HOST only this computer can connect.`,
    );
  const external = externalOf(env);
  if (external && passphrase === '')
    throw new StartFailure(
      'USUAL_DRAG_URL lets other devices connect through a proxy, which needs a passphrase. Set USUAL_DRAG_PASSPHRASE to four words or more, or USUAL_DRAG_PASSPHRASE_FILE to a file with them.',
    );
  if (passphrase !== '' && passphrase.length < shortestPassphrase)
    throw new StartFailure(
      `The passphrase has ${passphrase.length} characters and can be guessed. Use at least ${shortestPassphrase}: four words or more.`,
    );
  const demo = env.USUAL_DRAG_DEMO === '1';
  const fresh = demo && env.USUAL_DRAG_FRESH === '1';
  const databaseUrl = databaseUrlOf(env);
  const copies = copiesOf(env);
  if (databaseUrl !== null && (fresh || copies))
    throw new StartFailure(
      `${fresh ? '--fresh' : 'USUAL_DRAG_COPIES'} is only for a database in a file, and DATABASE_URL names a server. Leave one of them out; a server is backed up with its own tools.`,
    );
  const folder = env.USUAL_DRAG_DATA?.trim();
  return {
    host: host === '' ? '127.0.0.1' : host,
    port: portOf(env.PORT),
    names: (env.USUAL_DRAG_NAMES ?? '').split(/[\s,]+/).filter(Boolean),
    external,
    proxies: proxiesOf(env, external),
    passphrase: passphrase === '' ? null : passphrase,
    tls: tlsOf(env),
    dataFolder: resolve(folder ? folder : demo ? 'data/demo' : 'data/bench'),
    databaseUrl,
    copies,
    demo,
    fresh,
  };
}

/**
 * Returns a secret from its variable or from the file that its second variable names; a file keeps it out of the list of processes.
 *
 * @param noun  what it is, for messages
 */
function secretOf(env: NodeJS.ProcessEnv, variable: string, noun: string): string {
  const given = env[variable]?.trim() ?? '';
  const file = env[`${variable}_FILE`]?.trim() ?? '';
  if (given !== '' || file === '') return given;
  const read = readNamed(`${variable}_FILE`, file).toString('utf8').trim();
  if (read === '') throw new StartFailure(`${file} (${variable}_FILE) is empty. Write the ${noun} into it.`);
  return read;
}

function copiesOf(env: NodeJS.ProcessEnv): CopySchedule | null {
  const folder = env.USUAL_DRAG_COPIES?.trim() ?? '';
  const hours = env.USUAL_DRAG_COPIES_EVERY?.trim() ?? '';
  if (folder === '') return null;
  const everyHours = hours === '' ? 24 : Number(hours);
  if (!(everyHours > 0 && everyHours <= 8760))
    throw new StartFailure(
      `USUAL_DRAG_COPIES_EVERY must be a number of hours, at most 8760, not “${hours}”. Set it right, or leave it out for 24.`,
    );
  return { folder: resolve(folder), everyHours };
}

function externalOf(env: NodeJS.ProcessEnv): ExternalAddress | null {
  const given = env.USUAL_DRAG_URL?.trim() ?? '';
  if (given === '') return null;
  const url = URL.canParse(given) ? new URL(given) : null;
  if (!url || !/^https?:$/.test(url.protocol) || url.search !== '' || url.hash !== '' || url.username !== '')
    throw new StartFailure(
      `USUAL_DRAG_URL must be the address at which browsers reach the proxy, such as https://drag.plant.example/, not “${given}”. Set it right, or leave it out.`,
    );
  return {
    scheme: url.protocol === 'https:' ? 'https' : 'http',
    host: url.host,
    path: url.pathname.replace(/\/*$/, '/'),
  };
}

/** Names of groups of addresses that Express accepts in place of addresses. */
const addressGroups = ['loopback', 'linklocal', 'uniquelocal'];

function proxiesOf(env: NodeJS.ProcessEnv, external: ExternalAddress | null): string[] {
  const given = (env.USUAL_DRAG_PROXIES ?? '').split(/[\s,]+/).filter(Boolean);
  const wrong = given.find((proxy) => !addressGroups.includes(proxy) && !isNetwork(proxy));
  if (wrong !== undefined)
    throw new StartFailure(
      `USUAL_DRAG_PROXIES must be addresses or networks, such as 10.0.0.7 or 10.0.0.0/24, not “${wrong}”. Set it right, or leave it out for a proxy on this computer.`,
    );
  return given.length === 0 && external ? ['loopback'] : given;
}

/** Returns whether a text is an IP address, with the number of bits of a network or without. */
function isNetwork(text: string): boolean {
  const [address = '', bits, ...rest] = text.split('/');
  const version = isIP(address);
  const most = version === 6 ? 128 : 32;
  return version > 0 && rest.length === 0 && (bits === undefined || (/^\d{1,3}$/.test(bits) && Number(bits) <= most));
}

function databaseUrlOf(env: NodeJS.ProcessEnv): string | null {
  const url = secretOf(env, 'DATABASE_URL', 'address of the database');
  if (url === '') return null;
  // The address is not repeated: it may contain a password.
  if (!/^postgres(ql)?:/.test(url) || !URL.canParse(url))
    throw new StartFailure(
      'DATABASE_URL must be the address of a PostgreSQL database, such as postgres://user@host:5432/name. Set it right, or leave it out for a file in the data folder.',
    );
  return url;
}

function portOf(given: string | undefined): number {
  const text = given?.trim() ?? '';
  const port = text === '' ? 8470 : Number(text);
  if (!/^\d*$/.test(text) || port > 65_535)
    throw new StartFailure(`PORT must be a number from 0 to 65535, not “${given}”. Set it right, or leave it out.`);
  return port;
}

function tlsOf(env: NodeJS.ProcessEnv): Settings['tls'] {
  const [certFile, keyFile] = [env.TLS_CERT?.trim() ?? '', env.TLS_KEY?.trim() ?? ''];
  if (certFile === '' && keyFile === '') return null;
  if (certFile === '' || keyFile === '')
    throw new StartFailure('TLS_CERT and TLS_KEY go together: name the files of both, or leave both out.');
  const cert = readNamed('TLS_CERT', certFile);
  const key = readNamed('TLS_KEY', keyFile);
  let matches: boolean;
  try {
    matches = new X509Certificate(cert).checkPrivateKey(createPrivateKey(key));
  } catch (error) {
    throw new StartFailure(
      `TLS_CERT must name a certificate and TLS_KEY its key without a password, both PEM files: ${(error as Error).message}.`,
    );
  }
  if (!matches) throw new StartFailure(`${keyFile} (TLS_KEY) is not the key of ${certFile} (TLS_CERT).`);
  try {
    createSecureContext({ cert, key });
  } catch (error) {
    throw new StartFailure(
      `${certFile} (TLS_CERT) cannot be used to serve: ${(error as Error).message}. Make one with a key of 2048 bits or more.`,
    );
  }
  return { cert, key };
}

function readNamed(variable: string, file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    throw new StartFailure(`${variable} names ${file}, which cannot be read: ${(error as Error).message}.`);
  }
}
