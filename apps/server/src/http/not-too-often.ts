import { HttpStatus } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { AppError } from '../errors/app-error.js';
import { isApi } from './web-app.js';

/** So many requests from one address in so many seconds: far more than pages send, and less than a flood. */
export interface Rate {
  readonly points: number;
  readonly duration: number;
}

/** Keeps one address from taking all of this process for itself; each process looks after its own. */
export function notTooOften(rate: Rate | null) {
  const limiter = rate && new RateLimiterMemory(rate);
  return (request: Request, _: Response, next: NextFunction): void => {
    if (!limiter || !isApi(request)) return next();
    limiter.consume(request.ip ?? '').then(
      () => next(),
      (refused: RateLimiterRes) =>
        next(
          new AppError(
            HttpStatus.TOO_MANY_REQUESTS,
            'asked-too-often',
            'That was a great many requests at once.',
            'Wait a moment. What you changed is kept in this window, and is sent then.',
            { retryAfter: Math.ceil(refused.msBeforeNext / 1000) },
          ),
        ),
    );
  };
}
