import { Readable } from 'node:stream';
import { createGzip, type Gzip } from 'node:zlib';
import type { DataSource, QueryRunner } from 'typeorm';
import { createDataSource } from '../database/data-source.js';
import { FORMAT, Sealer, VERSION, type Header, type Row } from './format.js';
import { AT_ONCE, MADE_AGAIN, TABLES, USUALLY_AT_ONCE, type Table } from './tables.js';

/** One workshop, as its owner may take it along; all of them for whoever runs the machine. */
export type Scope =
  | { readonly of: 'installation' }
  | { readonly of: 'workshop'; readonly id: string; readonly owner: string };

/** Members whose password opens no workshop that this owner does not own. */
const OWN = `
  select theirs.person_id from member theirs group by theirs.person_id
  having bool_and(exists (
    select from member mine where mine.workshop_id = theirs.workshop_id and mine.role = 'owner'
      and mine.person_id = '$owner'))`;

const MEMBERS = `select person_id from member where workshop_id = '$id'`;

/** What stands in a column, where it is not simply what the row has. */
function valueOf(scope: Scope, table: Table, column: string): string {
  if (scope.of === 'installation') return `"${column}"`;
  if (table === 'person' && column === 'password_hash') {
    return `case when id in (${OWN}) then password_hash end as password_hash`;
  }
  if (table === 'trail' && column === 'person_id') {
    return `case when person_id in (${MEMBERS}) then person_id end as person_id`;
  }
  return `"${column}"`;
}

function rowsOf(scope: Scope, table: Table): string {
  if (scope.of === 'installation') return '';
  if (table === 'workshop') return `where id = '$id'`;
  if (table === 'person') return `where id in (${MEMBERS})`;
  return `where workshop_id = '$id'`;
}

/** Ids come from the database itself; what is no id never gets here. */
const filled = (sql: string, scope: Scope): string => {
  if (scope.of === 'installation') return sql;
  for (const id of [scope.id, scope.owner]) {
    if (!/^[\da-f-]{36}$/.test(id)) throw new Error(`${id} is no id`);
  }
  return sql.replaceAll('$id', scope.id).replaceAll('$owner', scope.owner);
};

/** Columns that somebody wrote: what the database works out, and what is made again, is left out. */
async function columnsOf(runner: QueryRunner, table: Table): Promise<string[]> {
  const columns = (await runner.query(
    `select column_name as name from information_schema.columns
     where table_schema = current_schema() and table_name = $1 and is_generated = 'NEVER'
     order by ordinal_position`,
    [table],
  )) as { name: string }[];
  return columns.map(({ name }) => name).filter((name) => !MADE_AGAIN[table]?.includes(name));
}

async function* written(runner: QueryRunner, scope: Scope, madeAt: Date): AsyncGenerator<string> {
  const sealer = new Sealer();
  const queries = new Map<Table, string>();
  const counts: { name: Table; rows: number }[] = [];
  for (const table of TABLES) {
    const columns = await columnsOf(runner, table);
    // Not there yet: the database was not brought up to date since.
    if (columns.length === 0) continue;
    const values = columns.map((column) => valueOf(scope, table, column)).join(', ');
    const where = rowsOf(scope, table);
    queries.set(table, filled(`select ${values} from "${table}" ${where} order by id`, scope));
    const [count] = (await runner.query(
      filled(`select count(*)::int as rows from "${table}" ${where}`, scope),
    )) as { rows: number }[];
    counts.push({ name: table, rows: count!.rows });
  }
  const [about] = (await runner.query(
    filled(
      `select (select json_agg(name order by id) from migrations) as migrations,
         (select coalesce(json_agg(name order by created_at), '[]') from workshop ${rowsOf(scope, 'workshop')}) as workshops`,
      scope,
    ),
  )) as Pick<Header, 'migrations' | 'workshops'>[];
  yield sealer.line({
    header: {
      format: FORMAT,
      version: VERSION,
      madeAt: madeAt.toISOString(),
      scope: scope.of,
      ...about!,
      tables: counts,
    },
  });
  for (const { name } of counts) {
    yield sealer.begin(name);
    await runner.query(
      `declare rows no scroll cursor for select row_to_json(one)::text as row from (${queries.get(name)!}) one`,
    );
    for (;;) {
      const rows = (await runner.query(`fetch ${AT_ONCE[name] ?? USUALLY_AT_ONCE} from rows`)) as {
        row: string;
      }[];
      if (rows.length === 0) break;
      for (const { row } of rows) yield sealer.line({ row: JSON.parse(row) as Row });
    }
    await runner.query('close rows');
    yield sealer.end(name);
  }
  yield sealer.seal();
}

/** All of it as of one moment, whatever is changed meanwhile; the connection is its own. */
async function* asOfNow(url: string, scope: Scope, madeAt: Date): AsyncGenerator<string> {
  const source: DataSource = await createDataSource(url).initialize();
  const runner = source.createQueryRunner();
  try {
    await runner.query('begin isolation level repeatable read read only');
    yield* written(runner, scope, madeAt);
    await runner.query('commit');
  } finally {
    await runner.release();
    await source.destroy();
  }
}

/** A backup as it is written: never whole in memory, and only as fast as it is taken. */
export function backupStream(url: string, scope: Scope, madeAt = new Date()): Gzip {
  const zip = createGzip();
  const text = Readable.from(asOfNow(url, scope, madeAt), { objectMode: true });
  text.on('error', (error) => zip.destroy(error));
  zip.on('close', () => text.destroy());
  return text.pipe(zip);
}
