import { createHash } from 'node:crypto';
import { setTimeout } from 'node:timers/promises';
import {
  HttpStatus,
  Injectable,
  SetMetadata,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import type { Request, Response } from 'express';
import { from, lastValueFrom, type Observable } from 'rxjs';
import { DataSource } from 'typeorm';
import { AppError } from '../errors/app-error.js';
import { Ending } from '../http/ending.js';
import { requestKey } from '../http/etag.js';
import { identityNow } from '../identity/identity.js';
import { CarriedOut, inTheNameOf, type NamedRequest } from './named-request.js';

const UNREPEATED = 'unrepeated';

/** Marks a route whose answer is told once and never stored, since it holds what opens something. */
export const AnsweredOnce = (): MethodDecorator => SetMetadata(UNREPEATED, true);

/** So long one waits for the answer to the first request of its name, in ms, and looks so often. */
const WAIT = 5_000;
const LOOK = 50;

interface Stored {
  readonly fingerprint: string;
  readonly answered: boolean;
  readonly answer: string | null;
  readonly etag: string | null;
}

const another = (): AppError =>
  new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'request.another',
    'Something else was asked for under this Idempotency-Key.',
    'Send a new key with every new request. Nothing was changed.',
  );

const answerLost = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'request.carried-out',
    'This was carried out already, and its answer is not told again.',
    'Look at what is there now before you do it once more.',
  );

/** Carries out a request that has a name once, however often it comes within a day. */
@Injectable()
export class Once implements NestInterceptor {
  constructor(
    private readonly dataSource: DataSource,
    private readonly reflector: Reflector,
    private readonly ending: Ending,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const http = context.switchToHttp();
    const request = named(http.getRequest<Request>());
    if (!request) return next.handle();
    const secret = this.reflector.get<boolean>(UNREPEATED, context.getHandler()) === true;
    return from(this.once(request, next, http.getResponse<Response>(), secret));
  }

  private async once(
    request: NamedRequest,
    next: CallHandler,
    response: Response,
    secret: boolean,
  ): Promise<unknown> {
    const before = await this.stored(request);
    if (before) return this.again(request, before, response);
    try {
      const answer: unknown = await inTheNameOf(request, () =>
        lastValueFrom(next.handle(), { defaultValue: undefined }),
      );
      if (request.claimed && !secret) await this.keep(request, answer, response);
      return answer;
    } catch (error) {
      if (!(error instanceof CarriedOut)) throw error;
      const first = await this.stored(request);
      if (!first) throw error;
      return this.again(request, first, response);
    }
  }

  /** What the first of its name was answered. */
  private async again(request: NamedRequest, first: Stored, response: Response): Promise<unknown> {
    if (first.fingerprint !== request.fingerprint) throw another();
    let stored: Stored | null = first;
    for (let waited = 0; stored && !stored.answered && waited < WAIT; waited += LOOK) {
      // A server that ends waits for no answer of another request.
      if (this.ending.begun) break;
      await setTimeout(LOOK);
      stored = await this.stored(request);
    }
    if (!stored?.answered) throw answerLost();
    if (stored.etag !== null) response.setHeader('ETag', stored.etag);
    return stored.answer === null ? undefined : (JSON.parse(stored.answer) as unknown);
  }

  private async stored({ personId, key }: NamedRequest): Promise<Stored | null> {
    const [row] = await this.dataSource.query<Stored[]>(
      `select fingerprint, answered, answer, etag from request
       where person_id = $1 and key = $2`,
      [personId, key],
    );
    return row ?? null;
  }

  private async keep(
    { personId, key }: NamedRequest,
    answer: unknown,
    response: Response,
  ): Promise<void> {
    await this.dataSource.query(
      `update request set answered = true, answer = $3, etag = $4
       where person_id = $1 and key = $2`,
      [personId, key, JSON.stringify(answer) ?? null, response.getHeader('ETag') ?? null],
    );
  }
}

/** The request as it is told apart from others; null where it has no name, or nobody asks. */
function named(request: Request): NamedRequest | null {
  if (request.method === 'GET' || request.method === 'HEAD') return null;
  const key = requestKey(request.headers['idempotency-key'] as string | undefined);
  const identity = identityNow();
  if (key === null || !identity) return null;
  const { personId, workshopId } = identity;
  const body = request.body as unknown;
  const hash = createHash('sha256').update(`${request.method} ${request.originalUrl}\n`);
  // What is read as it comes, as a photo is, is told apart by what is said of it.
  const { 'content-type': type, 'content-length': length } = request.headers;
  hash.update(Buffer.isBuffer(body) ? body : (JSON.stringify(body) ?? `${type} ${length}`));
  return { personId, workshopId, key, fingerprint: hash.digest('hex'), claimed: false };
}
