import 'reflect-metadata';
import { toString as qrCode } from 'qrcode';
import { StartFailure } from './database/start-failure.ts';
import { storageFailureOf } from './database/storage-failure.ts';
import { readSettings } from './settings.ts';
import { startServer } from './start-server.ts';

try {
  const settings = readSettings(process.env);
  const { address, others } = await startServer(settings);
  process.stdout.write(`Usual Drag answers at ${address}\n`);
  const [first] = others;
  if (first !== undefined) {
    process.stdout.write(`On the workshop's network: ${others.join('  ')}\n`);
    process.stdout.write(await qrCode(first, { type: 'terminal', small: true }));
    if (settings.tls === null)
      process.stdout.write(
        'This connection is not encrypted: name a certificate in TLS_CERT and its key in TLS_KEY to encrypt it.\n',
      );
  }
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
