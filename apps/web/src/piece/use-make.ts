import type { MakeView } from '@coiled-strand/contract';
import {
  actionsBefore,
  firstSideFor,
  makeSteps,
  placeOf,
  planPiece,
  totalActions,
  type Place,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useMakes, useWorkshop } from '../api/queries';
import { useProgress } from '../stages/make/progress-store';

export interface Make {
  readonly view: MakeView;
  readonly plan: Plan;
  readonly steps: readonly Step[];
  readonly done: number;
  readonly total: number;
  readonly place: Place;
  /** Actions before the first finishing step. */
  readonly finishFrom: number;
  readonly firstSide: Side;
}

/** A make with its steps worked out from the piece as it was when the make was begun. */
export function makeOf(
  view: MakeView,
  done: number,
  habits: Parameters<typeof makeSteps>[2],
): Make | null {
  const plan = planPiece(view.piece);
  if (!plan.ok) return null;
  const steps = makeSteps(view.piece, plan, habits);
  return {
    view,
    plan,
    steps,
    done,
    total: totalActions(steps),
    place: placeOf(steps, done),
    finishFrom: actionsBefore(
      steps,
      steps.findIndex((step) => step.stage === 'finish'),
    ),
    firstSide: firstSideFor(habits.hand),
  };
}

/** The make under way of a piece, with what this browser knows of its progress. */
export function useMake(pieceId: string): Make | null {
  const makes = useMakes(pieceId).data;
  const settings = useWorkshop().data?.settings;
  const view = makes?.find((make) => make.loggedAt === null);
  const local = useProgress((state) => (view ? state.done[view.id] : undefined));
  return useMemo(
    () => (view && settings ? makeOf(view, local ?? view.done, settings) : null),
    [view, settings, local],
  );
}
