import type { PieceView } from '@coiled-strand/contract';
import {
  inSentence,
  closureKind,
  type Piece,
  type Plan,
  type PlanResult,
} from '@coiled-strand/core';
import type { Units } from '../../../ui/settings/use-units';
import { countsOf } from './counts';
import type { StageId } from './stages';

export interface MakeState {
  /** Actions done and in all, and where finishing begins. */
  readonly done: number;
  readonly total: number;
  readonly finishFrom: number;
}

/** The size it closes on, or how long it is laid out when it is worn open. */
const sizeOf = (plan: Plan, units: Units): string =>
  plan.fit.circumference > 0
    ? `${units.size(plan.fit.circumference)} inside`
    : `${units.size(plan.fit.length)} long`;

/** All cuts while they are few, else how many there are. */
const cutsOf = (plan: Plan, units: Units): string => {
  const cuts = [...plan.strands, ...plan.auxiliary];
  return cuts.length <= 3
    ? cuts.map((cut) => units.cord(cut.cut)).join(' + ')
    : `${cuts.length} cords, ${units.cord(plan.totals.cut)}`;
};

/** What there is most of, and how it closes. */
function laidOut(piece: Piece, plan: Plan): string {
  return [...countsOf(plan, 2), inSentence(closureKind(piece.closure.type).entry.label)].join(', ');
}

/** One line a stage: what it says already, or what it still needs. */
export function stageStatus(
  piece: Piece,
  plan: PlanResult,
  view: Pick<PieceView, 'logged'>,
  make: MakeState | null,
  units: Units,
): Readonly<Record<StageId, string>> {
  const planned = plan.ok
    ? {
        fit: sizeOf(plan, units),
        cut: plan.unmakeable ? 'not yet' : cutsOf(plan, units),
      }
    : { fit: 'needs a look', cut: 'needs a plan' };
  const tying = make && Math.min(make.done, make.finishFrom);
  return {
    ...planned,
    layout: plan.ok && !plan.unmakeable ? laidOut(piece, plan) : 'needs a look',
    make: !make
      ? !plan.ok
        ? 'needs a plan'
        : plan.unmakeable
          ? 'needs a look'
          : 'not begun'
      : tying === make.finishFrom
        ? 'tied'
        : `${make.done} of ${make.finishFrom} steps`,
    finish:
      !make || make.done < make.finishFrom
        ? 'after the knots'
        : make.done >= make.total
          ? 'done'
          : `${make.total - make.done} to do`,
    log: view.logged > 0 ? `${view.logged} made` : 'after the first',
  };
}

/** What a piece on the bench waits for, in one line. */
export function waitsFor(view: PieceView, plan: PlanResult): string {
  if (!plan.ok) return 'Waiting for a measurement to be fixed';
  if (plan.unmakeable && !view.make) return 'Cannot be made as it is laid out';
  const { make } = view;
  if (!make) return view.logged > 0 ? 'Planned; made before' : 'Planned; ready to cut';
  const { done, total, finishFrom } = make.reached;
  if (done >= total) return 'Finished; ready to log';
  if (done >= finishFrom) return 'Tied; ready to finish';
  return done === 0 ? 'Begun; nothing cut yet' : 'On the bench, being made';
}
