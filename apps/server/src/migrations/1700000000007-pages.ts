import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Names of many things in a piece, one after the other. */
const names = (column: string, path: string): string =>
  `jsonb_path_query_array(${column}::jsonb, '$.${path}')::text`;

/** What is looked for in a piece and in a make: written by the database itself, so that it is never stale. */
const piece = (column: string): string =>
  [
    `coalesce(${column} ->> 'name', '')`,
    `coalesce(${column} -> 'wearer' ->> 'name', '')`,
    `coalesce(${column} ->> 'note', '')`,
    names(column, 'strands[*].cord.name'),
    names(column, 'strands[*].cord.colour.name'),
    names(column, 'beads[*].name'),
  ].join(` || ' ' || `);

/** Short enough for an index, whatever is stored. */
const sortName = (column: string): string => `lower(left(coalesce(${column} ->> 'name', ''), 200))`;

/**
 * Lists are served in pages: what they are searched by, sorted by and counted by, and the indexes for it. The words
 * inside a text are found by threes of letters where PostgreSQL's own extension for that may be used; without it
 * they are found more slowly.
 */
export class Pages1700000000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table piece
        add column sort_name text generated always as (${sortName('spec')}) stored,
        add column search text generated always as (lower(${piece('spec')})) stored`);
    await runner.query(`
      alter table make
        add column sort_name text generated always as (${sortName('piece')}) stored,
        add column search text generated always as (lower(
          ${piece('piece')} || ' ' || coalesce(record ->> 'owner', '') || ' ' ||
          coalesce(record ->> 'note', ''))) stored,
        add column techniques jsonb generated always as (
          jsonb_path_query_array(piece::jsonb, '$.parts[*].kind')) stored`);
    for (const order of ['updated_at desc, id desc', 'created_at, id', 'sort_name, id']) {
      await runner.query(`create index on piece (workshop_id, ${order}) where archived_at is null`);
    }
    for (const order of ['created_at desc, id desc', 'sort_name, id']) {
      await runner.query(`create index on make (workshop_id, ${order}) where abandoned_at is null`);
    }
    // Those that are logged are counted, and those that are not looked for at every turn.
    await runner.query(`
      create index on make (workshop_id, logged_at desc, id desc)
      where abandoned_at is null and logged_at is not null`);
    await runner.query(`
      create index on make (piece_id, created_at desc)
      where abandoned_at is null and logged_at is null`);
    await runner.query('create index on make using gin (techniques jsonb_path_ops)');
    await runner.query('create index on photo (workshop_id, created_at, id)');
    await runner.query(`
      do $$ begin
        create extension if not exists pg_trgm;
        create index piece_words on piece using gin (search gin_trgm_ops);
        create index make_words on make using gin (search gin_trgm_ops);
      exception when insufficient_privilege or undefined_file or feature_not_supported then
        raise notice 'pg_trgm is not to be had: words are found without an index';
      end $$`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table piece drop column search, drop column sort_name');
    await runner.query(
      'alter table make drop column sort_name, drop column search, drop column techniques',
    );
    await runner.query('drop index photo_workshop_id_created_at_id_idx');
  }
}
