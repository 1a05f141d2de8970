import { createHash } from 'node:crypto';
import { closeSync, openSync, readFileSync, writeSync } from 'node:fs';
import { createClient, type Client } from '@libsql/client';
import { fileAddress } from './file-address.ts';

/** The property of a copied database that holds its checksum. */
const name = 'copy-checksum';
/** Stands in the checksum's place while it is computed. */
const blank = '0'.repeat(64);

/**
 * Writes a checksum of a database file into the file itself, as a property: the SHA-256 of all its bytes, with zeros in the place
 * of the checksum. A database of before properties existed gets none.
 *
 * @param file  open nowhere
 */
export async function sealFile(file: string): Promise<void> {
  const client = createClient({ url: fileAddress(file), concurrency: 1 });
  try {
    const { rows } = await client.execute("select 1 from sqlite_master where type = 'table' and name = 'properties'");
    if (rows.length === 0) return;
    await client.execute({ sql: 'insert or replace into properties (name, value) values (?, ?)', args: [name, blank] });
  } finally {
    client.close();
  }
  const bytes = readFileSync(file);
  const at = placeOf(bytes, blank);
  if (at === null) throw new Error(`The checksum of ${file} has no place.`);
  const handle = openSync(file, 'r+');
  try {
    writeSync(handle, createHash('sha256').update(bytes).digest('hex'), at);
  } finally {
    closeSync(handle);
  }
}

/** What a file's checksum says of it: `none` if it has no checksum, `wrong` if it was changed since it was written. */
export function checkFile(file: string): 'none' | 'right' | 'wrong' {
  const bytes = readFileSync(file);
  const at = bytes.indexOf(name);
  if (at === -1) return 'none';
  // A deleted row may leave its name behind in a free place: any of them may be the one in use.
  for (let place: number = at; place !== -1; place = bytes.indexOf(name, place + 1)) {
    const from = place + name.length;
    const kept = bytes.toString('latin1', from, from + blank.length);
    if (!/^[0-9a-f]{64}$/.test(kept)) continue;
    const zeroed = Buffer.from(bytes);
    zeroed.write(blank, from, 'latin1');
    if (createHash('sha256').update(zeroed).digest('hex') === kept) return 'right';
  }
  return 'wrong';
}

/** A file's checksum, or that of its bytes if it has none inside: equal for equal contents. */
export const checksumOf = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');

/** Where the property's value begins in the bytes of a database; null if it is not there. */
function placeOf(bytes: Buffer, value: string): number | null {
  const at = bytes.indexOf(name + value);
  return at === -1 ? null : at + name.length;
}

/** Removes the checksum from a database that is going to be used, and so changed. */
export const unsealFile = (client: Client) =>
  client.execute({ sql: 'delete from properties where name = ?', args: [name] });
