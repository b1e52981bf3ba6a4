import { createHash, randomBytes } from 'node:crypto';
import { parse } from 'cookie';
import type { Request, Response } from 'express';

const NAME = 'coiled-strand';

/** Who is not seen for so long, in ms, is signed out. */
export const LASTS = 30 * 24 * 60 * 60 * 1000;

/** What nobody can guess: 256 random bits, as a text for cookies and links. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of a token: it opens nothing by itself. */
export const hashOf = (token: string): Buffer => createHash('sha256').update(token).digest();

/** What a change must bring along where no browser vouches for its page; follows from the session's own token. */
export const changeTokenOf = (token: string): string =>
  createHash('sha256').update(`change ${token}`).digest('base64url');

export const tokenIn = ({ headers }: Request): string | null =>
  parse(headers.cookie ?? '')[NAME] || null;

/** What is told in the same answer is told under it as well. */
export function giveCookie(request: Request, response: Response, token: string): void {
  request.headers.cookie = `${NAME}=${token}`;
  response.cookie(NAME, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: request.secure,
    maxAge: LASTS,
    path: '/',
  });
}

const DEVICE = 'coiled-strand-device';

/** A device on which nobody signed in for so long, in ms, is as good as new. */
export const DEVICE_LASTS = 365 * 24 * 60 * 60 * 1000;

/** By what a device is known on which somebody signed in before; it signs nobody in. */
export const deviceIn = ({ headers }: Request): string | null =>
  parse(headers.cookie ?? '')[DEVICE] || null;

export const giveDeviceCookie = (request: Request, response: Response, token: string): void =>
  void response.cookie(DEVICE, token, {
    httpOnly: true,
    sameSite: 'lax',
    secure: request.secure,
    maxAge: DEVICE_LASTS,
    path: '/api',
  });

export const takeCookie = (response: Response): void =>
  void response.clearCookie(NAME, { path: '/' });
