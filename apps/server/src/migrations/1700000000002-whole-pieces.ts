import type { MigrationInterface, QueryRunner } from 'typeorm';
import { pieceOfParts } from './frozen/piece-of-parts.js';

/**
 * Pieces of parts, strands and any closure, in place of bands on a buckle: lists of beads and of
 * closures, stored pieces and makes brought into the present shape. Makes lose their plan: it told of
 * another shape, and the program that finds it missing plans again.
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
    await this.upgrade(runner, 'piece', 'spec');
    await this.upgrade(runner, 'make', 'piece');
    await runner.query(`update make set plan = 'null'`);
  }

  /** Closures of other kinds have no place in the older shape. */
  down(): Promise<void> {
    return Promise.reject(
      new Error('Pieces with beads and other closures cannot be written in the older shape.'),
    );
  }

  private async upgrade(runner: QueryRunner, table: string, column: string): Promise<void> {
    const rows = (await runner.query(`select id, ${column} as piece from ${table}`)) as {
      id: string;
      piece: unknown;
    }[];
    for (const { id, piece } of rows) {
      await runner.query(`update ${table} set ${column} = $2 where id = $1`, [
        id,
        JSON.stringify(pieceOfParts(piece)),
      ]);
    }
  }
}
