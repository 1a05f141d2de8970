import { createHash, randomBytes } from 'node:crypto';
import { closeSync, openSync, readFileSync, writeSync } from 'node:fs';
import { createClient, type Client } from '@libsql/client';
import { fileAddress } from './file-address.ts';

/** Property of a copied database that holds its checksum. */
const name = 'copy-checksum';
/** Replaces the checksum while it is computed. */
const blank = '0'.repeat(64);

/**
 * Writes a checksum of a database file into the file itself, as a property: the SHA-256 of all its bytes, with zeros in place of the
 * checksum. A database without the table of properties gets none.
 *
 * @param file  must not be open
 */
export async function sealFile(file: string): Promise<void> {
  // Random, so that no text of a document can be mistaken for the property.
  const mark = randomBytes(32).toString('hex');
  const client = createClient({ url: fileAddress(file), concurrency: 1 });
  try {
    if (!(await hasProperties(client))) return;
    await client.execute({ sql: 'insert or replace into properties (name, value) values (?, ?)', args: [name, mark] });
  } finally {
    client.close();
  }
  const bytes = readFileSync(file);
  const at = bytes.indexOf(mark);
  if (at === -1) throw new Error(`${file} does not contain the property ${name}.`);
  bytes.write(blank, at, 'latin1');
  const handle = openSync(file, 'r+');
  try {
    writeSync(handle, checksumOf(bytes), at);
  } finally {
    closeSync(handle);
  }
}

/**
 * Compares a database file with the checksum in it.
 *
 * @param client  open on the file
 * @returns `none` if it has no checksum, `wrong` if the file has changed since the checksum was written
 */
export async function checkFile(client: Client, file: string): Promise<'none' | 'right' | 'wrong'> {
  if (!(await hasProperties(client))) return 'none';
  const { rows } = await client.execute({ sql: 'select value from properties where name = ?', args: [name] });
  if (!rows[0]) return 'none';
  const kept = String(rows[0].value);
  const bytes = readFileSync(file);
  const at = /^[0-9a-f]{64}$/.test(kept) ? bytes.indexOf(name + kept) : -1;
  if (at === -1) return 'wrong';
  bytes.write(blank, at + name.length, 'latin1');
  return checksumOf(bytes) === kept ? 'right' : 'wrong';
}

/** Returns whether a database has the table of properties: the first versions had none. */
async function hasProperties(client: Client): Promise<boolean> {
  const { rows } = await client.execute("select 1 from sqlite_master where type = 'table' and name = 'properties'");
  return rows.length > 0;
}

/** Returns the SHA-256 of bytes as 64 hexadecimal digits. */
export const checksumOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** Removes the checksum from a database that will be changed. */
export const unsealFile = (client: Client) =>
  client.execute({ sql: 'delete from properties where name = ?', args: [name] });
