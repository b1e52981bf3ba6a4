import { randomUUID } from 'node:crypto';
import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';

const log = new Logger('Request');

/** What only reads and is answered at once, in ms, leaves no line: a page asks for a dozen things every few seconds. */
const AT_ONCE = 500;

/** Gives every request an id, and writes one structured line of each change, fault and long wait. */
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
    if (method === 'GET' && response.statusCode < 400 && ms < AT_ONCE) return;
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
