import {
  compareOutcome,
  makeSteps,
  planPiece,
  totalActions,
  type MakeRecord,
  type MakerHabits,
  type Piece,
} from '@coiled-strand/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

interface StoredMake {
  readonly id: string;
  readonly piece: Piece;
  readonly done: number;
  readonly record: MakeRecord | null;
  readonly logged_at: Date | null;
  readonly settings: MakerHabits;
}

/**
 * Several makes of a piece side by side, their time and timers, photos, swatches, and what was known
 * of the hand when a make was planned. Plans are made anew, since they tell now what a hand varies; a
 * make under way keeps its place as far as its steps go.
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
    await this.planAnew(runner);
  }

  /** Makes side by side have no place in the older shape. */
  down(): Promise<void> {
    return Promise.reject(
      new Error(
        'Several makes of one piece, photos and swatches cannot be written in the older shape.',
      ),
    );
  }

  private async planAnew(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query(`
      select make.id, make.piece, make.done, make.record, make.logged_at, workshop.settings
      from make join workshop on workshop.id = make.workshop_id`)) as StoredMake[];
    for (const row of rows) {
      const plan = planPiece(row.piece);
      if (!plan.ok) {
        await runner.query(
          'update make set abandoned_at = coalesce(abandoned_at, now()) where id = $1',
          [row.id],
        );
        continue;
      }
      const total = totalActions(makeSteps(row.piece, plan, row.settings));
      const done = row.logged_at ? total : Math.min(row.done, total);
      const outcome = row.record && compareOutcome(row.piece, plan, row.record);
      await runner.query(
        'update make set plan = $2, done = $3, total = $4, outcome = $5 where id = $1',
        [row.id, JSON.stringify(plan), done, total, outcome && JSON.stringify(outcome)],
      );
    }
  }
}
