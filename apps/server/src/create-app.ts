import 'reflect-metadata';
import { PHOTO_TYPES } from '@coiled-strand/contract';
import { ConsoleLogger } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import compression from 'compression';
import { raw, type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { AppModule } from './app.module.js';
import type { Config } from './config/config.js';
import { ErrorFilter } from './errors/error.filter.js';
import { ValidationPipe } from './errors/validation.js';
import { BODY_LIMITS, SMALL } from './errors/body-limits.js';
import { Ending } from './http/ending.js';
import { notTooOften } from './http/not-too-often.js';
import { withIdentity } from './identity/identity.js';
import { plainRequest } from './http/plain-request.js';
import { JSON_TYPE, jsonBody } from './http/json-body.js';
import { requestLog } from './http/request-log.js';
import { sameSite } from './http/same-site.js';
import { serveWebApp } from './http/web-app.js';
import { serveOpenApi } from './openapi/document.js';

const EVENTS = 'text/event-stream';

/** The whole application, ready to listen; the tests use the same. */
export async function createApp(config: Config): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(config), {
    bufferLogs: true,
    abortOnError: false,
    bodyParser: false,
    logger: new ConsoleLogger({ json: true, logLevels: [...config.logLevels] }),
  });
  app.set('trust proxy', config.proxies);
  app.use(requestLog);
  app.use(app.get(Ending).sayLast);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          'worker-src': ["'self'", 'blob:'],
          'img-src': ["'self'", 'data:', 'blob:'],
          // Served over plain http on the maker's own machine.
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(sameSite(config.names));
  app.use(notTooOften(config.rate));
  // What is told as it happens must not wait until there is enough of it to be squeezed.
  app.use(
    compression({
      // Less of it is sooner sent than squeezed.
      threshold: '8kb',
      filter: (req, res) => req.headers.accept !== EVENTS && compression.filter(req, res),
    }),
  );
  // Whoever may be anybody sends little: a name, a password, a link.
  app.use(SMALL, raw({ type: JSON_TYPE, limit: BODY_LIMITS.small }));
  app.useBodyParser('raw', { type: JSON_TYPE, limit: BODY_LIMITS.json });
  app.use(jsonBody);
  app.use(plainRequest);
  app.useBodyParser('raw', { type: [...PHOTO_TYPES], limit: BODY_LIMITS.picture });
  // What is answered is for who asked, and asked for anew each time; a route that knows better says so.
  app.use('/api', (_: Request, response: Response, next: NextFunction) => {
    response.setHeader('Cache-Control', 'private, no-cache');
    next();
  });
  app.use(withIdentity);
  app.setGlobalPrefix('api');
  app.useGlobalPipes(new ValidationPipe());
  app.useGlobalFilters(new ErrorFilter());
  app.enableShutdownHooks();
  serveOpenApi(app);
  if (config.webRoot) serveWebApp(app, config.webRoot);
  return app;
}
