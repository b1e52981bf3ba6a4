import { unstorable } from '@coiled-strand/contract';
import type { NextFunction, Request, Response } from 'express';
import { invalid } from '../errors/app-error.js';

/** Refuses such bodies before anything looks at them. */
export function plainBody(request: Request, _: Response, next: NextFunction): void {
  const faults = Buffer.isBuffer(request.body) ? [] : unstorable(request.body);
  next(faults.length > 0 ? invalid(faults, 'What was sent') : undefined);
}
