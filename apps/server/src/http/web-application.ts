import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';
import type { ExternalAddress } from '../network/addresses.ts';

/**
 * Serves the built web application; every address that is not the API's or a file's opens it.
 *
 * @param external  address behind a proxy; the page has its path in its addresses. Null without a proxy
 */
export function serveWebApplication(
  app: NestExpressApplication,
  folder: string,
  external: ExternalAddress | null,
): void {
  const file = join(folder, 'index.html');
  if (!existsSync(file)) return;
  const basePath = external?.path ?? '/';
  const page = readFileSync(file, 'utf8').replaceAll('="./', `="${basePath}`);
  const sendPage = (request: Request, response: Response): void => {
    // Without the proxy, a page is below the same path, which the router of the page requires.
    if (external && request.headers.host?.toLowerCase() !== external.host && !request.originalUrl.startsWith(basePath))
      return response.redirect(302, basePath + request.url.slice(1));
    response.setHeader('Cache-Control', 'private, no-cache').type('html').send(page);
  };
  app.use('/index.html', sendPage);
  app.useStaticAssets(folder, {
    index: false,
    setHeaders: (response, path) => {
      const lasting = path.includes('/assets/');
      response.setHeader('Cache-Control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const reads = request.method === 'GET' || request.method === 'HEAD';
    const forPage = !request.path.startsWith('/api') && !request.path.startsWith('/assets');
    if (!reads || !forPage) return next();
    sendPage(request, response);
  });
}
