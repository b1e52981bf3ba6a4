import { DONE_BY, DONE_ELSEWHERE, type ErrorBody } from '@coiled-strand/contract';
import { setClock } from './clock';
import { nameOf } from './request-keys';

/** An answer of the server that is a fault, with its words and remedy. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly body: ErrorBody['error'],
  ) {
    super(body.message);
  }
}

/** The server gave no answer: it is down, or the network is. */
export class Unreachable extends Error {
  constructor() {
    super('The server is not answering.');
  }
}

/** Too many asked at once, or too often. */
const TOO_MANY = 429;

/** True for faults that pass by themselves: no answer, or a server that is not ready or has too much to do. */
export const isPassing = (error: unknown): boolean =>
  error instanceof Unreachable ||
  (error instanceof ApiError && (error.status >= 500 || error.status === TOO_MANY));

/** What is sent there opens something: nothing of it is noted down. */
const SECRET = /^\/(session|links|account|set-up)/;

/** An answer after which the same is not asked for again; signed in anew, one may go on where one was. */
const isLastWord = (status: number): boolean =>
  status < 500 && status !== TOO_MANY && status !== 401;

/** Nobody is signed in here, or not any more. */
export const isSignedOut = (error: unknown): boolean =>
  error instanceof ApiError && error.body.code === 'signed-out';

/** It was done by somebody else than is signed in now, or in another workshop. */
export const isElsewhere = (error: unknown): boolean =>
  error instanceof ApiError && error.body.code === DONE_ELSEWHERE;

/** The role that whoever is signed in has does not let them. */
export const isNotForMe = (error: unknown): boolean =>
  error instanceof ApiError && error.body.code === 'role.needed';

let onRefused: ((error: ApiError) => void) | null = null;

/** Hears of everything that is refused for who asks, wherever it was asked. */
export const whenRefused = (hear: typeof onRefused): void => {
  onRefused = hear;
};

/** What was asked for was put away: it can be brought back. */
export const isPutAway = (error: unknown): boolean =>
  error instanceof ApiError && error.status === 410;

/** What was asked for is not there, or no more. */
export const isGone = (error: unknown): boolean =>
  isPutAway(error) || (error instanceof ApiError && error.status === 404);

interface Call {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  /** Bytes sent as they are, instead of a body in JSON. */
  readonly bytes?: Blob;
  /** The ETag of what was seen, without its quotes. */
  readonly ifMatch?: number | string;
  /** A name for this request, where it has one already: what is sent twice is carried out once. */
  readonly request?: string;
  readonly keepalive?: boolean;
  /** Who did it and where, of something that may be sent later: it is taken from nobody else. */
  readonly doneBy?: string;
}

/**
 * Bytes of a body that may outlive its page: browsers refuse more than 64 KiB of all such requests together, and
 * with that the request itself.
 */
const OUTLIVES = 30_000;
const sizeOf = (text = ''): number => new TextEncoder().encode(text).length;

/**
 * Calls the API.
 * @throws ApiError for a fault the server names, Unreachable when there is no answer
 */
export async function call<T>(
  path: string,
  { method = 'GET', body, bytes, ...more }: Call = {},
): Promise<T> {
  const text = body === undefined ? undefined : JSON.stringify(body);
  const asked = Date.now();
  const asksAnew = method === 'POST' && !SECRET.test(path);
  const named = asksAnew ? nameOf(path, bytes ? await asText(bytes) : (text ?? '')) : null;
  const request = more.request ?? named?.key;
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(bytes ? { 'Content-Type': bytes.type } : {}),
        ...(request === undefined ? {} : { 'Idempotency-Key': request }),
        ...(more.doneBy ? { [DONE_BY]: more.doneBy } : {}),
        ...(more.ifMatch === undefined ? {} : { 'If-Match': `"${more.ifMatch}"` }),
      },
      body: bytes ?? text,
      keepalive: more.keepalive === true && sizeOf(text) <= OUTLIVES,
    });
  } catch {
    throw new Unreachable();
  }
  setClock(response.headers?.get('Date') ?? null, asked);
  const parsed: unknown = parse(await response.text());
  if (response.ok || isLastWord(response.status)) named?.answered();
  if (response.ok) return parsed as T;
  throw faultOf(response, parsed);
}

/**
 * Fetches a file of the API.
 * @throws as call does
 */
export async function fetchFile(
  path: string,
): Promise<{ readonly name: string; readonly blob: Blob }> {
  const response = await fetch(`/api${path}`).catch(() => {
    throw new Unreachable();
  });
  if (!response.ok) throw faultOf(response, parse(await response.text()));
  const called = response.headers.get('Content-Disposition') ?? '';
  const encoded = /filename\*=UTF-8''([^;]+)/.exec(called)?.[1];
  const name = encoded ? decodeURIComponent(encoded) : /filename="([^"]+)"/.exec(called)?.[1];
  return { name: name ?? 'file', blob: await response.blob() };
}

/** What an answer that is none says. Whoever has to know hears of it. */
function faultOf({ status }: Response, parsed: unknown): ApiError | Unreachable {
  // A proxy in between, or a server going down, answers in words of its own.
  if (typeof parsed !== 'object' || parsed === null || !('error' in parsed)) {
    return new Unreachable();
  }
  const fault = new ApiError(status, (parsed as ErrorBody).error);
  if (isSignedOut(fault) || isElsewhere(fault) || isNotForMe(fault)) onRefused?.(fault);
  return fault;
}

/** A letter for each byte. */
const asText = async (bytes: Blob): Promise<string> =>
  new TextDecoder('latin1').decode(await bytes.arrayBuffer());

function parse(text: string): unknown {
  if (text === '') return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
