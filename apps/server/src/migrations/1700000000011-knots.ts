import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Knots that a workshop drew itself; pages hear when they change. */
export class Knots1700000000011 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table knot (
        id uuid primary key default gen_random_uuid(),
        workshop_id uuid not null references workshop (id) on delete cascade,
        created_at timestamptz not null default now(),
        version integer not null default 1,
        value json not null
      )`);
    await runner.query('create index on knot (workshop_id, created_at, id)');
    for (const [event, rows] of [
      ['insert', 'new'],
      ['update', 'new'],
      ['delete', 'old'],
    ]) {
      await runner.query(`
        create trigger tell_${event} after ${event} on knot
        referencing ${rows} table as touched for each statement execute function tell_changes()`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table knot');
  }
}
