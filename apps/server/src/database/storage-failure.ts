import { DrizzleQueryError } from 'drizzle-orm';

/** Reason why the database failed, if a person can do something about it. */
export interface StorageFailure {
  readonly code: string;
  /** 400 if a text cannot be stored, 507 if there is no room, otherwise 503. */
  readonly status: 400 | 503 | 507;
  readonly message: string;
}

/**
 * Distinguishes a failure of the storage from a fault of the program.
 *
 * @returns null if `error` does not come from the database or the disk
 */
export function storageFailureOf(error: unknown): StorageFailure | null {
  const code = storageCode(error);
  if (code === null) return null;
  for (const [pattern, status, message] of failures) if (pattern.test(code)) return { code, status, message };
  return /^SQLITE|^E/.test(code) ? { code, status: 503, message: `the database does not answer (${code})` } : null;
}

const failures: readonly (readonly [RegExp, StorageFailure['status'], string])[] = [
  [/^(SQLITE_FULL|ENOSPC|EDQUOT|53100)/, 507, 'the disk is full'],
  [/^(SQLITE_BUSY|SQLITE_LOCKED)/, 503, 'another program has locked the database'],
  [/^(SQLITE_READONLY|EROFS|EACCES|EPERM|25006)/, 503, 'the database may only be read, not written'],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB|XX00[12])/, 503, 'the database is damaged'],
  [/^(SQLITE_IOERR|EIO|58)/, 503, 'the disk reports an error'],
  [/^(SQLITE_CANTOPEN|ENOENT|ENOTDIR|EEXIST|EISDIR)/, 503, 'the database cannot be opened'],
  // Classes of error of PostgreSQL, appendix A of its manual.
  [/^28/, 503, 'the database server rejects the user or the password'],
  [/^3D/, 503, 'there is no such database'],
  [/^42501/, 503, 'the user may not change this database'],
  [
    /^(08|57P|53|E[A-Z]*(CONN|PIPE|HOST|ADDR|TIMEDOUT|NOTFOUND|AI_AGAIN|NET))/,
    503,
    'the database server does not answer',
  ],
  [/^(40|55P03|57014)/, 503, 'the database server is too busy'],
  [/^22(021|P05)/, 400, 'a text has a character that the database cannot store'],
];

/** The database's or the disk's own code in an error or in what caused it. */
function storageCode(error: unknown): string | null {
  let isOfDatabase = false;
  for (let at = error, depth = 0; typeof at === 'object' && at !== null && depth < 8; depth += 1) {
    const { code, message, severity, cause } = at as Readonly<Record<string, unknown>>;
    isOfDatabase ||= at instanceof DrizzleQueryError;
    if (typeof code === 'string') {
      if (severity !== undefined && /^[0-9A-Z]{5}$/.test(code)) return code;
      // Without a statement around it, an error of a connection is one of a client or an instrument.
      const isOfConnection = /^E(ADDR|CONN|PIPE|RR_)/.test(code);
      if (/^(SQLITE_[A-Z]+|E[A-Z]{2,}[A-Z_]*)$/.test(code) && (isOfDatabase || !isOfConnection)) return code;
    }
    // Errors that have their code only in words.
    for (const [pattern, named] of wordings) if (pattern.test(String(message))) return named;
    at = cause;
  }
  return null;
}

const wordings: readonly (readonly [RegExp, string])[] = [
  [/Unable to open connection to local database/, 'SQLITE_CANTOPEN'],
  [
    /^(Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|Query read timeout)/,
    'ECONNRESET',
  ],
];
