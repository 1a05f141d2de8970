import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';
import { Client } from 'pg';
import { freePort } from './free-port.ts';

/** A PostgreSQL server of its own, on a port of the loopback and with its data in a temporary folder. */
export interface PostgresCluster {
  /** Address without the name of a database. */
  readonly url: string;
  /** Creates an empty database and returns its address. */
  create(name: string): Promise<string>;
  /** Ends it as a lost power supply would: without writing anything. */
  kill(): Promise<void>;
  start(): Promise<void>;
  /** Ends it and deletes its data. */
  remove(): Promise<void>;
}

/** Folder in which Debian installs the versions of PostgreSQL. */
const installed = '/usr/lib/postgresql';

/** Returns the folder of the programs of PostgreSQL; null if it is not installed. */
function postgresPrograms(): string | null {
  const versions = existsSync(installed)
    ? readdirSync(installed)
        .map(Number)
        .sort((a, b) => a - b)
    : [];
  const folder = join(installed, String(versions.at(-1)), 'bin');
  return existsSync(join(folder, 'initdb')) ? folder : null;
}

const user = 'usual_drag';

/** Returns whether PostgreSQL is installed. */
export const hasPostgres = (): boolean => postgresPrograms() !== null;

/** Creates and starts a cluster. @param isDurable  whether commits are written through to the disk */
export async function startCluster(isDurable: boolean): Promise<PostgresCluster> {
  const programs = postgresPrograms();
  if (!programs) throw new Error('PostgreSQL is not installed.');
  const folder = mkdtempSync(join(tmpdir(), 'usual-drag-postgres-'));
  // It refuses to run as root.
  const identity = process.getuid?.() === 0 ? identityOf('postgres') : null;
  if (identity) chownSync(folder, identity.uid, identity.gid);
  const options = ['--username', user, '--auth', 'trust', '--encoding', 'UTF8', '--locale', 'C', '--no-sync'];
  execFileSync(join(programs, 'initdb'), ['--pgdata', folder, ...options], { ...identity, stdio: 'ignore' });
  const port = await freePort();
  const url = `postgres://${user}@127.0.0.1:${port}`;
  const address = (name: string): string => `${url}/${name}`;
  let server: ChildProcess | null = null;
  const settings = {
    port,
    listen_addresses: '127.0.0.1',
    unix_socket_directories: folder,
    fsync: isDurable ? 'on' : 'off',
  };
  const start = async (): Promise<void> => {
    const args = Object.entries(settings).flatMap(([name, value]) => ['-c', `${name}=${value}`]);
    // In a group of its own, so that all its processes can be killed at once.
    const begin = (): ChildProcess =>
      spawn(join(programs, 'postgres'), ['-D', folder, ...args], { ...identity, stdio: 'ignore', detached: true });
    for (let attempt = 0; attempt < 20; attempt += 1) {
      server = begin();
      if (await answers(address('postgres'), server)) return;
      // Processes of one that was killed may take a moment to end.
      await delay(250);
    }
    throw new Error('PostgreSQL does not start.');
  };
  const end = async (signal: 'SIGKILL' | 'SIGINT'): Promise<void> => {
    if (!server || server.exitCode !== null || server.signalCode !== null) return;
    const ended = once(server, 'exit');
    if (signal === 'SIGKILL') process.kill(-server.pid!, signal);
    else server.kill(signal);
    await ended;
  };
  await start();
  return {
    url,
    start,
    kill: () => end('SIGKILL'),
    async create(name) {
      const client = new Client({ connectionString: address('postgres') });
      await client.connect();
      await client.query(`create database "${name}"`);
      await client.end();
      return address(name);
    },
    async remove() {
      await end('SIGINT');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Waits until a database answers, or its server has ended; returns whether it answers. */
async function answers(url: string, server: ChildProcess): Promise<boolean> {
  while (server.exitCode === null && server.signalCode === null) {
    const client = new Client({ connectionString: url });
    client.on('error', () => undefined);
    try {
      await client.connect();
      await client.end();
      return true;
    } catch {
      await delay(50);
    }
  }
  return false;
}

function identityOf(name: string): { readonly uid: number; readonly gid: number } {
  const id = (kind: string): number => Number(execFileSync('id', [kind, name], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}
