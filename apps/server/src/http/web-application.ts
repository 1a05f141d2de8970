import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';

/** Serves the built web application; every address that is not the API's or a file's opens it. */
export function serveWebApplication(app: NestExpressApplication, folder: string): void {
  const page = join(folder, 'index.html');
  if (!existsSync(page)) return;
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
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
