import {
  actionsBefore,
  compareOutcome,
  finishFrom,
  makeSteps,
  otherSide,
  planPiece,
  reachedBy,
  stepPlaceOf,
  totalActions,
  type Step,
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

/**
 * Where a make stands among today’s steps that was counted among those of an older program: it had a step
 * for every cord and what holds the work before the first part, as today’s have, but none that folds,
 * points or orders cords. Near the end it is as far from the end as it was.
 */
function doneAmong(steps: readonly Step[], { done, total: before }: MakeRow['reached']): number {
  const total = totalActions(steps);
  const finish = total - finishFrom(steps);
  if (before - done <= finish) return Math.max(0, total - (before - done));
  const first = steps.findIndex(({ part }) => part !== undefined);
  const added = steps
    .slice(0, first)
    .filter(({ actions = [] }) =>
      actions.some(({ do: verb }) => verb === 'fold' || verb === 'stiffen' || verb === 'order'),
    ).length;
  const prepared = actionsBefore(steps, first) - added;
  return Math.min(total, done <= prepared ? done : done + added);
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
  const done = row.loggedAt ? total : doneAmong(steps, row.reached);
  return {
    plan,
    steps,
    at: stepPlaceOf(steps, done),
    reached: reachedBy(steps, done),
    outcome: row.outcome ?? (row.record && compareOutcome(row.piece, plan, row.record)),
  };
}
