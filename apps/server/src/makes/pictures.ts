import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { HttpStatus } from '@nestjs/common';
import pLimit from 'p-limit';
import { AppError } from '../errors/app-error.js';
import type { Answered, Asked } from './picture-process.js';
import type { CleanPicture, Work } from './picture-work.js';

/** Built beside the rest, wherever this file is run from. */
const PROCESS = fileURLToPath(new URL('../../dist/makes/picture-process.js', import.meta.url));

/** So many pictures are decoded at once: a few hundred MB each. */
const AT_ONCE = 2;
/** So many wait for their turn; whoever comes then is told to come again. */
const WAITING = 40;
/** What takes so long, in ms, is no picture. */
const LONGEST = 20_000;
/** So long the process is kept without work, in ms. */
const IDLE = 30_000;

const busy = (): AppError =>
  new AppError(
    HttpStatus.SERVICE_UNAVAILABLE,
    'photos.busy',
    'Too many photos came at once.',
    'Send this one again in a moment. Nothing was stored.',
    { retryAfter: 5 },
  );

/** The process ended before it had an answer. */
const ENDED = Symbol('ended');

/**
 * Decodes pictures in a process of its own, a few at a time: what a picture does to whoever decodes it ends with that
 * process, and its memory is given back.
 */
class Pictures {
  private readonly turn = pLimit(AT_ONCE);
  private child: ChildProcess | null = null;
  private readonly waiting = new Map<number, (result: unknown) => void>();
  private asked = 0;
  private idle: NodeJS.Timeout | undefined;

  /** @returns null where there is none, or where the process ended over it. @throws AppError 503 when too many wait */
  async do<T>(work: Work, bytes: Uint8Array): Promise<T | null> {
    if (this.turn.pendingCount >= WAITING) throw busy();
    return this.turn(async () => {
      const first = await this.ask(work, bytes);
      // It may have ended over another one.
      const answer = first === ENDED ? await this.ask(work, bytes) : first;
      return answer === ENDED ? null : (answer as T | null);
    });
  }

  private ask(work: Work, bytes: Uint8Array): Promise<unknown> {
    clearTimeout(this.idle);
    const child = (this.child ??= this.begin());
    const id = ++this.asked;
    return new Promise((resolve) => {
      const late = setTimeout(() => child.kill('SIGKILL'), LONGEST);
      this.waiting.set(id, (result) => {
        clearTimeout(late);
        resolve(result);
      });
      child.send({ id, work, bytes } satisfies Asked, (error) => error && this.answer(id, ENDED));
    }).finally(() => this.rest());
  }

  private begin(): ChildProcess {
    const child = fork(PROCESS, [], { serialization: 'advanced', stdio: 'ignore', execArgv: [] });
    child.on('message', ({ id, result }: Answered) => this.answer(id, result));
    child.once('exit', () => {
      if (this.child === child) this.child = null;
      for (const id of [...this.waiting.keys()]) this.answer(id, ENDED);
    });
    // Whoever serves goes on living for other reasons than this one.
    child.unref();
    child.channel?.unref();
    return child;
  }

  end(): void {
    this.child?.kill('SIGKILL');
  }

  private answer(id: number, result: unknown): void {
    const take = this.waiting.get(id);
    this.waiting.delete(id);
    take?.(result);
  }

  private rest(): void {
    if (this.waiting.size > 0) return;
    this.idle = setTimeout(() => {
      this.child?.kill();
      this.child = null;
    }, IDLE).unref();
  }
}

const pictures = new Pictures();

/** Ends the process, whatever it does; the next picture begins another. */
export const endPictures = (): void => pictures.end();

/** @returns null for what is no picture of the types that are kept, is broken, or has more points than can be decoded */
export const cleanPicture = async (bytes: Buffer): Promise<CleanPicture | null> => {
  const clean = await pictures.do<CleanPicture>('clean', bytes);
  return clean && { ...clean, bytes: Buffer.from(clean.bytes) };
};

/** A picture made small; null where that is no picture. */
export const smallPicture = async (bytes: Buffer): Promise<Buffer | null> => {
  const small = await pictures.do<Uint8Array>('small', bytes);
  return small && Buffer.from(small);
};
