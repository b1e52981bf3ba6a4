import type { OrderDto } from '@coiled-strand/contract';
import { usePreferences } from '../../../../ui/settings/use-preferences';
import { makeSteps, planPiece } from '@coiled-strand/core';
import { tasksOf, type Job, type ReadyBy } from '@coiled-strand/workshop';
import { useMemo } from 'react';
import { useHand } from '../../../../data/api/queries';
import { usePiecesById } from '../../../../data/api/week-queries';
import { usePromise } from '../../week/use-promise';
import { useWeek, type Week } from '../../week/use-week';

/** Which pieces are wanted, and how many of each. */
type Wanted = readonly (readonly [pieceId: string | null, number: number])[];

/** When all pieces of an order that is being written down can be ready, after all that is planned. */
export function useOrderPromise(
  lines: OrderDto['lines'],
  /** The order itself, where it stands in the plan already. */
  orderId: string | null,
): { readonly week: Week | null; readonly promise: ReadyBy | null } {
  const all = useWeek();
  const hand = useHand();
  const { hand: leads } = usePreferences();
  // What is typed into a line besides changes nothing.
  const wanted = JSON.stringify(lines.map(({ pieceId, number }) => [pieceId, number]));
  const ids = useMemo(
    () => [...new Set((JSON.parse(wanted) as Wanted).flatMap(([pieceId]) => pieceId ?? []))],
    [wanted],
  );
  const pieces = usePiecesById(ids);
  const wishes = useMemo((): Job[] | null => {
    const jobs: Job[] = [];
    for (const [i, [pieceId, number]] of (JSON.parse(wanted) as Wanted).entries()) {
      const view = pieceId === null ? undefined : pieces.get(pieceId);
      if (!view) return null;
      const plan = planPiece(view.piece, hand);
      if (!plan.ok || plan.unmakeable) return null;
      const steps = makeSteps(view.piece, plan, { hand: leads });
      for (let n = 0; n < number; n++) {
        const id = `wish ${i} ${n}`;
        const tasks = tasksOf(id, { piece: view.piece, plan, steps, hand });
        jobs.push({ id, tasks, due: null, release: 0 });
      }
    }
    return jobs.length > 0 ? jobs : null;
  }, [wanted, pieces, hand, leads]);
  // Where it is in the plan already, it is not made twice.
  const week = useMemo(
    () =>
      all && orderId !== null
        ? { ...all, jobs: all.jobs.filter(({ id }) => all.byId.get(id)?.orderId !== orderId) }
        : all,
    [all, orderId],
  );
  return { week, promise: usePromise(week, wishes) };
}
