import { ParseUUIDPipe } from '@nestjs/common';
import { notFound } from '../errors/app-error.js';

/** An id in the path; what is no id names nothing. */
export const uuid = (what: string): ParseUUIDPipe =>
  new ParseUUIDPipe({ exceptionFactory: () => notFound(what) });
