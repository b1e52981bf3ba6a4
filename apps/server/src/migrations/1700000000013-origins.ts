import type { MigrationInterface, QueryRunner } from 'typeorm';
import { markOrigins } from './frozen/origins.js';

/**
 * Wearers, cords, beads and fittings in pieces, makes, versions and lots know which thing on a list they are copies
 * of. Until now they were told apart by their names, and forgetting a wearer forgot everybody of that name.
 */
export class Origins1700000000013 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const workshops = (await runner.query('select id from workshop')) as { id: string }[];
    await markOrigins(
      runner,
      workshops.map(({ id }) => id),
    );
  }

  async down(): Promise<void> {
    // What copies know besides does no harm to a program that does not ask for it.
  }
}
