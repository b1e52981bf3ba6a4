import {
  compareOutcome,
  makeSteps,
  otherSide,
  planPiece,
  reachedBy,
  stepPlaceOf,
  totalActions,
} from '@coiled-strand/core';
import type { EntityManager } from 'typeorm';
import { MakeRow } from '../rows/make.entity.js';

/**
 * Fills in what makes of older programs lack: a plan where theirs was of another shape, the steps, the
 * place among them, what a log says beside the plan. From then on they keep them like any other. A make
 * that can no longer be planned is put aside, not lost.
 */
export async function completeMakes(manager: EntityManager): Promise<void> {
  const lacking = await manager
    .createQueryBuilder(MakeRow, 'make')
    .select('make.id')
    .where(`make.steps::text = 'null'`)
    .getMany();
  // One at a time: plans are large.
  for (const { id } of lacking) {
    const row = await manager
      .createQueryBuilder(MakeRow, 'make')
      .addSelect(['make.plan', 'make.steps'])
      .where('make.id = :id', { id })
      .getOneOrFail();
    await manager.save(MakeRow, { id, ...completed(row) });
  }
}

function completed(row: MakeRow): Partial<MakeRow> {
  const plan = (row.plan as MakeRow['plan'] | null) ?? planPiece(row.piece, row.hand);
  if (!plan.ok) {
    return {
      steps: [],
      at: { step: '', unit: 0 },
      abandonedAt: row.abandonedAt ?? new Date(),
    };
  }
  const steps = makeSteps(row.piece, plan, { hand: otherSide(row.firstSide) });
  const total = totalActions(steps);
  const done = row.loggedAt ? total : Math.min(row.reached.done, total);
  return {
    plan,
    steps,
    at: stepPlaceOf(steps, done),
    reached: reachedBy(steps, done),
    outcome: row.outcome ?? (row.record && compareOutcome(row.piece, plan, row.record)),
  };
}
