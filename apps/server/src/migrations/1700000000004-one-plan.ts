import type { MigrationInterface, QueryRunner } from 'typeorm';
import { planInAreas } from './frozen/plan-in-areas.js';

/**
 * A make keeps its steps beside its plan and its place by step. Plans say where each length goes. What
 * older makes lack (`null` here) is filled in by the program that finds it missing: a migration knows no
 * planning.
 */
export class OnePlan1700000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      alter table make
        add column steps json not null default 'null',
        add column first_side text not null default 'left',
        add column at json not null default 'null',
        add column reached json`);
    // How far it was of how many actions; parts and steps are told when the steps are known.
    await runner.query(`
      update make set reached = json_build_object(
        'done', done, 'total', total, 'finishFrom', total, 'parts', json_build_object())`);
    await runner.query(`
      update make set first_side = 'right' from workshop
      where workshop.id = make.workshop_id and workshop.settings ->> 'hand' = 'left'`);
    await runner.query(`
      alter table make
        alter column steps drop default,
        alter column first_side drop default,
        alter column at drop default,
        alter column reached set not null,
        drop column done,
        drop column total`);
    const rows = (await runner.query('select id, plan from make')) as {
      id: string;
      plan: unknown;
    }[];
    for (const { id, plan } of rows) {
      await runner.query('update make set plan = $2 where id = $1', [
        id,
        JSON.stringify(planInAreas(plan)),
      ]);
    }
  }

  /** Steps of today are not those that an older program counts. */
  down(): Promise<void> {
    return Promise.reject(new Error('Places by step cannot be written as numbers of actions.'));
  }
}
