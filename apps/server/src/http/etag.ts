import { HttpStatus } from '@nestjs/common';
import { AppError } from '../errors/app-error.js';

/** The ETag of a version: `"7"`. */
export const etag = (version: number): string => `"${version}"`;

/**
 * The version that the caller has seen, from `If-Match`.
 * @throws AppError 428 when the header is missing, 400 when it is no version
 */
export function versionSeen(header: string | undefined): number {
  if (!header) {
    throw new AppError(
      HttpStatus.PRECONDITION_REQUIRED,
      'version.missing',
      'The change does not say which version of the piece it was made on.',
      'Send the ETag you last saw as If-Match.',
    );
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
