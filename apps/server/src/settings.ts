import { createPrivateKey, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { createSecureContext } from 'node:tls';
import { StartFailure } from './database/start-failure.ts';
import { isLoopback } from './network/addresses.ts';

/** Address and data folder of the server, from the environment, with defaults for a bench computer. */
export interface Settings {
  /** Address of this computer to listen on; one of the loopback keeps all others out. */
  readonly host: string;
  /** 0 for any that is free. */
  readonly port: number;
  /** Passphrase that a device must enter once; null if only this computer can connect. */
  readonly passphrase: string | null;
  /** Certificate and key, as their files contain them; null for plain HTTP. */
  readonly tls: { readonly cert: Buffer; readonly key: Buffer } | null;
  /** Folder of the database. */
  readonly dataFolder: string;
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
  const passphrase = env.USUAL_DRAG_PASSPHRASE?.trim() ?? '';
  if (host !== '' && !isLoopback(host) && passphrase === '')
    throw new StartFailure(
      `HOST=${host} lets other devices in, and that needs a passphrase: set USUAL_DRAG_PASSPHRASE, best of four words or more. Without HOST only this computer can connect.`,
    );
  if (passphrase !== '' && passphrase.length < shortestPassphrase)
    throw new StartFailure(
      `USUAL_DRAG_PASSPHRASE has ${passphrase.length} characters and can be guessed. Use at least ${shortestPassphrase}: four words or more.`,
    );
  const demo = env.USUAL_DRAG_DEMO === '1';
  const folder = env.USUAL_DRAG_DATA?.trim();
  return {
    host: host === '' ? '127.0.0.1' : host,
    port: portOf(env.PORT),
    passphrase: passphrase === '' ? null : passphrase,
    tls: tlsOf(env),
    dataFolder: resolve(folder ? folder : demo ? 'data/demo' : 'data/bench'),
    demo,
    fresh: demo && env.USUAL_DRAG_FRESH === '1',
  };
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
  const cert = readPem('TLS_CERT', certFile);
  const key = readPem('TLS_KEY', keyFile);
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

function readPem(variable: string, file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    throw new StartFailure(`${variable} names ${file}, which cannot be read: ${(error as Error).message}.`);
  }
}
