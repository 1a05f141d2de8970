import { randomBytes, scrypt, timingSafeEqual, type BinaryLike } from 'node:crypto';
import { sign, unsign } from 'cookie-signature';
import { eq } from 'drizzle-orm';
import { Subject, type Observable } from 'rxjs';
import type { Database } from '../database/database.ts';
import { properties } from '../database/schema.ts';

/** Where the salt of the key lies. */
const saltProperty = 'session-salt';
/** ms that a device stays signed in: as long as browsers keep a cookie. */
export const sessionAge = 400 * 24 * 3_600_000;

/**
 * Who may come in. The key that signs the cookies of devices is made from the passphrase and a salt that lies in the database:
 * devices stay signed in over a restart, and none does once the passphrase or the salt is another.
 */
export class Sessions {
  readonly #ended = new Subject<void>();

  private constructor(
    private readonly database: Database,
    private readonly passphrase: string,
    private key: Buffer,
    private salt: string,
  ) {}

  /** Reads the salt, made where there is none, and makes the key. */
  static async open(database: Database, passphrase: string): Promise<Sessions> {
    const [kept] = await database.select().from(properties).where(eq(properties.name, saltProperty));
    const salt = kept?.value ?? (await renewedSalt(database));
    return new Sessions(database, passphrase, await keyFrom(passphrase, salt), salt);
  }

  /** Told when every device has been signed out. */
  get ended(): Observable<void> {
    return this.#ended;
  }

  /** Whether that is the passphrase; takes as long for any. */
  async isPassphrase(tried: string): Promise<boolean> {
    const { key, salt } = this;
    return timingSafeEqual(await keyFrom(tried, salt), key);
  }

  /** A new cookie's value: when it was given, something by chance, and the signature on both. */
  issue(now = Date.now()): string {
    return sign(`${now.toString(36)}-${randomBytes(9).toString('base64url')}`, this.key);
  }

  /** Whether a cookie's value was given by this server, to a device that has not been signed out since. */
  accepts(value: string | undefined, now = Date.now()): boolean {
    const content = value === undefined ? false : unsign(value, this.key);
    if (content === false) return false;
    const age = now - parseInt(content.slice(0, content.indexOf('-')), 36);
    return age > -60_000 && age < sessionAge;
  }

  /** Signs every device out: no cookie that was given before is accepted any more. */
  async signOutEverywhere(): Promise<void> {
    this.salt = await renewedSalt(this.database);
    this.key = await keyFrom(this.passphrase, this.salt);
    this.#ended.next();
  }
}

async function renewedSalt(database: Database): Promise<string> {
  const value = randomBytes(32).toString('base64url');
  await database
    .insert(properties)
    .values({ name: saltProperty, value })
    .onConflictDoUpdate({ target: properties.name, set: { value } });
  return value;
}

/** scrypt (RFC 7914), N = 2¹⁵: about a tenth of a second and 32 MB for each try. */
const keyFrom = (passphrase: string, salt: BinaryLike): Promise<Buffer> =>
  new Promise((done, failed) => {
    scrypt(passphrase.normalize('NFKC'), salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 2 ** 26 }, (error, key) =>
      error ? failed(error) : done(key),
    );
  });
