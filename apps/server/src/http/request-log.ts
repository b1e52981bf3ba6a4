import { randomUUID } from 'node:crypto';
import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';

const log = new Logger('Request');

/** Gives every request an id and writes one structured line when it is answered. */
export function requestLog(
  request: Request & { id?: string },
  response: Response,
  next: NextFunction,
): void {
  const started = process.hrtime.bigint();
  request.id = randomUUID();
  response.setHeader('X-Request-Id', request.id);
  response.on('finish', () => {
    const { method, originalUrl } = request;
    if (!originalUrl.startsWith('/api')) return;
    const ms = Number(process.hrtime.bigint() - started) / 1e6;
    log.log({
      requestId: request.id,
      method,
      path: originalUrl,
      status: response.statusCode,
      ms: Number(ms.toFixed(1)),
    });
  });
  next();
}
