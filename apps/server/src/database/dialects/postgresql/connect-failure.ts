import { DrizzleQueryError } from 'drizzle-orm';
import { StartFailure } from '../../start-failure.ts';
import { storageFailureOf } from '../../storage-failure.ts';

/** Returns a failure to connect as a sentence for the person who starts the server; other errors as they are. */
export function connectFailure(error: unknown, address: string): unknown {
  if (error instanceof StartFailure) return error;
  const failure = storageFailureOf(new DrizzleQueryError('connect', [], error as Error));
  const { code, message } = error as { readonly code?: unknown; readonly message: string };
  // An error with a code comes from the connection, for example an invalid certificate.
  if (!failure && typeof code !== 'string') return error;
  return new StartFailure(
    `The database ${address} cannot be used: ${failure?.message ?? message}. Check DATABASE_URL and the database server.`,
  );
}
