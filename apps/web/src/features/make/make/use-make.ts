import type { MakePlanView, MakeView } from '@coiled-strand/contract';
import {
  actionsAt,
  finishFrom,
  placeOf,
  totalActions,
  type HalfWay,
  type Place,
  type Plan,
  type Side,
  type Step,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useMakePlan, useMakes } from '../../../data/api/queries';
import { heardHalfWay } from './half-way';
import { useOutbox } from '../../../data/outbox/outbox';
import { localOf, useReports, type Local } from './progress-store';

export interface Make {
  readonly view: MakeView;
  /** What it goes by, as it was when it was begun. */
  readonly plan: Plan;
  readonly steps: readonly Step[];
  readonly firstSide: Side;
  readonly done: number;
  readonly total: number;
  readonly place: Place;
  /** Actions before the first finishing step. */
  readonly finishFrom: number;
  /** Whether others of this piece are under way beside it. */
  readonly beside: boolean;
  /** When each wait was begun, by step; null where it was stopped. */
  readonly timers: Readonly<Record<string, string | null>>;
  /** What was measured half way, on whichever device; null before. */
  readonly measured: HalfWay | null;
}

const timersOf = ({ timers }: MakeView): Record<string, string | null> =>
  Object.fromEntries(timers.map(({ step, startedAt }) => [step, startedAt]));

/** What this browser knows of it before the server does, or what the server knows. */
export const measuredOf = (
  { measured }: MakeView,
  { strands }: Plan,
  local: Local | undefined,
): HalfWay | null =>
  local?.measured !== undefined
    ? local.measured
    : measured && heardHalfWay(measured, strands.length);

const NONE: readonly MakeView[] = [];

/** Names in the address which of several makes under way is followed. */
export const MAKE_PARAM = 'make';

/** A make as far as it is told by its view, its plan, and what this browser knows of its progress. */
export function makeOf(
  view: MakeView,
  { plan, steps, firstSide }: MakePlanView,
  local: Local | undefined,
  beside: boolean,
): Make {
  const done = actionsAt(steps, local?.at ?? view.at) ?? view.reached.done;
  return {
    view,
    plan,
    steps,
    firstSide,
    done,
    total: totalActions(steps),
    place: placeOf(steps, done),
    finishFrom: finishFrom(steps),
    beside,
    timers: { ...timersOf(view), ...local?.timers },
    measured: measuredOf(view, plan, local),
  };
}

export interface Followed {
  /** null where nothing is being made, and while its plan is fetched. */
  readonly make: Make | null;
  readonly comes: boolean;
}

/** The make of a piece that is followed, by the plan it was begun with. */
export function useMake(pieceId: string): Followed {
  const makes = useMakes(pieceId).data;
  const [search] = useSearchParams();
  const open = makes ?? NONE;
  const view = open.find((make) => make.id === search.get(MAKE_PARAM)) ?? open[0];
  const reports = useReports(view?.id ?? '');
  const ready = useOutbox((state) => state.ready);
  const frozen = useMakePlan(view?.id).data;
  return useMemo(
    () => ({
      make:
        view && frozen && ready ? makeOf(view, frozen, localOf(reports), open.length > 1) : null,
      comes: view !== undefined && (frozen === undefined || !ready),
    }),
    [view, frozen, reports, ready, open.length],
  );
}
