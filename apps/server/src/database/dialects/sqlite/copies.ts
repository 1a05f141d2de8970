import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import type { Client } from '@libsql/client';
import { copyReasons, type KeptCopy } from '@usual-drag/contract';
import { checksumOf, sealFile } from './file-checksum.ts';

/** Number of automatic copies that are kept. */
const kept = 7;

export const copiesFolder = (folder: string): string => join(folder, 'copies');

/** A date and time for a file's name. */
export const stamp = (at = new Date()): string => at.toISOString().replace(/[:.]/g, '-');

/** The date and time of a stamp, in ISO 8601. */
const timeOf = (stamped: string): string => stamped.replace(/T(\d\d)-(\d\d)-(\d\d)-(\d{3}Z)$/, 'T$1:$2:$3.$4');

/** The name of the next file among the copies: numbered, so that their order does not depend on the clock. */
export function copyName(folder: string, reason: string): string {
  const number = Math.max(0, ...filesIn(folder).map(numberOf)) + 1;
  return `${String(number).padStart(6, '0')}-${stamp()}-${reason}.sqlite`;
}

/** The copies of a folder of data that can be restored, the newest first. */
export const keptCopies = (folder: string): KeptCopy[] =>
  filesIn(folder)
    .flatMap((name): KeptCopy[] => {
      const parts = /^(?:\d{6}-)?(\d{4}-\d\d-\d\dT[\d-]+Z)-([a-z-]+)\.sqlite$/.exec(name);
      const reason = copyReasons.find((one) => one === parts?.[2]);
      if (!reason) return [];
      return [{ name, at: timeOf(parts![1]!), reason, bytes: statSync(join(copiesFolder(folder), name)).size }];
    })
    .sort((a, b) => numberOf(b.name) - numberOf(a.name) || (a.name < b.name ? 1 : -1));

/** The automatic copies of a folder of data, the oldest first. */
export const automaticCopies = (folder: string): string[] =>
  filesIn(folder)
    .filter((name) => /-(start|migration)\.sqlite$/.test(name))
    // Copies without a number are older than all others; their names sort by date.
    .sort((a, b) => numberOf(a) - numberOf(b) || (a < b ? -1 : 1));

const filesIn = (folder: string): string[] =>
  existsSync(copiesFolder(folder)) ? readdirSync(copiesFolder(folder)) : [];

/** The number that a copy's name begins with; 0 if it begins with a date. */
const numberOf = (name: string): number => Number(/^(\d{6})-/.exec(name)?.[1] ?? 0);

/** Writes everything of an open database into one new file with a checksum inside; it is there whole or not at all. */
export async function copyDatabase(client: Client, file: string): Promise<void> {
  const part = `${file}.part`;
  rmSync(part, { force: true });
  try {
    await client.execute({ sql: 'vacuum into ?', args: [part] });
    await sealFile(part);
    flush(part);
    renameSync(part, file);
  } finally {
    for (const rest of ['', '-journal', '-wal', '-shm']) rmSync(part + rest, { force: true });
  }
}

/** Waits until a file is on the disk. */
export function flush(file: string): void {
  const handle = openSync(file, 'r+');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/**
 * Puts a copy of the database beside it and keeps the last seven. One that is the same as the last is not kept again, so that
 * starting over and over pushes none out.
 *
 * @returns the copy's path, or the last one's if nothing had changed
 */
export async function keepCopy(client: Client, folder: string, reason: 'start' | 'migration'): Promise<string> {
  const copies = copiesFolder(folder);
  mkdirSync(copies, { recursive: true });
  // What a restore or a fresh demo put aside is here too, and is never pushed out.
  const before = automaticCopies(folder);
  const file = join(copies, copyName(folder, reason));
  await copyDatabase(client, file);
  const last = before.at(-1);
  if (last && checksumOf(readFileSync(join(copies, last))) === checksumOf(readFileSync(file))) {
    rmSync(file);
    return join(copies, last);
  }
  for (const name of before.slice(0, Math.max(0, before.length + 1 - kept))) rmSync(join(copies, name));
  return file;
}
