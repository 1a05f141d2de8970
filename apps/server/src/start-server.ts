import { fileURLToPath } from 'node:url';
import { Logger } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { largestDocument } from '@usual-drag/contract';
import compression from 'compression';
import { AppModule } from './app.module.ts';
import { openDatabase } from './database/database.ts';
import { StartFailure } from './database/start-failure.ts';
import { startAfresh } from './demo/start-afresh.ts';
import { allowOwnRequestsOnly } from './http/allow-list.ts';
import { describeApi } from './http/api-description.ts';
import { EnvelopePipe } from './http/envelope.pipe.ts';
import { RefusalFilter } from './http/refusal.filter.ts';
import { securityHeaders } from './http/security-headers.ts';
import { serveWebApplication } from './http/web-application.ts';
import type { Settings } from './settings.ts';

/** Bytes that what is sent beside a document may take. */
const envelope = 64 * 1024;

/**
 * Opens the data and serves it, on this computer alone.
 *
 * @returns the address
 * @throws StartFailure with a sentence and the remedy where that cannot be
 */
export async function startServer({ port, dataFolder, demo, fresh }: Settings): Promise<string> {
  const open = await openDatabase(dataFolder, fresh ? startAfresh : undefined);
  for (const warning of open.warnings) process.stderr.write(`${warning}\n`);
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(open, demo), {
    logger: ['error', 'warn', 'fatal'],
    abortOnError: false,
    bodyParser: false,
    forceCloseConnections: true,
  });
  let listensAt = port;
  app.setGlobalPrefix('api');
  app.disable('x-powered-by');
  app.use(securityHeaders());
  app.use(allowOwnRequestsOnly(() => listensAt));
  app.use(compression());
  app.useBodyParser('json', { limit: largestDocument + envelope, strict: false });
  app.useBodyParser('raw', { type: 'application/zip', limit: 64 * 2 ** 20 });
  app.useGlobalPipes(new EnvelopePipe());
  app.useGlobalFilters(new RefusalFilter());
  describeApi(app);
  serveWebApplication(app, fileURLToPath(new URL('../../web/dist', import.meta.url)));
  app.enableShutdownHooks();
  try {
    await app.init();
    // A port that is taken is told in a sentence of ours.
    Logger.overrideLogger(false);
    await app.listen(port, '127.0.0.1');
    Logger.overrideLogger(['error', 'warn', 'fatal']);
  } catch (error) {
    await open.close();
    throw listenFailure(error, port);
  }
  listensAt = Number(new URL(await app.getUrl()).port || 80);
  return `http://127.0.0.1:${listensAt}`;
}

function listenFailure(error: unknown, port: number): unknown {
  const { code } = error as { code?: string };
  if (code === 'EADDRINUSE')
    return new StartFailure(`Port ${port} is in use by another program. End it, or start with another one: PORT=8471.`);
  if (code === 'EACCES')
    return new StartFailure(`Port ${port} may not be used here. Start with one above 1023: PORT=8470.`);
  return error;
}
