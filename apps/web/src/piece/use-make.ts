import type { MakeView } from '@coiled-strand/contract';
import {
  actionsBefore,
  firstSideFor,
  makeSteps,
  placeOf,
  planPiece,
  totalActions,
  type Hand,
  type MakerHabits,
  type Piece,
  type Place,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
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
  /** Whether others of this piece are under way beside it. */
  readonly beside: boolean;
  /** When each wait was begun, by step; null where it was stopped. */
  readonly timers: Readonly<Record<string, string | null>>;
}

type Worked = Omit<Make, 'view' | 'done' | 'place' | 'beside' | 'timers'>;

/** The steps of a make, from the piece as it was when the make was begun. */
function workedOut(piece: Piece, hand: Hand, habits: MakerHabits): Worked | null {
  const plan = planPiece(piece, hand);
  if (!plan.ok) return null;
  const steps = makeSteps(piece, plan, habits);
  return {
    plan,
    steps,
    total: totalActions(steps),
    finishFrom: actionsBefore(
      steps,
      steps.findIndex((step) => step.stage === 'finish'),
    ),
    firstSide: firstSideFor(habits.hand),
  };
}

/** The steps are worked out once for each make: answers of the server share the piece they hold. */
function useWorked(view: MakeView | undefined, settings: MakerHabits | undefined): Worked | null {
  const [piece, hand] = [view?.piece, view?.hand];
  return useMemo(
    () => (piece && hand && settings ? workedOut(piece, hand, settings) : null),
    [piece, hand, settings],
  );
}

const timersOf = ({ timers }: MakeView): Record<string, string | null> =>
  Object.fromEntries(timers.map(({ step, startedAt }) => [step, startedAt]));

const NONE: readonly MakeView[] = [];

/** Names in the address which of several makes under way is followed. */
export const MAKE_PARAM = 'make';

/** The make of a piece that is followed, with what this browser knows of its progress. */
export function useMake(pieceId: string): Make | null {
  const makes = useMakes(pieceId).data;
  const settings = useWorkshop().data?.settings;
  const [search] = useSearchParams();
  const open = makes?.filter((make) => make.loggedAt === null) ?? NONE;
  const view = open.find((make) => make.id === search.get(MAKE_PARAM)) ?? open[0];
  const local = useProgress((state) => (view ? state.local[view.id] : undefined));
  const worked = useWorked(view, settings);
  return useMemo(() => {
    if (!view || !worked) return null;
    const done = local?.done ?? view.done;
    return {
      ...worked,
      view,
      done,
      place: placeOf(worked.steps, done),
      beside: open.length > 1,
      timers: { ...timersOf(view), ...local?.timers },
    };
  }, [view, worked, local, open.length]);
}
