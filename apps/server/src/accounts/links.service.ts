import type { LinkView, MadeLinkView, NewPersonDto, Role } from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, MoreThan, type EntityManager } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { hashOf, newToken } from '../identity/cookie.js';
import { currentUser } from '../identity/identity.js';
import { LinkRow, MemberRow, PersonRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { AccountsService, ownPasswordFirst, refuseAlike } from './accounts.service.js';
import { hashPassword } from './passwords.js';
import { SessionsService } from './sessions.service.js';

const DAY = 24 * 60 * 60 * 1000;
/** How long an invitation and a link for a new password hold. */
const HOLDS = { invitation: 7 * DAY, password: 2 * DAY } as const;

const spent = (): AppError =>
  new AppError(
    HttpStatus.GONE,
    'link.spent',
    'This link was used, withdrawn, or is too old.',
    'Ask whoever sent it for a new one.',
  );

/** Invitations, and leave to choose a new password: links that hold once, made by owners. */
@Injectable()
export class LinksService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly accounts: AccountsService,
    private readonly sessions: SessionsService,
  ) {}

  invite(role: Role, who: string): Promise<MadeLinkView> {
    return this.dataSource.transaction(async (manager) => {
      const made = await this.make(manager, { kind: 'invitation', role, personId: null, who });
      await writeAuditEntry(manager, 'person.invited', { subject: made.id, more: role });
      return made;
    });
  }

  async withdraw(id: string): Promise<void> {
    const { workshopId } = currentUser();
    await this.dataSource.transaction(async (manager) => {
      const gone = await manager.delete(LinkRow, { id, workshopId, kind: 'invitation' });
      if (!gone.affected) throw notFound('invitation');
      await writeAuditEntry(manager, 'person.uninvited', { subject: id });
    });
  }

  /** For a member whose password is forgotten, or who has none yet. */
  forPassword(personId: string): Promise<MadeLinkView> {
    const { workshopId, personId: mine } = currentUser();
    return this.dataSource.transaction(async (manager) => {
      const member = await manager.findOneBy(MemberRow, { workshopId, personId });
      if (!member) throw notFound('member');
      if (!(await this.accounts.isLinkable(manager, mine, personId))) {
        throw new AppError(
          HttpStatus.CONFLICT,
          'person.elsewhere',
          'They are also in a workshop that you do not own: a new password would open that as well.',
          'An owner of all their workshops can make the link, or whoever runs the machine: npm run owner.',
        );
      }
      await manager.delete(LinkRow, { kind: 'password', personId });
      const made = await this.make(manager, { kind: 'password', role: null, personId, who: '' });
      await writeAuditEntry(manager, 'person.link', { subject: personId });
      return made;
    });
  }

  private async make(
    manager: EntityManager,
    values: Pick<LinkRow, 'kind' | 'role' | 'personId' | 'who'>,
  ): Promise<MadeLinkView> {
    const { workshopId, personId: madeBy, sessionId } = currentUser();
    if (sessionId === null) throw ownPasswordFirst();
    const token = newToken();
    const until = new Date(Date.now() + HOLDS[values.kind]);
    const { id } = await manager.save(
      LinkRow,
      manager.create(LinkRow, { workshopId, madeBy, tokenHash: hashOf(token), until, ...values }),
    );
    return { id, token, until: until.toISOString() };
  }

  /** What a link is for. @throws AppError 410 where it is for nothing (any more) */
  async look(token: string): Promise<LinkView> {
    const { manager } = this.dataSource;
    const link = await this.held(manager, token, null);
    const workshop = await manager.findOneBy(Workshop, { id: link.workshopId });
    const by =
      link.madeBy === null ? null : await manager.findOneBy(PersonRow, { id: link.madeBy });
    const whose =
      link.personId === null ? null : await manager.findOneBy(PersonRow, { id: link.personId });
    return {
      kind: link.kind,
      workshop: workshop?.name ?? null,
      role: link.role,
      by: by?.name ?? '',
      signIn: whose?.signIn ?? null,
      until: link.until.toISOString(),
    };
  }

  /** One who is new here takes up an invitation. */
  async joinAnew(
    token: string,
    about: NewPersonDto,
  ): Promise<{ personId: string; workshopId: string }> {
    return this.dataSource.transaction(async (manager) => {
      const link = await this.taken(manager, token, 'invitation');
      const { id } = await this.accounts.add(manager, about);
      return this.enter(manager, link, id);
    });
  }

  /** One who is known here takes up an invitation. */
  async join(token: string, personId: string): Promise<{ personId: string; workshopId: string }> {
    return this.dataSource.transaction(async (manager) =>
      this.enter(manager, await this.taken(manager, token, 'invitation'), personId),
    );
  }

  private async enter(manager: EntityManager, { workshopId, role }: LinkRow, personId: string) {
    if (await manager.existsBy(MemberRow, { workshopId, personId })) {
      throw new AppError(
        HttpStatus.CONFLICT,
        'member.already',
        'You are in this workshop already.',
        'Choose it under You. The invitation still holds for somebody else.',
      );
    }
    const { name } = await manager.findOneByOrFail(PersonRow, { id: personId });
    await refuseAlike(manager, name, { personId, workshopId });
    await manager.insert(MemberRow, { workshopId, personId, role: role ?? 'viewer' });
    await writeAuditEntry(manager, 'person.joined', {
      workshopId,
      personId,
      subject: personId,
      more: role,
    });
    return { personId, workshopId };
  }

  /** A new password by a link: every device is signed out. */
  async reset(token: string, password: string): Promise<string> {
    const passwordHash = await hashPassword(password);
    return this.dataSource.transaction(async (manager) => {
      const { personId, workshopId, madeBy } = await this.taken(manager, token, 'password');
      if (personId === null || madeBy === null) throw spent();
      // They may have come into another workshop since, which it must not open.
      if (!(await this.accounts.isLinkable(manager, madeBy, personId))) throw spent();
      await manager.update(PersonRow, { id: personId }, { passwordHash });
      await this.sessions.endAll(manager, personId, null);
      await writeAuditEntry(manager, 'person.password', {
        workshopId,
        personId,
        subject: personId,
      });
      return personId;
    });
  }

  private async held(
    manager: EntityManager,
    token: string,
    kind: LinkRow['kind'] | null,
  ): Promise<LinkRow> {
    const link = await manager.findOneBy(LinkRow, {
      tokenHash: hashOf(token),
      until: MoreThan(new Date()),
      ...(kind === null ? {} : { kind }),
    });
    if (!link) throw spent();
    return link;
  }

  /** It holds once: of two who come at the same time one takes it. */
  private async taken(
    manager: EntityManager,
    token: string,
    kind: LinkRow['kind'],
  ): Promise<LinkRow> {
    const link = await this.held(manager, token, kind);
    const { affected } = await manager.delete(LinkRow, { id: link.id });
    if (!affected) throw spent();
    return link;
  }
}
