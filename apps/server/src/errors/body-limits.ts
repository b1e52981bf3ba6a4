import { PHOTO_LIMITS } from '@coiled-strand/contract';

/** Routes that are for anyone, or about people: names, passwords, links. */
export const SMALL = ['session', 'set-up', 'links', 'account', 'people', 'workshops'].map(
  (path) => `/api/${path}`,
);

/** Bytes that a body may have. */
export const BODY_LIMITS = { small: 4_096, json: 1_000_000, picture: PHOTO_LIMITS.bytes } as const;

/** @param type of the body, as the request says */
export function bodyLimit(path: string, type: string): number {
  if (type.startsWith('image/')) return BODY_LIMITS.picture;
  return SMALL.some((small) => path === small || path.startsWith(`${small}/`))
    ? BODY_LIMITS.small
    : BODY_LIMITS.json;
}
