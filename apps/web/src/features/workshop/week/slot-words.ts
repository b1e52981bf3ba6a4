import type { JobView } from '@coiled-strand/contract';
import type { Slot, Task } from '@coiled-strand/workshop';
import type { Week } from './use-week';

const BATCH_WORDS = {
  glue: 'Glue',
  dye: 'Dye',
  seal: 'Seal',
  oil: 'Oil',
  melt: 'Melt',
} as const;

/** What hands do in a task, as it is called out. */
export function actionOf({ what, batch, wait }: Pick<Task, 'what' | 'batch' | 'wait'>): string {
  if (what === 'prepare') return wait > 0 && batch ? BATCH_WORDS[batch] : 'Measure and cut';
  if (what === 'tie') return 'Tie';
  return batch === null ? 'Finish' : `${BATCH_WORDS[batch]} and finish`;
}

/** A stretch of work at the bench, with the piece it is on. */
export interface SlotOn extends Slot {
  readonly job: JobView;
}

/** Stretches in their order, each with its piece. */
export const slotsOn = ({ plan, byId }: Pick<Week, 'plan' | 'byId'>): SlotOn[] =>
  plan.slots.flatMap((slot) => {
    const job = byId.get(slot.task.job);
    return job ? [{ ...slot, job }] : [];
  });

/** Where a piece is gone on with. */
export const wayTo = ({ pieceId, makeId, orderId }: JobView): string =>
  makeId === null && orderId !== null
    ? `/orders/${orderId}`
    : `/pieces/${pieceId}/${makeId === null ? 'fit' : 'make'}`;
