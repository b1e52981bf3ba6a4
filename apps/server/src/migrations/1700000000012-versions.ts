import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Pieces as they were before, to be looked at and gone back to; tags by which a maker sorts pieces; and what was
 * measured half way, which every device is to know.
 */
export class Versions1700000000012 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table make add column measured json');
    await runner.query(`alter table piece add column tags text[] not null default '{}'`);
    await runner.query('create index on piece using gin (tags)');
    await runner.query(`
      create table piece_version (
        id uuid primary key default gen_random_uuid(),
        workshop_id uuid not null references workshop (id) on delete cascade,
        created_at timestamptz not null default now(),
        piece_id uuid not null references piece (id) on delete cascade,
        version integer not null,
        changed_at timestamptz not null,
        spec json not null,
        name text,
        unique (piece_id, version)
      )`);
    await runner.query('create index on piece_version (workshop_id, created_at, id)');
    for (const [event, rows] of [
      ['insert', 'new'],
      ['update', 'new'],
      ['delete', 'old'],
    ]) {
      await runner.query(`
        create trigger tell_${event} after ${event} on piece_version
        referencing ${rows} table as touched for each statement execute function tell_changes()`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table piece_version');
    await runner.query('alter table piece drop column tags');
    await runner.query('alter table make drop column measured');
  }
}
