import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import express, { type NextFunction, type Request, type Response } from 'express';

const YEAR = 365 * 24 * 60 * 60 * 1000;

export const isApi = ({ path }: Request): boolean => /^\/api(\/|$)/.test(path);

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
  const files = express.static(root, { index: false });
  app.use((request: Request, response: Response, next: NextFunction) => {
    // Nothing is looked for on the disk for the API.
    if (isApi(request)) return next();
    files(request, response, next);
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    const wantsPage = request.method === 'GET' || request.method === 'HEAD';
    if (!wantsPage || isApi(request)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(page);
  });
}
