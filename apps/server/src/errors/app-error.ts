import type { ErrorBody } from '@coiled-strand/contract';
import type { FileFault } from '@coiled-strand/core';
import { HttpStatus } from '@nestjs/common';

type Details = Omit<ErrorBody['error'], 'code' | 'message' | 'remedy' | 'requestId'>;

/** A fault that the caller can act on: a code for programs, words and a remedy for people. */
export class AppError extends Error {
  constructor(
    readonly status: HttpStatus,
    readonly code: string,
    message: string,
    readonly remedy: string,
    readonly details: Details = {},
  ) {
    super(message);
  }
}

export const diskFull = (): AppError =>
  new AppError(
    HttpStatus.INSUFFICIENT_STORAGE,
    'disk.full',
    'The disk that holds the data is full.',
    'Free some space on it. What was saved stays; what you change is kept in this window until there is room.',
  );

export const databaseAway = (): AppError =>
  new AppError(
    HttpStatus.SERVICE_UNAVAILABLE,
    'database.away',
    'The database is not answering.',
    'Your work is kept in this window and is sent when it is back. Is PostgreSQL running?',
    { retryAfter: 2 },
  );

export const databaseBusy = (): AppError =>
  new AppError(
    HttpStatus.SERVICE_UNAVAILABLE,
    'database.busy',
    'The database had too much to do at once.',
    'Nothing was changed. Try again in a moment; what you changed is kept in this window.',
    { retryAfter: 2 },
  );

export const notFound = (what: string): AppError =>
  new AppError(
    HttpStatus.NOT_FOUND,
    'not-found',
    `There is no such ${what}.`,
    'It may have been removed in another window. Go back to the workshop.',
  );

export const invalid = (faults: readonly FileFault[], what: string): AppError =>
  new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'invalid',
    `${what} cannot be used as it is: ${faults
      .slice(0, 3)
      .map((fault) => (fault.path ? `${fault.path}: ${fault.message}` : fault.message))
      .join('; ')}${faults.length > 3 ? `; and ${faults.length - 3} more` : ''}.`,
    'Correct the values named and try again. Nothing was stored.',
    { faults },
  );
