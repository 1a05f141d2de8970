import 'reflect-metadata';
import { StartFailure } from './database/start-failure.ts';
import { storageFailureOf } from './database/storage-failure.ts';
import { readSettings } from './settings.ts';
import { startServer } from './start-server.ts';

try {
  const address = await startServer(readSettings(process.env));
  process.stdout.write(`Usual Drag answers at ${address}\n`);
} catch (error) {
  process.stderr.write(`${sentenceFor(error)}\n`);
  process.exit(1);
}

function sentenceFor(error: unknown): string {
  if (error instanceof StartFailure) return error.message;
  const failure = storageFailureOf(error);
  if (failure) return `Usual Drag cannot start: ${failure.message} (${failure.code}).`;
  return `Usual Drag cannot start: ${error instanceof Error ? error.message : String(error)}`;
}
