import { randomBytes } from 'node:crypto';
import { HttpStatus } from '@nestjs/common';
import { DataSource, type EntityManager, type QueryRunner } from 'typeorm';
import { createDataSource } from '../database/data-source.js';
import { AppError } from '../errors/app-error.js';
import { completeHands } from '../hand/complete-hands.js';
import { markOrigins } from '../stash/mark-origins.js';
import { fromBefore1, isBefore1, isLastBefore1 } from '../database/before-1.js';
import { checkRows } from './check-rows.js';
import { newer, readBackup, unfitBackup, type Header, type Row } from './format.js';
import { TABLES } from './tables.js';

/** Held by the one restore that goes on; what a killed one left behind is cleared away by the next. */
const RESTORING = 727_005;
/** Rows are put in so many at a time, or when they are so many characters long. */
const ROWS_AT_ONCE = 200;
const LETTERS_AT_ONCE = 4_000_000;

const underWay = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'restore.under-way',
    'Another backup is being restored.',
    'Wait for its end, and look at what is there then.',
  );

const tooOld = (): AppError =>
  new AppError(
    HttpStatus.UNPROCESSABLE_ENTITY,
    'backup.too-old',
    'This backup was made by a program older than the last one before version 1.0.0.',
    'Restore it with that program, take a backup there, and restore that one here. Nothing was changed.',
  );

/** What the database says of what does not fit into it: codes of classes 22 and 23, and names that it does not know. */
const UNFIT = /^(2[23]|42703|42P01)/;

/**
 * Reads a file into tables of its own beside those in use, as they were when it was made, brings them up to date as
 * any old database is, and then lets them take the place of the others, in one transaction. Whatever goes wrong
 * before that changes nothing.
 */
export async function readBeside<T>(
  url: string,
  file: string,
  replace: (runner: QueryRunner, scratch: string, header: Header) => Promise<T>,
): Promise<T> {
  const source = await createDataSource(url).initialize();
  const runner = source.createQueryRunner();
  const scratch = `restore_${randomBytes(6).toString('hex')}`;
  try {
    await runner.connect();
    const [lock] = (await runner.query('select pg_try_advisory_lock($1) as mine', [RESTORING])) as {
      mine: boolean;
    }[];
    if (!lock?.mine) throw underWay();
    await clearAway(runner);
    await runner.query(`create schema ${scratch}`);
    const header = await fill(url, file, scratch);
    await runner.startTransaction();
    try {
      const result = await replace(runner, scratch, header);
      await runner.query(`select pg_notify('coiled_strand', '{"changed":"all"}')`);
      await runner.commitTransaction();
      return result;
    } catch (error) {
      await runner.rollbackTransaction();
      throw error;
    }
  } catch (error) {
    const { code, message } = error as { code?: unknown; message: string };
    if (typeof code === 'string' && UNFIT.test(code)) throw unfitBackup(message);
    throw error;
  } finally {
    await runner.query(`drop schema if exists ${scratch} cascade`).catch(() => undefined);
    await runner.query('select pg_advisory_unlock($1)', [RESTORING]).catch(() => undefined);
    await runner.release();
    await source.destroy();
  }
}

async function clearAway(runner: QueryRunner): Promise<void> {
  const left = (await runner.query(
    `select nspname as name from pg_namespace where nspname like 'restore\\_%'`,
  )) as { name: string }[];
  for (const { name } of left) await runner.query(`drop schema "${name}" cascade`);
}

/** The tables of a file, brought up to date. */
async function fill(url: string, file: string, scratch: string): Promise<Header> {
  // The first line tells how far the tables were; the whole file is looked at before anything is made of it.
  const { header } = await readBackup(file);
  const { options } = createDataSource(url);
  // Everything is found and made in the tables of its own; what extensions bring lies beside them.
  const path = `-c search_path=${scratch},public`;
  const extra = options.extra as Readonly<Record<string, unknown>>;
  const own = { ...options, extra: { ...extra, options: path } };
  const known = options.migrations as unknown as (new () => object)[];
  const before1 = isLastBefore1(header.migrations);
  if (!before1 && isBefore1(header.migrations)) throw tooOld();
  const then = known.slice(0, before1 ? 1 : header.migrations.length);
  if (!before1 && header.migrations.some((name, i) => name !== then[i]?.name)) throw newer();
  if (then.length === 0) throw unfitBackup('it does not say how far its tables are');
  const old = await new DataSource({ ...own, migrations: then }).initialize();
  try {
    await old.runMigrations({ transaction: 'each' });
    const change = before1 ? fromBefore1 : (_: string, row: Row): Row => row;
    await old.transaction((manager) => putIn(manager, file, scratch, change));
  } finally {
    await old.destroy();
  }
  const now = await new DataSource({ ...own, migrations: known }).initialize();
  try {
    await now.runMigrations({ transaction: 'each' });
    if (before1) {
      const workshops = await now.query<{ id: string }[]>('select id from workshop');
      await markOrigins(
        now.manager,
        workshops.map(({ id }) => id),
      );
    }
    await checkRows(now.manager);
    await completeHands(now.manager);
  } finally {
    await now.destroy();
  }
  return header;
}

async function putIn(
  manager: EntityManager,
  file: string,
  scratch: string,
  change: (table: string, row: Row) => Row,
): Promise<void> {
  await beforehand(manager, scratch);
  const columns = await columnsIn(manager, scratch);
  const jsons = await jsonsIn(manager, scratch);
  let table = '';
  let rows: Row[] = [];
  let letters = 0;
  const flush = async (): Promise<void> => {
    if (rows.length > 0) await insert(manager, table, rows, columns.get(table), jsons);
    rows = [];
    letters = 0;
  };
  await readBackup(file, async (of, row) => {
    if (of !== table) await flush();
    table = of;
    rows.push(change(of, row));
    letters += JSON.stringify(row).length;
    if (rows.length >= ROWS_AT_ONCE || letters >= LETTERS_AT_ONCE) await flush();
  });
  await flush();
}

/** Rows may come before what they refer to, as long as it comes; and nobody is told of them. */
async function beforehand(manager: EntityManager, scratch: string): Promise<void> {
  const keys = await manager.query<{ at: string; name: string }[]>(
    `select conrelid::regclass::text as at, conname as name from pg_constraint
     where contype = 'f' and connamespace = $1::regnamespace`,
    [scratch],
  );
  for (const { at, name } of keys) {
    await manager.query(
      `alter table ${at} alter constraint "${name}" deferrable initially deferred`,
    );
  }
  for (const table of TABLES) {
    const [there] = await manager.query<{ there: boolean }[]>(
      `select to_regclass($1) is not null as there`,
      [`${scratch}.${table}`],
    );
    if (there?.there) await manager.query(`alter table ${table} disable trigger user`);
  }
}

/** Columns that somebody writes, by table. */
export async function columnsIn(
  manager: EntityManager,
  schema: string,
): Promise<Map<string, readonly string[]>> {
  const rows = await manager.query<{ table: string; columns: string[] }[]>(
    `select table_name as table, json_agg(column_name order by ordinal_position) as columns
     from information_schema.columns
     where table_schema = $1 and is_generated = 'NEVER' and table_name = any($2)
     group by table_name`,
    [schema, TABLES],
  );
  return new Map(rows.map(({ table, columns }) => [table, columns]));
}

/** Columns that hold JSON and are never without, as `table.column`: there a null is one of JSON, not of SQL. */
async function jsonsIn(manager: EntityManager, schema: string): Promise<ReadonlySet<string>> {
  const rows = await manager.query<{ column: string }[]>(
    `select table_name || '.' || column_name as column from information_schema.columns
     where table_schema = $1 and data_type in ('json', 'jsonb') and is_nullable = 'NO'`,
    [schema],
  );
  return new Set(rows.map(({ column }) => column));
}

async function insert(
  manager: EntityManager,
  table: string,
  rows: readonly Row[],
  known: readonly string[] | undefined,
  jsons: ReadonlySet<string>,
): Promise<void> {
  if (!known) throw unfitBackup(`it holds “${table.slice(0, 40)}”, which there was not then`);
  const named = Object.keys(rows[0]!);
  const strange = named.find((column) => !known.includes(column));
  if (strange !== undefined) {
    throw unfitBackup(`“${table}” has no “${strange.slice(0, 40)}”`);
  }
  if (rows.some((row) => Object.keys(row).join() !== named.join())) {
    throw unfitBackup(`rows of “${table}” have different columns`);
  }
  const list = named.map((column) => `"${column}"`).join(', ');
  const values = named
    .map((column) =>
      jsons.has(`${table}.${column}`) ? `coalesce("${column}", 'null')` : `"${column}"`,
    )
    .join(', ');
  await manager.query(
    `insert into "${table}" (${list}) select ${values} from json_populate_recordset(null::"${table}", $1::json)`,
    [JSON.stringify(rows)],
  );
}
