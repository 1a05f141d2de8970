import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Client } from '@libsql/client';

/** How many automatic copies are kept. */
const kept = 7;

export const copiesFolder = (folder: string): string => join(folder, 'copies');

/** A day and time that a file's name can have, and that sorts. */
export const stamp = (at = new Date()): string => at.toISOString().replace(/[:.]/g, '-');

/** Writes everything of an open database into one new file; it is there whole or not at all. */
export async function copyDatabase(client: Client, file: string): Promise<void> {
  const part = `${file}.part`;
  rmSync(part, { force: true });
  try {
    await client.execute({ sql: 'vacuum into ?', args: [part] });
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
  }
}

/**
 * Puts a copy of the database beside it and keeps the last seven. One that is the same as the last is not kept again, so that
 * starting over and over pushes none out.
 *
 * @returns the copy's path, or the last one's where nothing had changed
 */
export async function keepCopy(client: Client, folder: string, reason: 'start' | 'migration'): Promise<string> {
  const copies = copiesFolder(folder);
  mkdirSync(copies, { recursive: true });
  // What a restore or a fresh demo put aside lies here too, and is never pushed out.
  const before = readdirSync(copies)
    .filter((name) => /-(start|migration)\.sqlite$/.test(name))
    .sort();
  const file = join(copies, `${stamp()}-${reason}.sqlite`);
  await copyDatabase(client, file);
  const last = before.at(-1);
  if (last && sum(join(copies, last)) === sum(file)) {
    rmSync(file);
    return join(copies, last);
  }
  for (const name of before.slice(0, Math.max(0, before.length + 1 - kept))) rmSync(join(copies, name));
  return file;
}

const sum = (file: string): string =>
  existsSync(file) ? createHash('sha256').update(readFileSync(file)).digest('hex') : '';
