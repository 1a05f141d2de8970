import { toString as qrCode } from 'qrcode';
import { StartFailure } from './database/start-failure.ts';
import { storageFailureOf } from './database/storage-failure.ts';
import { readSettings } from './settings.ts';
import { startServer, type Started } from './start-server.ts';

/** Starts the server with the settings of the environment and prints its addresses; ends the process if it cannot start. */
export async function serve(env: NodeJS.ProcessEnv): Promise<Started> {
  try {
    const settings = readSettings(env);
    const started = await startServer(settings);
    process.stdout.write(`Usual Drag answers at ${started.address}\n`);
    await printOthers(started.others, settings.tls !== null || settings.external?.scheme === 'https');
    return started;
  } catch (error) {
    process.stderr.write(`${startSentence(error)}\n`);
    process.exit(1);
  }
}

/** Prints the addresses for other devices, the first also as a QR code. */
async function printOthers(others: readonly string[], isEncrypted: boolean): Promise<void> {
  const [first] = others;
  if (first === undefined) return;
  process.stdout.write(`On the workshop's network: ${others.join('  ')}\n`);
  process.stdout.write(await qrCode(first, { type: 'terminal', small: true }));
  if (isEncrypted) return;
  process.stdout.write(
    'This connection is not encrypted: name a certificate in TLS_CERT and its key in TLS_KEY to encrypt it.\n',
  );
}

/** Returns the reason why the server did not start. */
function startSentence(error: unknown): string {
  if (error instanceof StartFailure) return error.message;
  const failure = storageFailureOf(error);
  if (failure) return `Usual Drag cannot start: ${failure.message} (${failure.code}).`;
  return `Usual Drag cannot start: ${error instanceof Error ? error.message : String(error)}`;
}
