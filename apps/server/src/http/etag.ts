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
