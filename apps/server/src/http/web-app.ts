import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { NextFunction, Request, Response } from 'express';

const YEAR = 365 * 24 * 60 * 60 * 1000;

/** Serves the built web application; every address that is neither a file nor the API is a page of it. */
export function serveWebApp(app: NestExpressApplication, root: string): void {
  const page = join(root, 'index.html');
  if (!existsSync(page)) return;
  // File names in assets/ carry a hash of their content.
  app.useStaticAssets(join(root, 'assets'), {
    prefix: '/assets',
    immutable: true,
    maxAge: YEAR,
    fallthrough: false,
  });
  app.useStaticAssets(root, { index: false });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const wantsPage = request.method === 'GET' || request.method === 'HEAD';
    if (!wantsPage || /^\/api(\/|$)/.test(request.path)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
