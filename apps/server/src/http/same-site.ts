import { HttpStatus } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { AppError } from '../errors/app-error.js';

/** The name in a Host header or an origin, without its port and brackets, in small letters. */
export const nameIn = (host: string): string =>
  host
    .toLowerCase()
    .replace(/:\d+$/, '')
    .replace(/^\[(.*)\]$/, '$1');

const SAFE: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Names that this server answers to. A page of another site can make its own name lead to this machine and
 * would then read everything as if it were of this site; it cannot do that with an address of numbers, nor with a
 * name that is not its own.
 *
 * @param names further ones, as configured
 */
export function namesOf(names: readonly string[]): (host: string) => boolean {
  const own = hostname().toLowerCase();
  const known = new Set([
    'localhost',
    own,
    `${own}.local`,
    ...names.map((one) => one.toLowerCase()),
  ]);
  return (host) => isIP(nameIn(host)) !== 0 || known.has(nameIn(host));
}

/** Whether a browser says that a page of another site sent it. Other programs say nothing of the kind. */
function fromElsewhere({ headers }: Request): boolean {
  if (headers['sec-fetch-site'] === 'cross-site') return true;
  const { origin, host } = headers;
  if (origin === undefined) return false;
  // A page without a site of its own, as in a sandboxed frame, says "null".
  return !URL.canParse(origin) || new URL(origin).host !== host?.toLowerCase();
}

/** Refuses requests under a name that is not this server's, and changes that pages of other sites send. */
export function sameSite(names: readonly string[]) {
  const known = namesOf(names);
  return (request: Request, _: Response, next: NextFunction): void => {
    const { host = '' } = request.headers;
    if (!known(host)) {
      return next(
        new AppError(
          HttpStatus.FORBIDDEN,
          'host.unknown',
          `This workshop does not answer to the name “${nameIn(host).slice(0, 80)}”.`,
          'Open it by its address of numbers or as localhost; or set NAMES to the name and start it again.',
        ),
      );
    }
    if (!SAFE.has(request.method) && fromElsewhere(request)) {
      return next(
        new AppError(
          HttpStatus.FORBIDDEN,
          'site.other',
          'A page of another site asked for a change. Nothing was changed.',
          'Make the change in the workshop itself.',
        ),
      );
    }
    next();
  };
}
