import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { HttpStatus } from '@nestjs/common';
import type { Request } from 'express';
import { AppError } from '../errors/app-error.js';
import { unfitBackup } from './format.js';

/** More than any workshop has, in bytes. */
const MAX_BYTES = 20_000_000_000;

/**
 * Puts what is sent on the disk, as it comes, and takes it away again when it was looked at.
 *
 * @throws AppError 413, 422 for nothing, or for what broke off on its way
 */
export async function withUpload<T>(
  request: Request,
  use: (file: string) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'coiled-strand-restore-'));
  const file = join(folder, 'backup');
  let bytes = 0;
  const counted = new Transform({
    transform(data: Buffer, _, done) {
      bytes += data.length;
      done(bytes > MAX_BYTES ? tooLarge() : null, data);
    },
  });
  try {
    // A body that was read as something else has nothing left to give.
    if (request.readableEnded) throw unfitBackup('nothing of it arrived');
    try {
      await pipeline(request, counted, createWriteStream(file, { mode: 0o600 }));
    } catch (error) {
      if ((error as { code?: string }).code === 'ERR_STREAM_PREMATURE_CLOSE') {
        throw unfitBackup('it broke off on its way here');
      }
      throw error;
    }
    return await use(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const tooLarge = (): AppError =>
  new AppError(
    HttpStatus.PAYLOAD_TOO_LARGE,
    'body.too-large',
    `What was sent is larger than ${MAX_BYTES / 1_000_000_000} GB.`,
    'Restore it on the machine itself: npm run restore.',
  );
