import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Units and the leading hand belong to a person; a workshop’s hold for whoever has chosen nothing. */
export class Preferences1800000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person add column preferences jsonb');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person drop column preferences');
  }
}
