import type { ErrorBody } from '@coiled-strand/contract';
import {
  Catch,
  HttpException,
  HttpStatus,
  Logger,
  type ArgumentsHost,
  type ExceptionFilter,
} from '@nestjs/common';
import type { Request, Response } from 'express';
import { bodyLimit } from './body-limits.js';
import { AppError, databaseAway, databaseBusy, diskFull } from './app-error.js';

interface Answer {
  readonly status: number;
  readonly error: ErrorBody['error'];
}

const DATABASE_GONE =
  /ECONNREFUSED|ECONNRESET|Connection terminated|the database system is|not currently accepting|57P0[123]/;

const sentence = (text: string): string => (text.endsWith('.') ? text : `${text}.`);

/** Codes of PostgreSQL and of the system for a disk without room. */
const NO_ROOM: readonly unknown[] = ['53100', 'ENOSPC'];

/** Codes of PostgreSQL for what waited too long for a lock or took too long, and for two that waited for each other. */
const BUSY: readonly unknown[] = ['55P03', '57014', '40P01', '53300'];
/** What the pool says where all its connections are taken for too long. */
const NO_CONNECTION = 'timeout exceeded when trying to connect';

const sayBytes = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.floor(bytes / 1000)} kB` : `${bytes / 1_000_000} MB`;

/**
 * @param picture whether the request sent a picture
 * @param limit bytes that its body may have
 */
function answerTo(exception: unknown, picture: boolean, limit: number): Answer {
  if (exception instanceof AppError) {
    const { status, code, message, remedy, details } = exception;
    return { status, error: { code, message, remedy, ...details } };
  }
  const { type, status, message } = exception as {
    type?: string;
    status?: number;
    message?: string;
  };
  if (type === 'entity.too.large' || status === 413) {
    return {
      status: HttpStatus.PAYLOAD_TOO_LARGE,
      error: {
        code: 'body.too-large',
        message: `What was sent is larger than ${sayBytes(limit)}.`,
        remedy: picture
          ? 'Make the picture smaller, or take it at a lower resolution.'
          : 'Check that this is what you wanted to send; a piece takes a few kilobytes.',
      },
    };
  }
  if (exception instanceof HttpException) {
    return {
      status: exception.getStatus(),
      error: {
        code: `http.${exception.getStatus()}`,
        message: sentence(exception.message),
        remedy: 'See /api/docs for what the server understands.',
      },
    };
  }
  const { code: fault, driverError } = exception as {
    code?: string;
    driverError?: { code?: string };
  };
  if (BUSY.includes(fault ?? driverError?.code) || message === NO_CONNECTION) {
    return answerTo(databaseBusy(), picture, limit);
  }
  if (NO_ROOM.includes(fault ?? driverError?.code)) return answerTo(diskFull(), picture, limit);
  const text = `${(exception as { code?: string }).code ?? ''} ${(exception as Error).message ?? ''}`;
  if (DATABASE_GONE.test(text)) {
    return answerTo(databaseAway(), picture, limit);
  }
  return {
    status: HttpStatus.INTERNAL_SERVER_ERROR,
    error: {
      code: 'internal',
      message: 'The server ran into a fault of its own.',
      remedy: 'Try again. If it stays, look for this request’s id in the server log.',
    },
  };
}

/** The one place where errors become answers, so that all have one shape. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  private readonly log = new Logger('Error');

  catch(exception: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request & { id?: string }>();
    const response = http.getResponse<Response>();
    const sent = request.headers['content-type'] ?? '';
    const { status, error } = answerTo(
      exception,
      sent.startsWith('image/'),
      bodyLimit(request.path, sent),
    );
    if (status >= 500) {
      this.log.error({
        requestId: request.id,
        path: request.path,
        code: error.code,
        stack: exception instanceof Error ? exception.stack : String(exception),
      });
    }
    if (response.headersSent) {
      response.end();
      return;
    }
    if (error.retryAfter !== undefined) response.setHeader('Retry-After', String(error.retryAfter));
    // A browser may keep a 404 or a 410, and would go on showing it when the thing is there again.
    response.setHeader('Cache-Control', 'no-store');
    const body: ErrorBody = { error: { ...error, requestId: request.id } };
    response.status(status).json(body);
  }
}
