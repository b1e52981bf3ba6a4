import type { RestoredView } from '@coiled-strand/contract';
import { HttpStatus } from '@nestjs/common';
import type { EntityManager, QueryRunner } from 'typeorm';
import { AppError } from '../errors/app-error.js';
import type { Identity } from '../identity/identity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { columnsIn, readBeside } from './beside.js';
import { unfitBackup, type Header } from './format.js';
import { LEFT_OUT, TABLES, type Table } from './tables.js';

/** Rows of the file take the place of those of this table. */
async function copy(
  runner: QueryRunner,
  scratch: string,
  table: string,
  columns: readonly string[],
  where = '',
): Promise<void> {
  const list = columns.map((column) => `"${column}"`).join(', ');
  await runner.query(
    `insert into public."${table}" (${list}) select ${list} from ${scratch}."${table}" one ${where}`,
  );
}

const countsOf = ({ tables }: Header): Readonly<Record<string, number>> =>
  Object.fromEntries(tables.map(({ name, rows }) => [name, rows]));

/**
 * The whole installation as it was: every workshop, every account. Everybody is signed out.
 *
 * @param check whether it may still be, asked in the transaction that does it
 */
export const restoreAll = (
  url: string,
  file: string,
  check: (manager: EntityManager) => Promise<void> = () => Promise.resolve(),
): Promise<RestoredView> =>
  readBeside(url, file, async (runner, scratch, header) => {
    await check(runner.manager);
    const gone = [...TABLES, ...LEFT_OUT.filter((table) => table !== 'migrations')];
    await runner.query(`truncate ${gone.map((table) => `public."${table}"`).join(', ')}`);
    const columns = await columnsIn(runner.manager, scratch);
    for (const table of TABLES) await copy(runner, scratch, table, columns.get(table)!);
    return {
      workshop: header.workshops.join(', '),
      counts: countsOf(header),
      renamed: [],
      notAsked: [],
    };
  });

/** Which rows come, where not all do. Who is new here came with the file, and is in no workshop that did not. */
const COMES: Readonly<Partial<Record<Table, string>>> = {
  member: `where person_id in (select id from came_before)
    or exists (select from came_along where id = one.person_id)`,
};

/** Lines of the trail that are not here yet. Of somebody who was here before only this installation tells. */
async function addTrail(
  runner: QueryRunner,
  scratch: string,
  columns: readonly string[],
): Promise<void> {
  const list = columns.map((column) => `"${column}"`).join(', ');
  const values = columns.map((column) =>
    column === 'person_id'
      ? 'case when exists (select from came_along where id = one.person_id) then one.person_id end'
      : `one."${column}"`,
  );
  await runner.query(
    `insert into public.trail (${list}) select ${values.join(', ')} from ${scratch}.trail one
     where not exists (select from public.trail here where here.id = one.id)`,
  );
}

const several = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'backup.several',
    'This backup holds several workshops.',
    'Whoever runs the machine restores it, in place of everything there: npm run restore.',
  );

const elsewhere = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'backup.elsewhere',
    'What this backup holds is in another workshop of this installation already.',
    'Work in that workshop and restore it there. Nothing was changed.',
  );

/**
 * One workshop as it was, in place of the one that is worked in. Accounts that are here stay as they are; of them only
 * members of that workshop are members of it again, since nobody comes into a workshop without having been asked.
 * Whoever restores stays an owner, and the trail goes on: what is told in it here stays.
 */
export const restoreWorkshop = (
  url: string,
  file: string,
  { workshopId, personId, sessionId }: Identity & { readonly workshopId: string },
): Promise<RestoredView> =>
  readBeside(url, file, async (runner, scratch, header) => {
    const found = (await runner.query(`select id, name from ${scratch}.workshop`)) as {
      id: string;
      name: string;
    }[];
    if (found.length > 1) throw several();
    const [theirs] = found;
    if (!theirs) throw unfitBackup('it holds no workshop');
    const owned = TABLES.filter((table) => table !== 'workshop' && table !== 'person');
    for (const table of owned) {
      const strange = (await runner.query(
        `select from ${scratch}."${table}" where workshop_id <> $1 limit 1`,
        [theirs.id],
      )) as object[];
      if (strange.length > 0) throw unfitBackup(`“${table}” belongs to another workshop`);
    }
    // Whoever writes into the workshop meanwhile waits, and then writes into what is there.
    await runner.query(
      `lock table ${[...TABLES].map((table) => `public."${table}"`).join(', ')} in share row exclusive mode`,
    );
    if (theirs.id !== workshopId) {
      const taken = (await runner.query('select from public.workshop where id = $1', [
        theirs.id,
      ])) as object[];
      if (taken.length > 0) throw elsewhere();
    }
    await runner.query(
      `create temporary table came_before on commit drop as
       select person_id as id from public.member where workshop_id = $1`,
      [workshopId],
    );
    const replaced = owned.filter((table) => table !== 'trail');
    for (const table of [...replaced].reverse()) {
      await runner.query(`delete from public."${table}" where workshop_id = $1`, [workshopId]);
    }
    const columns = await columnsIn(runner.manager, scratch);
    await takeThePlace(runner, scratch, workshopId, theirs.id, columns.get('workshop')!);
    const renamed = await addPeople(runner, scratch, columns.get('person')!);
    try {
      for (const table of replaced) {
        await copy(runner, scratch, table, columns.get(table)!, COMES[table]);
      }
      await addTrail(runner, scratch, columns.get('trail')!);
    } catch (error) {
      if ((error as { code?: string }).code === '23505') throw elsewhere();
      throw error;
    }
    const notAsked = (await runner.query(
      `select person.name from ${scratch}.member one join ${scratch}.person on person.id = one.person_id
       where not exists (select from public.member here where here.id = one.id) order by person.name`,
    )) as { name: string }[];
    // Who is only whoever sits at an open machine gives way to owners who sign in.
    const [{ owned: signedInto }] = (await runner.query(
      `select exists (
         select from public.member m join public.person p on p.id = m.person_id
         where m.workshop_id = $1 and m.role = 'owner' and p.password_hash is not null) as owned`,
      [theirs.id],
    )) as [{ owned: boolean }];
    if (sessionId !== null || !signedInto) {
      await runner.query(
        `insert into public.member (workshop_id, person_id, role) values ($1, $2, 'owner')
         on conflict (workshop_id, person_id) do update set role = 'owner'`,
        [theirs.id, personId],
      );
    }
    await runner.query(
      `delete from public.person where password_hash is null
         and not exists (select from public.member where person_id = person.id)`,
    );
    await writeAuditEntry(runner.manager, 'workshop.restored', { workshopId: theirs.id });
    return {
      workshop: theirs.name,
      counts: countsOf(header),
      renamed,
      notAsked: notAsked.map(({ name }) => name),
    };
  });

/** The row of the workshop itself: sessions, copies on the disk and the trail go on belonging to it. */
async function takeThePlace(
  runner: QueryRunner,
  scratch: string,
  before: string,
  after: string,
  columns: readonly string[],
): Promise<void> {
  if (before === after) {
    const changes = columns.filter((column) => column !== 'id');
    const list = changes.map((column) => `"${column}"`).join(', ');
    await runner.query(
      `update public.workshop set (${list}) = (select ${list} from ${scratch}.workshop) where id = $1`,
      [before],
    );
    return;
  }
  await copy(runner, scratch, 'workshop', columns);
  await runner.query('update public.session set workshop_id = $2 where workshop_id = $1', [
    before,
    after,
  ]);
  for (const table of ['backup', 'trail']) {
    await runner.query(`update public.${table} set workshop_id = $2 where workshop_id = $1`, [
      before,
      after,
    ]);
  }
  await runner.query('delete from public.workshop where id = $1', [before]);
}

/** Accounts that are not here yet. A name that somebody else has is followed by a number. */
async function addPeople(
  runner: QueryRunner,
  scratch: string,
  columns: readonly string[],
): Promise<RestoredView['renamed']> {
  const fresh = (await runner.query(
    `select id, sign_in as "signIn" from ${scratch}.person one
     where not exists (select from public.person here where here.id = one.id) order by sign_in`,
  )) as { id: string; signIn: string }[];
  const renamed: { from: string; to: string }[] = [];
  for (const { id, signIn } of fresh) {
    for (let n = 1; ; n++) {
      const name = n === 1 ? signIn : `${signIn}-${n}`;
      const taken = (await runner.query(
        `select from public.person where lower(sign_in) = lower($1)
         union all select from ${scratch}.person where lower(sign_in) = lower($1) and id <> $2`,
        [name, id],
      )) as object[];
      if (taken.length > 0) continue;
      if (n > 1) {
        await runner.query(`update ${scratch}.person set sign_in = $2 where id = $1`, [id, name]);
        renamed.push({ from: signIn, to: name });
      }
      break;
    }
  }
  await runner.query(
    `create temporary table came_along on commit drop as
     select id from ${scratch}.person one
     where not exists (select from public.person here where here.id = one.id)`,
  );
  await copy(runner, scratch, 'person', columns, 'where id in (select id from came_along)');
  return renamed;
}
