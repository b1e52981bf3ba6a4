import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * A make knows how much it has heard of each device, and a piece which request changed it last: what is sent twice
 * because its answer was lost counts once.
 */
export class Heard1700000000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`alter table make add column heard json not null default '{}'`);
    await runner.query('alter table piece add column changed_by text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table make drop column heard');
    await runner.query('alter table piece drop column changed_by');
  }
}
