import {
  ROLES,
  type AccountDto,
  type InvitationView,
  type MemberView,
  type NewPersonDto,
  type PasswordDto,
  type PeopleView,
  type Role,
  type SetUpDto,
  type SignInDto,
} from '@coiled-strand/contract';
import { HttpStatus, Injectable } from '@nestjs/common';
import { DataSource, In, MoreThan, Raw, type EntityManager } from 'typeorm';
import { AppError, invalid, notFound } from '../errors/app-error.js';
import { currentUser, identityNow } from '../identity/identity.js';
import { LinkRow, MemberRow, PersonRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { beginWorkshop } from '../workshop/fresh-workshop.js';
import { hashPassword, isPassword } from './passwords.js';
import { personView, SessionsService } from './sessions.service.js';
import { skeletonOf } from './look-alike.js';
import { NameTries, Throttle } from './throttle.js';

/** Held by whoever sets up an installation, or changes who owns a workshop. */
const SETTING_UP = 727_002;

/** From here to the end of the transaction nobody else does such a thing. */
const oneAtATime = (manager: EntityManager): Promise<unknown> =>
  manager.query('select pg_advisory_xact_lock($1)', [SETTING_UP]);

/** At an open workshop nobody is anybody in particular. */
export const ownPasswordFirst = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'owner.open',
    'This workshop is open: whoever sits at this machine is its owner.',
    'Choose a password for yourself first; then others can be let in by name, and you can have several workshops.',
  );

const lastOwner = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'owner.last',
    'A workshop needs an owner, and this is the last one.',
    'Make somebody else an owner first.',
  );

const wrong = (): AppError =>
  new AppError(
    HttpStatus.UNAUTHORIZED,
    'sign-in.wrong',
    'Name and password do not go together.',
    'Look at both again. An owner can make a link for a new password.',
  );

/** People, what they sign in with, and which workshops they are in. */
@Injectable()
export class AccountsService {
  constructor(
    private readonly dataSource: DataSource,
    private readonly throttle: Throttle,
    private readonly names: NameTries,
    private readonly sessions: SessionsService,
  ) {}

  /** Whether some workshop has an owner who can sign in. */
  isOwned(): Promise<boolean> {
    return this.dataSource
      .createQueryBuilder(MemberRow, 'member')
      .innerJoin(PersonRow, 'person', 'person.id = member.person_id')
      .where(`member.role = 'owner' and person.password_hash is not null`)
      .getExists();
  }

  /** The first workshop and its owner. @throws AppError 409 where there is one already */
  async setUp({ workshop, ...about }: SetUpDto): Promise<{ personId: string; workshopId: string }> {
    return this.dataSource.transaction(async (manager) => {
      await refuseSetUp(manager);
      const person = await this.add(manager, about);
      const { id: workshopId } = await beginWorkshop(manager, workshop, person);
      await writeAuditEntry(manager, 'workshop.added', { workshopId, personId: person.id });
      return { personId: person.id, workshopId };
    });
  }

  /** @returns whose name and password it is. @throws AppError 401, 429, alike for names that there are and are not */
  async whose(
    { signIn, password }: SignInDto,
    address: string,
    device: string | null,
  ): Promise<string> {
    const person = await this.dataSource.manager.findOneBy(PersonRow, { signIn: asSignIn(signIn) });
    const takeBack = await this.count(signIn, person?.id ?? null, address, device);
    if (!(await isPassword(person?.passwordHash ?? null, password)) || !person) throw wrong();
    await takeBack();
    return person.id;
  }

  /** @throws AppError 409 where the name to sign in with is taken */
  async add(manager: EntityManager, { name, signIn, password }: NewPersonDto): Promise<PersonRow> {
    const passwordHash = await hashPassword(password);
    await refuseTaken(manager, signIn, null);
    return manager.save(
      PersonRow,
      manager.create(PersonRow, { name: name.trim(), signIn, passwordHash }),
    );
  }

  async change({ name, signIn }: AccountDto): Promise<void> {
    const { personId } = identityNow()!;
    const counted = await this.names.count(personId);
    await this.dataSource.transaction(async (manager) => {
      await refuseTaken(manager, signIn, personId);
      await refuseAlike(manager, name, { personId, workshopId: null });
      await manager.update(PersonRow, { id: personId }, { name: name.trim(), signIn });
      await writeAuditEntry(manager, 'person.changed', { subject: personId });
    });
    await counted();
  }

  /** A new password of one's own: other devices are signed out. @throws AppError 401 where the present one is wrong */
  async setPassword(
    { current, password }: PasswordDto,
    address: string,
    device: string | null,
  ): Promise<string> {
    const { personId, sessionId } = identityNow()!;
    const person = await this.dataSource.manager.findOneByOrFail(PersonRow, { id: personId });
    if (person.passwordHash !== null) {
      const takeBack = await this.count(person.signIn, personId, address, device);
      if (!(await isPassword(person.passwordHash, current ?? ''))) {
        throw new AppError(
          HttpStatus.UNPROCESSABLE_ENTITY,
          'password.wrong',
          'The present password is another one.',
          'Type it again. Nothing was changed.',
        );
      }
      await takeBack();
    }
    const passwordHash = await hashPassword(password);
    await this.dataSource.transaction(async (manager) => {
      await manager.update(PersonRow, { id: personId }, { passwordHash });
      await this.sessions.endAll(manager, personId, sessionId);
      await writeAuditEntry(manager, 'person.password', { subject: personId });
    });
    return personId;
  }

  async addWorkshop(name: string): Promise<string> {
    const { personId, sessionId } = identityNow()!;
    if (sessionId === null) throw ownPasswordFirst();
    const { id } = await this.dataSource.transaction(async (manager) => {
      const person = await manager.findOneByOrFail(PersonRow, { id: personId });
      const workshop = await beginWorkshop(manager, name.trim(), person);
      await writeAuditEntry(manager, 'workshop.added', { workshopId: workshop.id });
      return workshop;
    });
    return id;
  }

  async people(): Promise<PeopleView> {
    const { workshopId, role, personId: mine } = currentUser();
    const { manager } = this.dataSource;
    const members = await manager.findBy(MemberRow, { workshopId });
    const people = await manager.findBy(PersonRow, { id: In(members.map((one) => one.personId)) });
    const byId = new Map(people.map((person) => [person.id, person]));
    members.sort((a, b) => {
      const [x, y] = [byId.get(a.personId)!, byId.get(b.personId)!];
      return ROLES.indexOf(b.role) - ROLES.indexOf(a.role) || x.name.localeCompare(y.name);
    });
    return {
      members: await Promise.all(
        members.map(async ({ personId, role: theirs, createdAt }): Promise<MemberView> => ({
          ...personView(byId.get(personId)!),
          role: theirs,
          since: createdAt.toISOString(),
          linkable: role === 'owner' && (await this.isLinkable(manager, mine, personId)),
        })),
      ),
      invitations: role === 'owner' ? await this.invitations(workshopId) : [],
    };
  }

  private async invitations(workshopId: string): Promise<InvitationView[]> {
    const links = await this.dataSource.manager.find(LinkRow, {
      where: { workshopId, kind: 'invitation', until: MoreThan(new Date()) },
      order: { createdAt: 'ASC', id: 'ASC' },
    });
    return links.map(({ id, role, who, until }) => ({
      id,
      role: role ?? 'viewer',
      who,
      until: until.toISOString(),
    }));
  }

  /** Whether somebody owns every workshop that a person is in: then their password opens nothing else. */
  async isLinkable(manager: EntityManager, mine: string, personId: string): Promise<boolean> {
    const theirs = await manager.findBy(MemberRow, { personId });
    const owned = await manager.countBy(MemberRow, {
      personId: mine,
      role: 'owner',
      workshopId: In(theirs.map(({ workshopId }) => workshopId)),
    });
    return owned === theirs.length;
  }

  async setRole(personId: string, role: Role): Promise<void> {
    await this.member(personId, async (manager, member) => {
      if (member.role === 'owner' && role !== 'owner') await refuseLastOwner(manager, member);
      await manager.update(MemberRow, { id: member.id }, { role });
      await writeAuditEntry(manager, 'person.role', { subject: personId, more: role });
    });
  }

  /** One who is sent away, or goes; their account stays, for it may be in other workshops. */
  async remove(personId: string): Promise<void> {
    await this.member(personId, async (manager, member) => {
      if (member.role === 'owner') await refuseLastOwner(manager, member);
      await manager.delete(MemberRow, { id: member.id });
      await writeAuditEntry(manager, 'person.left', { subject: personId });
    });
  }

  /** Everything that is kept of whoever asks, but for what their password was made into. */
  async data(): Promise<object> {
    const { personId } = identityNow()!;
    const { manager } = this.dataSource;
    const { passwordHash: _hash, ...person } = await manager.findOneByOrFail(PersonRow, {
      id: personId,
    });
    return {
      person,
      workshops: await manager.query<object[]>(
        `select w.name, m.role, m.created_at as since from member m join workshop w on w.id = m.workshop_id
         where m.person_id = $1 order by m.created_at`,
        [personId],
      ),
      devices: await this.sessions.devices(),
      did: await manager.query<object[]>(
        'select created_at as at, did, more from trail where person_id = $1 order by created_at, id',
        [personId],
      ),
    };
  }

  /** The account of whoever asks, for good; the trail keeps what was done, and not by whom. */
  async forget(password: string, address: string, device: string | null): Promise<void> {
    const { personId } = identityNow()!;
    const { manager } = this.dataSource;
    const person = await manager.findOneByOrFail(PersonRow, { id: personId });
    if ((await this.whose({ signIn: person.signIn, password }, address, device)) !== personId)
      throw wrong();
    await this.dataSource.transaction(async (one) => {
      await oneAtATime(one);
      for (const member of await one.findBy(MemberRow, { personId, role: 'owner' })) {
        await refuseLastOwner(one, member);
      }
      await one.delete(PersonRow, { id: personId });
    });
  }

  /** Counts a try, on a device that knows whom it is for apart from all others. @returns how to take it back */
  private async count(
    signIn: string,
    personId: string | null,
    address: string,
    device: string | null,
  ): Promise<() => Promise<void>> {
    const known = await this.sessions.knows(device, personId);
    return this.throttle.count(signIn, address, known ? device : null);
  }

  private async member(
    personId: string,
    change: (manager: EntityManager, member: MemberRow) => Promise<void>,
  ): Promise<void> {
    const { workshopId } = currentUser();
    await this.dataSource.transaction(async (manager) => {
      // Two owners who send each other away at once do it one after the other.
      await oneAtATime(manager);
      const member = await manager.findOneBy(MemberRow, { workshopId, personId });
      if (!member) throw notFound('member');
      await change(manager, member);
    });
  }
}

/** As it is kept apart: without regard to capitals. */
const asSignIn = (signIn: string) =>
  Raw((column) => `lower(${column}) = lower(:signIn)`, { signIn: signIn.trim() });

async function refuseTaken(
  manager: EntityManager,
  signIn: string,
  own: string | null,
): Promise<void> {
  // Two who choose the same name at once: one waits here, and is then told.
  await manager.query('select pg_advisory_xact_lock(hashtext(lower($1)))', [signIn]);
  const found = await manager.findOneBy(PersonRow, { signIn: asSignIn(signIn) });
  if (found && found.id !== own) {
    // It may be taken by somebody whom nobody here knows: that there is somebody is not said.
    throw invalid([{ path: 'signIn', message: 'cannot be used; choose another' }], 'The account');
  }
}

/** Members of one workshop are told apart by their names. @throws AppError 422 for one that looks like another's */
export async function refuseAlike(
  manager: EntityManager,
  name: string,
  {
    personId,
    workshopId,
  }: { readonly personId: string | null; readonly workshopId: string | null },
): Promise<void> {
  const others = await manager.query<{ name: string }[]>(
    `select distinct p.name from member theirs join person p on p.id = theirs.person_id
     where theirs.person_id is distinct from $1
       and (theirs.workshop_id = $2
         or theirs.workshop_id in (select workshop_id from member where person_id = $1))`,
    [personId, workshopId],
  );
  const looks = skeletonOf(name);
  if (!others.some((other) => skeletonOf(other.name) === looks)) return;
  throw invalid(
    [{ path: 'name', message: 'looks like that of somebody who is here; add something to it' }],
    'The account',
  );
}

async function refuseLastOwner(manager: EntityManager, member: MemberRow): Promise<void> {
  const { workshopId } = member;
  if ((await manager.countBy(MemberRow, { workshopId, role: 'owner' })) < 2) throw lastOwner();
}

/** One at a time asks this, and does what it asked for in the same transaction. @throws AppError 409 */
export async function refuseSetUp(manager: EntityManager): Promise<void> {
  await oneAtATime(manager);
  if ((await manager.count(Workshop)) > 0) throw alreadySetUp();
}

const alreadySetUp = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'set-up.done',
    'This installation has its owner already.',
    'Sign in, or ask the owner for an invitation.',
  );
