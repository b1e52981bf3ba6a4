import { AsyncLocalStorage } from 'node:async_hooks';
import type { Role } from '@coiled-strand/contract';
import { HttpStatus } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { AppError } from '../errors/app-error.js';

/** Who asks, and in which workshop. */
export interface Identity {
  readonly personId: string;
  /** null where nobody has a password yet, so that none is asked for. */
  readonly sessionId: string | null;
  /** null for one who is in no workshop. */
  readonly workshopId: string | null;
  readonly role: Role | null;
}

const asking = new AsyncLocalStorage<{ identity: Identity | null }>();

/** Every request gets a place for who asks, which the guard fills before anything is done. */
export const withIdentity = (_request: Request, _: Response, next: NextFunction): void =>
  asking.run({ identity: null }, next);

/** Tells for the rest of this request who asks. */
export function identified(identity: Identity | null): void {
  const place = asking.getStore();
  if (place) place.identity = identity;
}

/** What the program does by itself, for a workshop: nobody asked. */
export const identityNow = (): Identity | null => asking.getStore()?.identity ?? null;

export const signedOut = (): AppError =>
  new AppError(
    HttpStatus.UNAUTHORIZED,
    'signed-out',
    'You are not signed in here.',
    'Sign in, and it goes on. What you changed meanwhile is kept in this window.',
  );

export const noWorkshop = (): AppError =>
  new AppError(
    HttpStatus.FORBIDDEN,
    'workshop.none',
    'You are in no workshop.',
    'Ask its owner for an invitation, or begin a workshop of your own.',
  );

/** @throws AppError 401, 403 where nobody asks or one who is in no workshop */
export function currentUser(): Identity & { readonly workshopId: string } {
  const identity = identityNow();
  if (!identity) throw signedOut();
  const { workshopId } = identity;
  if (workshopId === null) throw noWorkshop();
  return { ...identity, workshopId };
}
