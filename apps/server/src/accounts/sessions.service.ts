import type { DeviceView, Role, SessionView, WorkshopOfView } from '@coiled-strand/contract';
import { Inject, Injectable } from '@nestjs/common';
import type { Request, Response } from 'express';
import type { Pool } from 'pg';
import { DataSource, Not, type EntityManager } from 'typeorm';
import type { PostgresDriver } from 'typeorm/driver/postgres/PostgresDriver.js';
import { notFound } from '../errors/app-error.js';
import {
  changeTokenOf,
  deviceIn,
  giveCookie,
  giveDeviceCookie,
  hashOf,
  LASTS,
  newToken,
  takeCookie,
  tokenIn,
} from '../identity/cookie.js';
import { identityNow, signedOut, type Identity } from '../identity/identity.js';
import { isFromHere } from '../identity/loopback.js';
import { MemberRow, PersonRow, SessionRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';

/** Whether the program listens to this machine alone. */
export const AT_HOME = Symbol('listens on loopback');

/** Seen is written down no more often than this, in ms. */
const SEEN_EVERY = 60_000;

const HELD = `
  select s.id, s.person_id as "personId", s.workshop_id as "workshopId", s.seen_at as "seenAt", m.role
  from session s
  left join member m on m.person_id = s.person_id and m.workshop_id = s.workshop_id
  where s.token_hash = $1 and s.seen_at > $2`;

/** The first owner of all, where nobody has a password: one row, or none. */
const OPEN = `
  select m.person_id as "personId", m.workshop_id as "workshopId", m.role
  from member m join workshop w on w.id = m.workshop_id
  where m.role = 'owner' and not exists (select from person where password_hash is not null)
  order by w.created_at, w.id, m.created_at, m.id
  limit 1`;

interface Held {
  readonly id: string;
  readonly personId: string;
  readonly workshopId: string | null;
  readonly seenAt: Date;
  readonly role: Role | null;
}

/** Who is signed in where. All of it is in the database: any server knows it, and what is ended is ended at once. */
@Injectable()
export class SessionsService {
  constructor(
    private readonly dataSource: DataSource,
    @Inject(AT_HOME) private readonly atHome: boolean,
  ) {}

  /** Who asks; null for one who is not signed in. */
  async identify(request: Request, response: Response): Promise<Identity | null> {
    const token = tokenIn(request);
    const held = token === null ? null : await this.held(token);
    if (held) {
      if (Date.now() - held.seenAt.getTime() > SEEN_EVERY && !response.headersSent) {
        await this.dataSource.manager.update(SessionRow, { id: held.id }, { seenAt: new Date() });
        giveCookie(request, response, token!);
      }
      return this.workingIn(held);
    }
    return this.atHome && isFromHere(request) ? this.open() : null;
  }

  /** Asked with every request: by a statement that the database has ready by its name. */
  private async ask<T extends object>(name: string, text: string, values: unknown[]): Promise<T[]> {
    const pool = (this.dataSource.driver as PostgresDriver).master as Pool;
    return (await pool.query<T>({ name, text, values })).rows;
  }

  /** Whether nobody has a password, so that none is asked for at this machine. */
  private async open(): Promise<Identity | null> {
    const [owner] = await this.ask<Pick<Held, 'personId' | 'workshopId' | 'role'>>(
      'open workshop',
      OPEN,
      [],
    );
    return owner ? { ...owner, sessionId: null } : null;
  }

  private async held(token: string): Promise<Held | null> {
    const seenSince = new Date(Date.now() - LASTS);
    const [held] = await this.ask<Held>('held session', HELD, [hashOf(token), seenSince]);
    return held ?? null;
  }

  /** One who was sent away from the workshop goes on in another that they are in. */
  private async workingIn({ id, personId, workshopId, role }: Held): Promise<Identity> {
    if (role !== null) return { personId, sessionId: id, workshopId, role };
    const { manager } = this.dataSource;
    const other = await manager.findOne(MemberRow, {
      where: { personId },
      order: { createdAt: 'ASC', id: 'ASC' },
    });
    if (other) await manager.update(SessionRow, { id }, { workshopId: other.workshopId });
    return {
      personId,
      sessionId: id,
      workshopId: other?.workshopId ?? null,
      role: other?.role ?? null,
    };
  }

  /** What the page is told of whoever looks at it. */
  async view(request: Request): Promise<SessionView> {
    const identity = identityNow();
    const token = tokenIn(request);
    if (!identity) {
      const there = (await this.dataSource.manager.count(Workshop)) > 0;
      return {
        state: there ? 'signed-out' : 'set-up',
        open: false,
        person: null,
        workshop: null,
        workshops: [],
        token: null,
      };
    }
    const person = await this.dataSource.manager.findOneByOrFail(PersonRow, {
      id: identity.personId,
    });
    const workshops = await this.workshopsOf(person.id);
    return {
      state: 'signed-in',
      open: identity.sessionId === null,
      person: personView(person),
      workshop: workshops.find(({ id }) => id === identity.workshopId) ?? null,
      workshops,
      token: identity.sessionId !== null && token !== null ? changeTokenOf(token) : null,
    };
  }

  private workshopsOf(personId: string): Promise<WorkshopOfView[]> {
    return this.dataSource.query<WorkshopOfView[]>(
      `select w.id, w.name, m.role from member m join workshop w on w.id = m.workshop_id
       where m.person_id = $1 order by m.created_at, w.id`,
      [personId],
    );
  }

  /** A new session in place of the one that the request came with, if any: nobody else knows its token. */
  async begin(
    request: Request,
    response: Response,
    personId: string,
    workshopId?: string,
  ): Promise<Identity> {
    const token = newToken();
    const before = tokenIn(request);
    const { manager } = this.dataSource;
    if (before !== null) await manager.delete(SessionRow, { tokenHash: hashOf(before) });
    await manager.insert(SessionRow, {
      tokenHash: hashOf(token),
      personId,
      workshopId: workshopId ?? null,
      agent: (request.headers['user-agent'] ?? '').slice(0, 300),
      address: addressOf(request),
      seenAt: new Date(),
    });
    const device = deviceIn(request) ?? newToken();
    giveCookie(request, response, token);
    await this.remember(device, personId);
    giveDeviceCookie(request, response, device);
    return this.workingIn((await this.held(token))!);
  }

  /** Whether somebody signed in on a device before. */
  async knows(device: string | null, personId: string | null): Promise<boolean> {
    if (device === null || personId === null) return false;
    const rows = await this.dataSource.query<object[]>(
      'select from device where token_hash = $1 and person_id = $2',
      [hashOf(device), personId],
    );
    return rows.length > 0;
  }

  /** Somebody showed who they are on this device. */
  private async remember(device: string, personId: string): Promise<void> {
    await this.dataSource.query(
      `insert into device (token_hash, person_id) values ($1, $2)
       on conflict (token_hash, person_id) do update set seen_at = now()`,
      [hashOf(device), personId],
    );
  }

  async end(request: Request, response: Response): Promise<void> {
    const token = tokenIn(request);
    if (token !== null) {
      await this.dataSource.manager.delete(SessionRow, { tokenHash: hashOf(token) });
    }
    takeCookie(response);
  }

  /** Devices of whoever asks, what was seen last first. */
  async devices(): Promise<DeviceView[]> {
    const identity = identityNow()!;
    const rows = await this.dataSource.manager.find(SessionRow, {
      where: { personId: identity.personId },
      order: { seenAt: 'DESC', id: 'ASC' },
    });
    return rows.map(({ id, agent, address, createdAt, seenAt }) => ({
      id,
      agent,
      address,
      since: createdAt.toISOString(),
      seenAt: seenAt.toISOString(),
      here: id === identity.sessionId,
    }));
  }

  async endOne(id: string): Promise<void> {
    const { personId } = identityNow()!;
    const { affected } = await this.dataSource.manager.delete(SessionRow, { id, personId });
    if (!affected) throw notFound('device');
  }

  /** All of a person, but for one that goes on. */
  async endAll(manager: EntityManager, personId: string, but: string | null): Promise<void> {
    await manager.delete(SessionRow, { personId, ...(but === null ? {} : { id: Not(but) }) });
  }

  /** @throws AppError 404 for a workshop that they are not in, as for one that there is not */
  async workIn(workshopId: string): Promise<void> {
    const { personId, sessionId } = identityNow()!;
    if (sessionId === null) throw signedOut();
    const { manager } = this.dataSource;
    const member = await manager.findOneBy(MemberRow, { personId, workshopId });
    if (!member) throw notFound('workshop');
    await manager.update(SessionRow, { id: sessionId }, { workshopId });
  }
}

export const personView = ({ id, name, signIn, passwordHash }: PersonRow) => ({
  id,
  name,
  signIn,
  hasPassword: passwordHash !== null,
});

export const addressOf = ({ ip }: Request): string => (ip ?? '').replace(/^::ffff:/, '');
