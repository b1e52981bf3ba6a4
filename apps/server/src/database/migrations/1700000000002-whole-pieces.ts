import {
  makeSteps,
  planPiece,
  totalActions,
  upgradePiece,
  type MakerHabits,
  type Piece,
} from '@coiled-strand/core';
import type { MigrationInterface, QueryRunner } from 'typeorm';

interface StoredMake {
  readonly id: string;
  readonly piece: unknown;
  readonly done: number;
  readonly logged_at: Date | null;
  readonly settings: MakerHabits;
}

/**
 * Pieces of parts, strands and any closure, in place of bands on a buckle: lists of beads and of
 * closures, stored pieces and makes brought into the present shape. A make that can no longer be
 * planned is put aside, not lost.
 */
export class WholePieces1700000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const list of ['bead', 'fitting']) {
      await runner.query(`
        create table ${list} (
          id uuid primary key default gen_random_uuid(),
          workshop_id uuid not null references workshop (id) on delete cascade,
          created_at timestamptz not null default now(),
          value json not null
        )`);
      await runner.query(`create index on ${list} (workshop_id, created_at)`);
    }
    await runner.query(`
      insert into fitting (id, workshop_id, created_at, value)
      select id, workshop_id, created_at, json_build_object(
        'name', value ->> 'name',
        'closure', (jsonb_build_object('type', 'side-release-buckle') || value::jsonb)::json)
      from buckle`);
    await runner.query('drop table buckle');
    await runner.query(`
      update workshop
      set settings = (jsonb_build_object(
        'practice', 'practised',
        'ends', jsonb_build_object('melts', 'singe', 'burns', 'glue', 'leather', 'glue')
      ) || settings::jsonb)::json`);
    await this.upgradePieces(runner);
    await this.upgradeMakes(runner);
  }

  /** Closures of other kinds have no place in the older shape. */
  down(): Promise<void> {
    return Promise.reject(
      new Error('Pieces with beads and other closures cannot be written in the older shape.'),
    );
  }

  private async upgradePieces(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query('select id, spec from piece')) as {
      id: string;
      spec: unknown;
    }[];
    for (const { id, spec } of rows) {
      await runner.query('update piece set spec = $2 where id = $1', [
        id,
        JSON.stringify(upgradePiece(spec)),
      ]);
    }
  }

  private async upgradeMakes(runner: QueryRunner): Promise<void> {
    const rows = (await runner.query(`
      select make.id, make.piece, make.done, make.logged_at, workshop.settings
      from make join workshop on workshop.id = make.workshop_id`)) as StoredMake[];
    for (const row of rows) {
      const piece = upgradePiece(row.piece) as Piece;
      const plan = planPiece(piece);
      if (!plan.ok) {
        await runner.query(
          'update make set piece = $2, abandoned_at = coalesce(abandoned_at, now()) where id = $1',
          [row.id, JSON.stringify(piece)],
        );
        continue;
      }
      const total = totalActions(makeSteps(piece, plan, row.settings));
      const done = row.logged_at ? total : Math.min(row.done, total);
      await runner.query(
        'update make set piece = $2, plan = $3, done = $4, total = $5 where id = $1',
        [row.id, JSON.stringify(piece), JSON.stringify(plan), done, total],
      );
    }
  }
}
