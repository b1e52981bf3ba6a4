import { unstorable } from '@coiled-strand/contract';
import type { NextFunction, Request, Response } from 'express';
import { invalid } from '../errors/app-error.js';

/** Refuses bodies and queries that hold what is no text, before anything looks at them. */
export function plainRequest({ body, query }: Request, _: Response, next: NextFunction): void {
  const faults = [...(Buffer.isBuffer(body) ? [] : unstorable(body)), ...unstorable(query)];
  next(faults.length > 0 ? invalid(faults, 'What was sent') : undefined);
}
