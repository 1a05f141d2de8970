import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import compression from 'compression';
import { AppModule } from './app.module.ts';
import { openDatabase } from './database/database.ts';
import { describeApi } from './http/api-description.ts';
import { EnvelopePipe } from './http/envelope.pipe.ts';
import { RefusalFilter } from './http/refusal.filter.ts';
import { serveWebApplication } from './http/web-application.ts';
import { readSettings } from './settings.ts';

const { port, dataFolder, demo } = readSettings(process.env);
const app = await NestFactory.create<NestExpressApplication>(AppModule.with(openDatabase(dataFolder), demo), {
  logger: ['error', 'fatal'],
  bodyParser: false,
  forceCloseConnections: true,
});
app.setGlobalPrefix('api');
app.disable('x-powered-by');
app.use(compression());
app.useBodyParser('json', { limit: '4mb', strict: false });
app.useGlobalPipes(new EnvelopePipe());
app.useGlobalFilters(new RefusalFilter());
describeApi(app);
serveWebApplication(app, new URL('../../web/dist', import.meta.url).pathname);
app.enableShutdownHooks();
await app.listen(port, '127.0.0.1');
process.stdout.write(`Usual Drag answers at ${(await app.getUrl()).replace('[::1]', 'localhost')}\n`);
