import { createHash } from 'node:crypto';
import { HttpStatus } from '@nestjs/common';
import { AppError } from '../errors/app-error.js';

const missing = (): AppError =>
  new AppError(
    HttpStatus.PRECONDITION_REQUIRED,
    'version.missing',
    'The change does not say which version it was made on.',
    'Send the ETag you last saw as If-Match.',
  );

/** The same value with the keys of its objects in order, without what is not there. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, one]) => one !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, one]) => [key, ordered(one)]),
  );
}

/** The ETag, without its quotes, of what has no number of its own: it changes with what it says, and changes back. */
export const contentTag = (value: object): string =>
  createHash('sha256')
    .update(JSON.stringify(ordered(value)))
    .digest('base64url')
    .slice(0, 22);

/**
 * Lets a change pass that was made on what is stored now.
 *
 * @param seen If-Match, as it came
 * @param stored what is stored, as the caller is told of it
 * @throws AppError 428 when the header is missing, 412 with what is stored when that is something else by now
 */
export function refuseStale(seen: string | undefined, etag: string, stored: object): void {
  if (!seen) throw missing();
  if (seen.trim().replace(/^W\//, '') === `"${etag}"`) return;
  throw new AppError(
    HttpStatus.PRECONDITION_FAILED,
    'changed',
    'Somebody changed this since you saw it.',
    'Look at it as it is now, and change it again. Nothing was stored.',
    { stored },
  );
}

/** The ETag of a version: `"7"`. */
export const etag = (version: number): string => `"${version}"`;

/**
 * The version that the caller has seen, from `If-Match`.
 * @throws AppError 428 when the header is missing, 400 when it is no version
 */
export function versionSeen(header: string | undefined): number {
  if (!header) {
    throw missing();
  }
  const version = /^(?:W\/)?"(\d{1,9})"$/.exec(header.trim())?.[1];
  if (version === undefined) {
    throw new AppError(
      HttpStatus.BAD_REQUEST,
      'version.unreadable',
      `If-Match is ${header}, which is no version.`,
      'Send the ETag as it came, such as "7".',
    );
  }
  return Number(version);
}

/**
 * The name that a caller gave its request, from `Idempotency-Key`; null where it gave none.
 * @throws AppError 400 when it is no name
 */
export function requestKey(header: string | undefined): string | null {
  if (header === undefined) return null;
  if (/^[\w-]{8,64}$/.test(header)) return header;
  throw new AppError(
    HttpStatus.BAD_REQUEST,
    'request.unreadable',
    'Idempotency-Key is no name of a request.',
    'Send 8 to 64 letters, digits, hyphens and underscores that no other request has.',
  );
}
