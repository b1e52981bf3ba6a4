import { DONE_BY, DONE_ELSEWHERE, doneByOf, may } from '@coiled-strand/contract';
import { HttpStatus, Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import type { Request, Response } from 'express';
import { AppError } from '../errors/app-error.js';
import { changeTokenOf, tokenIn } from '../identity/cookie.js';
import { RULE, type Rule } from '../identity/roles.js';
import { identified, noWorkshop, signedOut, type Identity } from '../identity/identity.js';
import { SessionsService } from './sessions.service.js';

const SAFE: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * A browser says of itself from which site a change comes, which was looked at before. One that says nothing, and
 * yet brings a session along, must show that it could read what only this site reads.
 */
function refuseUnvouched(request: Request, { sessionId }: Identity): void {
  const { headers, method } = request;
  if (sessionId === null || SAFE.has(method)) return;
  if (headers.origin !== undefined || headers['sec-fetch-site'] !== undefined) return;
  if (headers['x-session-token'] === changeTokenOf(tokenIn(request) ?? '')) return;
  throw new AppError(
    HttpStatus.FORBIDDEN,
    'token.missing',
    'Nothing says that this change comes from the workshop’s own pages.',
    'Send the token that GET /api/session tells as X-Session-Token.',
  );
}

/**
 * What was done without a server is sent later, and says by whom and where it was done: in another's name, or in
 * another workshop, it is not taken.
 */
function refuseForAnother(request: Request, { personId, workshopId }: Identity): void {
  const doneBy = request.headers[DONE_BY];
  if (doneBy === undefined) return;
  if (doneBy === doneByOf(personId, workshopId ?? '')) return;
  throw new AppError(
    HttpStatus.CONFLICT,
    DONE_ELSEWHERE,
    'This was done by somebody else, or in another workshop, than is signed in here now.',
    'It stays on the device. It is sent when whoever did it is signed in here again, in that workshop.',
  );
}

/** Lets through whom the rule of a route lets through, and nobody where it has none. */
@Injectable()
export class WhoMay implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly sessions: SessionsService,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const rule = this.reflector.get<Rule | undefined>(RULE, context.getHandler());
    if (rule === undefined)
      throw new Error(`${context.getHandler().name} has no rule of who may use it`);
    if (rule === 'unasked') return true;
    const http = context.switchToHttp();
    const request = http.getRequest<Request>();
    const identity = await this.sessions.identify(request, http.getResponse<Response>());
    identified(identity);
    if (identity) {
      refuseUnvouched(request, identity);
      refuseForAnother(request, identity);
    }
    if (rule === 'anyone') return true;
    if (!identity) throw signedOut();
    if (rule === 'person') return true;
    if (identity.workshopId === null) throw noWorkshop();
    if (may(identity.role, rule)) return true;
    throw new AppError(
      HttpStatus.FORBIDDEN,
      'role.needed',
      `This needs ${rule === 'owner' ? 'an owner' : 'a maker'} of the workshop; you are here as its ${identity.role}.`,
      'Nothing was changed. An owner can give you another role.',
      { role: rule },
    );
  }
}
