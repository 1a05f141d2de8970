import { randomBytes, scrypt, timingSafeEqual, type BinaryLike } from 'node:crypto';
import { sign, unsign } from 'cookie-signature';
import { eq, like } from 'drizzle-orm';
import { filter, map, Subject, type Observable } from 'rxjs';
import type { Database } from '../database/database.ts';

/** Properties: the salt of the key, the key of device marks, and each session that was ended, by its id. */
const saltProperty = 'session-salt';
const deviceKeyProperty = 'device-key';
const endedPrefix = 'ended-session/';
/** ms that a device stays signed in: as long as browsers keep a cookie. */
export const sessionAge = 400 * 24 * 3_600_000;

/**
 * The sessions of signed-in devices. The key that signs their cookies is made from the passphrase and a salt in the database:
 * devices stay signed in over a restart, and none does after the passphrase or the salt has changed.
 *
 * A device mark is a second cookie that outlives the session. It opens nothing; it tells a device that was signed in before from
 * strangers, so that their wrong tries do not lock it out.
 */
export class Sessions {
  /** Ids of sessions that ended; null when all did. */
  readonly #ended = new Subject<string | null>();

  private constructor(
    private readonly database: Database,
    private readonly passphrase: string,
    private key: Buffer,
    private salt: string,
    private readonly deviceKey: string,
    private endedIds: Set<string>,
  ) {
    const { peers } = database;
    // If the database is away again, its return is another interruption.
    const reload = (): void => void this.#reload().catch(() => undefined);
    peers.received('sessions').subscribe((id) => {
      if (typeof id !== 'string') return reload();
      this.endedIds.add(id);
      this.#ended.next(id);
    });
    peers.interrupted.subscribe(reload);
  }

  /** Reads salt and keys, and creates those that are missing. */
  static async open(database: Database, passphrase: string): Promise<Sessions> {
    const salt = await secret(database, saltProperty);
    const deviceKey = await secret(database, deviceKeyProperty);
    const ended = await endedSessions(database);
    return new Sessions(database, passphrase, await keyFrom(passphrase, salt), salt, deviceKey, ended);
  }

  /** Emits once when a session ends, by itself or with all others. */
  endOf(id: string): Observable<void> {
    return this.#ended.pipe(
      filter((ended) => ended === null || ended === id),
      map(() => undefined),
    );
  }

  /** Returns whether the text is the passphrase; the time is the same for any text. */
  async isPassphrase(tried: string): Promise<boolean> {
    const { key, salt } = this;
    return timingSafeEqual(await keyFrom(tried, salt), key);
  }

  /** A new cookie's value: the session's id, which begins with the time it was issued at, and a signature on it. */
  issue(now = Date.now()): string {
    return sign(`${now.toString(36)}-${randomBytes(9).toString('base64url')}`, this.key);
  }

  /** Returns the session id of a cookie's value; null if this server did not issue it, or the session is too old or has ended. */
  idOf(value: string | undefined, now = Date.now()): string | null {
    const id = value === undefined ? false : unsign(value, this.key);
    if (id === false || this.endedIds.has(id)) return null;
    // A clock that was set back makes no session invalid: its signature shows that it was issued.
    return now - issuedAt(id) < sessionAge ? id : null;
  }

  /** Ends one session: its cookie is not accepted any more. Ends that are older than a session can be are forgotten. */
  async end(id: string): Promise<void> {
    const { query, tables, peers } = this.database;
    const { properties } = tables;
    this.endedIds.add(id);
    const name = endedPrefix + id;
    await query.insert(properties).values({ name, value: new Date().toISOString() }).onConflictDoNothing();
    peers.send('sessions', id);
    this.#ended.next(id);
    for (const old of this.endedIds)
      if (Date.now() - issuedAt(old) >= sessionAge) {
        this.endedIds.delete(old);
        await query.delete(properties).where(eq(properties.name, endedPrefix + old));
      }
  }

  /** Signs every device out: no cookie that was issued before is accepted any more. */
  async signOutEverywhere(): Promise<void> {
    const { query, tables, peers } = this.database;
    const { properties } = tables;
    const value = randomSecret();
    await query.update(properties).set({ value }).where(eq(properties.name, saltProperty));
    await query.delete(properties).where(like(properties.name, `${endedPrefix}%`));
    await this.#reload();
    peers.send('sessions', null);
  }

  /** Reads what other servers may have changed; ends all sessions if the salt is another one. */
  async #reload(): Promise<void> {
    const salt = await secret(this.database, saltProperty);
    this.endedIds = await endedSessions(this.database);
    for (const id of this.endedIds) this.#ended.next(id);
    if (salt === this.salt) return;
    this.salt = salt;
    this.key = await keyFrom(this.passphrase, salt);
    this.#ended.next(null);
  }

  /** A new device mark. */
  markDevice(): string {
    return sign(randomBytes(9).toString('base64url'), this.deviceKey);
  }

  /** The device that a mark names; null if this server did not issue it. */
  deviceOf(mark: string | undefined): string | null {
    const device = mark === undefined ? false : unsign(mark, this.deviceKey);
    return device === false ? null : device;
  }
}

/** ms since 1970 at which a session was issued, from its id. */
const issuedAt = (id: string): number => parseInt(id.slice(0, id.indexOf('-')), 36);

const randomSecret = (): string => randomBytes(32).toString('base64url');

/** Returns a property of 32 random bytes, which is created if it is missing; of two servers, one creates it. */
async function secret({ query, tables: { properties } }: Database, name: string): Promise<string> {
  await query.insert(properties).values({ name, value: randomSecret() }).onConflictDoNothing();
  const [kept] = await query.select().from(properties).where(eq(properties.name, name));
  return kept!.value;
}

/** Returns the ids of the sessions that were ended. */
async function endedSessions({ query, tables: { properties } }: Database): Promise<Set<string>> {
  const ended = await query
    .select()
    .from(properties)
    .where(like(properties.name, `${endedPrefix}%`));
  return new Set(ended.map(({ name }) => name.slice(endedPrefix.length)));
}

/** scrypt (RFC 7914), N = 2¹⁵: about a tenth of a second and 32 MB for each try. */
const keyFrom = (passphrase: string, salt: BinaryLike): Promise<Buffer> =>
  new Promise((done, failed) => {
    scrypt(passphrase.normalize('NFKC'), salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 2 ** 26 }, (error, key) =>
      error ? failed(error) : done(key),
    );
  });
