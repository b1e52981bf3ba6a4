import { ApiError, call } from './client';
import { merge } from './merge';

/** Something stored as one may change it, and the ETag that it has as such. */
export interface Seen<T extends object> {
  readonly value: T;
  readonly etag: string;
}

/** What is wanted of it now. */
export interface Change<T extends object> {
  readonly seen: Seen<T>;
  /** As it is wanted, or what is done to it whatever it says by then. */
  readonly wanted: T | ((value: T) => T);
}

/** Somebody changed it since it was seen; what is stored comes along. */
export const isStale = (error: unknown): error is ApiError =>
  error instanceof ApiError && error.body.code === 'changed';

/** Of so many changes by others in a row one is told. */
const TRIES = 5;

/**
 * Sends a change. Where somebody else changed other parts of the same meanwhile, both changes are kept.
 *
 * @param read what may be changed of an answer
 * @throws ApiError 412 where they changed the same part
 */
export async function sendChange<T extends object, V>(
  path: string,
  { seen, wanted }: Change<T>,
  read: (view: V) => Seen<T>,
): Promise<V> {
  let body = typeof wanted === 'function' ? wanted(seen.value) : wanted;
  let now = seen;
  for (let turn = 1; ; turn++) {
    try {
      return await call<V>(path, { method: 'PUT', body, ifMatch: now.etag });
    } catch (error) {
      if (!isStale(error) || turn === TRIES) throw error;
      now = read(error.body.stored as V);
      const both =
        typeof wanted === 'function' ? wanted(now.value) : merge(seen.value, wanted, now.value);
      if (both === null) throw error;
      body = both;
    }
  }
}
