/** Reason why the database failed, if a person can do something about it. */
export interface StorageFailure {
  readonly code: string;
  /** 507 if there is no room, else 503. */
  readonly status: 503 | 507;
  readonly message: string;
}

/**
 * Tells a failure of the storage from a fault of the program.
 *
 * @returns null if `error` does not come from the database or the disk
 */
export function storageFailureOf(error: unknown): StorageFailure | null {
  const code = storageCode(error);
  if (code === null) return null;
  for (const [pattern, status, message] of failures) if (pattern.test(code)) return { code, status, message };
  return { code, status: 503, message: `the database does not answer (${code})` };
}

const failures: readonly (readonly [RegExp, 503 | 507, string])[] = [
  [/^(SQLITE_FULL|ENOSPC|EDQUOT)/, 507, 'the disk is full'],
  [/^(SQLITE_BUSY|SQLITE_LOCKED)/, 503, 'another program has locked the database'],
  [/^(SQLITE_READONLY|EROFS|EACCES|EPERM)/, 503, 'the database may only be read, not written'],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB)/, 503, 'the database is damaged'],
  [/^(SQLITE_IOERR|EIO)/, 503, 'the disk reports an error'],
  [/^(SQLITE_CANTOPEN|ENOENT|ENOTDIR|EEXIST|EISDIR)/, 503, 'the database cannot be opened'],
];

/** The database's or the disk's own code in an error or in what caused it. */
function storageCode(error: unknown): string | null {
  for (let at = error, depth = 0; typeof at === 'object' && at !== null && depth < 8; depth += 1) {
    const { code, message, cause } = at as { code?: unknown; message?: unknown; cause?: unknown };
    if (typeof code === 'string' && /^(SQLITE_[A-Z]+|E[A-Z]{2,})$/.test(code) && !/^E(ADDR|CONN|PIPE|RR_)/.test(code))
      return code;
    // An open that failed has its code in words alone.
    if (/Unable to open connection to local database/.test(String(message))) return 'SQLITE_CANTOPEN';
    at = cause;
  }
  return null;
}
