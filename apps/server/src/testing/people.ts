import type { Role } from '@coiled-strand/contract';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { hashPassword } from '../accounts/passwords.js';
import { hashOf, newToken } from '../identity/cookie.js';
import { MemberRow, PersonRow, SessionRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { beginWorkshop } from '../workshop/fresh-workshop.js';

export const PASSWORD = 'seven knots in one cord';

/** Made slow to make; all of a test have the same password. */
let hash: Promise<string> | undefined;

/** Somebody with a password, known by a part of their name. */
export async function addPerson(source: DataSource, signIn: string): Promise<PersonRow> {
  const passwordHash = await (hash ??= hashPassword(PASSWORD));
  const { manager } = source;
  return manager.save(PersonRow, manager.create(PersonRow, { name: signIn, signIn, passwordHash }));
}

/** What a signed-in browser sends along. */
export type Signed = Readonly<Record<'Cookie' | 'Sec-Fetch-Site', string>>;

/** As a page of the program itself asks. */
export const HERE = { 'Sec-Fetch-Site': 'same-origin' };

export const cookiesOf = ({ headers }: { headers: unknown }): string[] =>
  (headers as { 'set-cookie'?: string[] })['set-cookie'] ?? [];

/** The cookie of an answer, as a browser sends it back. */
export const signedBy = (answer: { headers: unknown }): Signed => ({
  Cookie: cookiesOf(answer)[0]!.split(';')[0]!,
  ...HERE,
});

export async function signIn(
  source: DataSource,
  personId: string,
  workshopId: string | null,
): Promise<Signed> {
  const token = newToken();
  await source.manager.insert(SessionRow, {
    tokenHash: hashOf(token),
    personId,
    workshopId,
    agent: 'a test',
    address: '127.0.0.1',
    seenAt: new Date(),
  });
  return { Cookie: `coiled-strand=${token}`, ...HERE };
}

/** One of a role in the first workshop. */
export async function memberOf(
  app: NestExpressApplication,
  role: Role,
  name = `some-${role}`,
): Promise<{ person: PersonRow; workshop: Workshop; signed: Signed }> {
  const source = app.get(DataSource);
  const [workshop] = await source.manager.find(Workshop, { order: { createdAt: 'ASC' }, take: 1 });
  const person = await addPerson(source, name);
  await source.manager.insert(MemberRow, {
    workshopId: workshop!.id,
    personId: person.id,
    role,
  });
  return { person, workshop: workshop!, signed: await signIn(source, person.id, workshop!.id) };
}

/** The owner of a workshop of their own. */
export async function stranger(app: NestExpressApplication, name = 'a-stranger') {
  const source = app.get(DataSource);
  const person = await addPerson(source, name);
  const workshop = await beginWorkshop(source.manager, `Workshop of ${name}`, person);
  return { person, workshop, signed: await signIn(source, person.id, workshop.id) };
}

/** Requests of somebody who is signed in, or of nobody. */
export const as =
  (app: NestExpressApplication, signed: Signed | null = null) =>
  (): ReturnType<typeof request> => {
    const agent = request.agent(app.getHttpServer());
    return signed ? agent.set(signed) : agent;
  };
