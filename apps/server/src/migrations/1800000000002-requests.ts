import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A request that has a name is carried out once, whatever it asks for; of what is bought no more comes than was to be
 * bought; and a device on which somebody signed in is known again.
 */
export class Requests1800000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`create table request (
      person_id uuid not null references person (id) on delete cascade,
      workshop_id uuid references workshop (id) on delete cascade,
      key text not null,
      fingerprint text not null,
      answered boolean not null default false,
      answer text,
      etag text,
      created_at timestamptz not null default now(),
      primary key (person_id, key)
    )`);
    await runner.query('create index on request (created_at)');
    await runner.query('create index on shopping (workshop_id, created_at, id)');
    await runner.query(`create table device (
      token_hash bytea not null,
      person_id uuid not null references person (id) on delete cascade,
      seen_at timestamptz not null default now(),
      primary key (token_hash, person_id)
    )`);
    await runner.query('alter table movement drop column request');
    await runner.query(
      `update shopping set arrived = (item ->> 'count')::int where arrived > (item ->> 'count')::int`,
    );
    await runner.query(
      `alter table shopping add constraint shopping_arrived
         check (arrived >= 0 and arrived <= (item ->> 'count')::int)`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table shopping drop constraint shopping_arrived');
    await runner.query('alter table movement add column request text');
    await runner.query(
      'create unique index on movement (workshop_id, request) where request is not null',
    );
    await runner.query('drop table device');
    await runner.query('drop index shopping_workshop_id_created_at_id_idx');
    await runner.query('drop table request');
  }
}
