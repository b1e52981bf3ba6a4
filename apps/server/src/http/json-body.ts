import { HttpStatus } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { AppError, invalid } from '../errors/app-error.js';
import { jsonExcess } from './json-limits.js';

export const JSON_TYPE = 'application/json';

const malformed = (words: string): AppError =>
  new AppError(
    HttpStatus.BAD_REQUEST,
    'json.malformed',
    `What was sent is not JSON: ${words}.`,
    'Check brackets, quotes and commas at the place named.',
  );

/**
 * Reads a body of JSON out of its bytes, when it is known to be of a size that is worth reading.
 *
 * @throws AppError 422 where it holds too much, 400 where it is no JSON
 */
export function jsonBody(request: Request, _: Response, next: NextFunction): void {
  const { body } = request as { body: unknown };
  if (!Buffer.isBuffer(body) || !request.is(JSON_TYPE)) return next();
  const excess = jsonExcess(body);
  if (excess !== null)
    return next(invalid([{ path: '', message: `It holds ${excess}` }], 'What was sent'));
  try {
    const read: unknown = body.length === 0 ? {} : JSON.parse(body.toString());
    if (typeof read !== 'object' || read === null)
      return next(malformed('it is no object and no list'));
    request.body = read;
    next();
  } catch (error) {
    next(malformed((error as Error).message));
  }
}
