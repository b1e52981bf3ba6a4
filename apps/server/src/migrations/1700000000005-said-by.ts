import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A make knows which device said last where it stands. */
export class SaidBy1700000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table make add column done_by text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table make drop column done_by');
  }
}
