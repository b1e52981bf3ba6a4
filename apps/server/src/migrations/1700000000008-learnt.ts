import type { MigrationInterface, QueryRunner } from 'typeorm';

const owned = `
  id uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop (id) on delete cascade,
  created_at timestamptz not null default now()`;
const key = 'technique text not null, cord_kind text not null, measure text not null';

/**
 * What was observed of a hand, and what was learnt from it, are kept up as makes are logged. Both are empty at
 * first: the program that finds them so goes through the makes.
 */
export class Learnt1700000000008 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create table evidence (${owned}, ${key},
        source text not null,
        source_id uuid not null,
        at timestamptz not null,
        label text not null,
        set_aside text,
        observation json not null
      )`);
    await runner.query(
      'create index on evidence (workshop_id, technique, cord_kind, measure, at, id)',
    );
    await runner.query('create index on evidence (source_id)');
    await runner.query(
      'create index on evidence (workshop_id, at desc) where set_aside is not null',
    );
    await runner.query(`
      create table lesson (${owned}, ${key},
        learnt json not null,
        unique (workshop_id, technique, cord_kind, measure)
      )`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table lesson');
    await runner.query('drop table evidence');
  }
}
