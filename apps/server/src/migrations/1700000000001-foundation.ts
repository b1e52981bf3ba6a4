import type { MigrationInterface, QueryRunner } from 'typeorm';

const owned = `
  id uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop (id) on delete cascade,
  created_at timestamptz not null default now()`;

/**
 * Workshops and everything in them.
 * Every table but the first carries the workshop's id. Pieces are json, not jsonb: nothing searches
 * inside them, and an exported file keeps the order that it was written in.
 */
export class Foundation1700000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table workshop (
        id uuid primary key default gen_random_uuid(),
        name text not null,
        maker text not null,
        settings json not null,
        created_at timestamptz not null default now()
      )`);
    for (const list of ['wearer', 'cord', 'buckle']) {
      await runner.query(`create table ${list} (${owned}, value json not null)`);
      await runner.query(`create index on ${list} (workshop_id, created_at)`);
    }
    await runner.query(`
      create table piece (${owned},
        version integer not null default 1,
        spec json not null,
        updated_at timestamptz not null default now(),
        archived_at timestamptz
      )`);
    await runner.query(`create index on piece (workshop_id, created_at)`);
    await runner.query(`
      create table make (${owned},
        piece_id uuid not null references piece (id) on delete cascade,
        piece json not null,
        plan json not null,
        done integer not null default 0 check (done >= 0 and done <= total),
        total integer not null check (total > 0),
        record json,
        logged_at timestamptz,
        abandoned_at timestamptz
      )`);
    await runner.query(`create index on make (workshop_id, created_at)`);
    // One make of a piece under way at a time, also when two windows start it at once.
    await runner.query(`
      create unique index one_make_under_way on make (piece_id)
      where logged_at is null and abandoned_at is null`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['make', 'piece', 'buckle', 'cord', 'wearer', 'workshop']) {
      await runner.query(`drop table ${table}`);
    }
  }
}
