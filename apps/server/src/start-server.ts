import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import compression from 'compression';
import { AppModule } from './app.module.ts';
import type { OpenDatabase } from './database/database.ts';
import { openDatabase } from './database/open-database.ts';
import { StartFailure } from './database/start-failure.ts';
import { startAfresh } from './demo/start-afresh.ts';
import { allowOwnRequestsOnly } from './http/allow-list.ts';
import { describeApi } from './http/api-description.ts';
import { openLogFile } from './http/log-file.ts';
import { logRequests } from './http/log-requests.ts';
import { readBodies } from './http/body-parsers.ts';
import { EnvelopePipe } from './http/envelope.pipe.ts';
import { RefusalFilter } from './http/refusal.filter.ts';
import { refuseNul } from './http/refuse-nul.ts';
import { withoutBasePath } from './http/base-path.ts';
import { cacheHeaders } from './http/cache-headers.ts';
import { identifyRequests } from './http/request-context.ts';
import { securityHeaders } from './http/security-headers.ts';
import { ServerLog } from './http/server-log.ts';
import { serveWebApplication } from './http/web-application.ts';
import { isLoopback, listeningAt } from './network/addresses.ts';
import { measureRequests } from './operations/metrics.ts';
import { upgradeWords } from './operations/upgrade-words.ts';
import type { Settings } from './settings.ts';
import type { Access } from './sign-in/access.ts';
import { requireSession } from './sign-in/require-session.ts';
import { Sessions } from './sign-in/sessions.ts';

/** A server that answers. */
export interface Started {
  /** Address on this computer. */
  readonly address: string;
  /** Addresses for other devices, the best first; empty if none can connect. */
  readonly others: readonly string[];
}

/**
 * Opens the data and serves it: to this computer alone, or, if a passphrase is set, to everyone who enters it.
 *
 * @throws StartFailure with a sentence and the remedy where that cannot be
 */
export async function startServer(settings: Settings): Promise<Started> {
  const { host, port, external, proxies, passphrase, tls, dataFolder, databaseUrl, copies, demo, fresh } = settings;
  const database = await openDatabase(databaseUrl, dataFolder, fresh ? startAfresh : undefined);
  const log = new ServerLog(openLogFile(dataFolder));
  const open: OpenDatabase = {
    ...database,
    close: async () => {
      await database.close();
      await log.close();
    },
  };
  for (const warning of open.warnings) log.warn(warning);
  if (open.upgrade) log.note(upgradeWords(open.upgrade));
  let listening = listeningAt(settings, port);
  const access: Access = {
    sessions: passphrase === null ? null : await Sessions.open(open.database, passphrase),
    listening: () => listening,
  };
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(open, access, copies, demo), {
    logger: log,
    abortOnError: false,
    bodyParser: false,
    ...(tls && { httpsOptions: { cert: tls.cert, key: tls.key } }),
  });
  app.setGlobalPrefix('api');
  app.disable('x-powered-by');
  if (proxies.length > 0) app.set('trust proxy', [...proxies]);
  app.use(withoutBasePath(external?.path ?? '/'));
  app.use(identifyRequests);
  app.use(logRequests(log));
  app.use(measureRequests);
  app.use(cacheHeaders);
  app.use(securityHeaders(listening.isPrivate));
  app.use(allowOwnRequestsOnly(access.listening));
  if (access.sessions) app.use(requireSession(access.sessions, access.listening));
  app.use(refuseNul);
  app.use(compression());
  readBodies(app);
  app.useGlobalPipes(new EnvelopePipe());
  app.useGlobalFilters(new RefusalFilter());
  describeApi(app);
  serveWebApplication(app, fileURLToPath(new URL('../../web/dist', import.meta.url)), external);
  app.enableShutdownHooks();
  try {
    await app.init();
    // A port that is in use is reported below, in a sentence.
    log.muted = true;
    await app.listen(port, host);
    log.muted = false;
  } catch (error) {
    await open.close();
    throw listenFailure(error, host, port);
  }
  const bound = app.getHttpServer().address() as AddressInfo;
  listening = listeningAt(settings, bound.port);
  return {
    address: listening.local,
    others: isLoopback(host) && !external ? [] : listening.addresses,
  };
}

function listenFailure(error: unknown, host: string, port: number): unknown {
  const { code } = error as { code?: string };
  if (code === 'EADDRINUSE')
    return new StartFailure(`Port ${port} is in use by another program. End it, or start with another one: PORT=8471.`);
  if (code === 'EACCES')
    return new StartFailure(`Port ${port} may not be used here. Start with one above 1023: PORT=8470.`);
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND')
    return new StartFailure(`HOST=${host} is no address of this computer. Name one of its own, or 0.0.0.0 for all.`);
  return error;
}
