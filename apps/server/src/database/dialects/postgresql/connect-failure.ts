import { DrizzleQueryError } from 'drizzle-orm';
import { StartFailure } from '../../start-failure.ts';
import { storageFailureOf } from '../../storage-failure.ts';

/** Returns a failure to connect as a sentence for the person who starts the server. */
export function connectFailure(error: unknown, address: string): unknown {
  if (error instanceof StartFailure) return error;
  const failure = storageFailureOf(new DrizzleQueryError('connect', [], error as Error));
  if (!failure) return error;
  return new StartFailure(
    `The database ${address} cannot be used: ${failure.message}. Check DATABASE_URL and the database server.`,
  );
}
