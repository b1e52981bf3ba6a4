import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Several makes of a piece side by side, their time and timers, photos, swatches, and what was known
 * of the hand when a make was planned. Makes lose their plan, since plans tell now what a hand varies;
 * the program that finds it missing plans again.
 */
export class Making1700000000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('drop index one_make_under_way');
    await runner.query(`
      alter table make
        add column hand json not null default '[]',
        add column number integer not null default 1,
        add column done_at timestamptz not null default to_timestamp(0),
        add column seconds json not null default '{}',
        add column timers json not null default '{}',
        add column outcome json,
        add column set_aside text`);
    await runner.query(`
      update make set number = counted.number from (
        select id, row_number() over (partition by piece_id order by created_at, id) as number
        from make) counted
      where counted.id = make.id`);
    await runner.query(`create index on make (piece_id, created_at)`);
    const owned = `
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null references workshop (id) on delete cascade,
      created_at timestamptz not null default now()`;
    await runner.query(`
      create table photo (${owned},
        make_id uuid not null references make (id) on delete cascade,
        type text not null,
        size integer not null,
        bytes bytea not null
      )`);
    await runner.query(`create index on photo (make_id, created_at)`);
    await runner.query(`create table swatch (${owned}, value json not null, set_aside text)`);
    await runner.query(`create index on swatch (workshop_id, created_at)`);
    await runner.query(`update make set plan = 'null'`);
  }

  /** Makes side by side have no place in the older shape. */
  down(): Promise<void> {
    return Promise.reject(
      new Error(
        'Several makes of one piece, photos and swatches cannot be written in the older shape.',
      ),
    );
  }
}
