import type { OrderDto } from '@coiled-strand/contract';
import {
  makeSteps,
  planPiece,
  tasksOf,
  type Job,
  type ReadyBy,
  type Task,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useHand, useWorkshop } from '../../api/queries';
import { usePiecesById } from '../../api/week-queries';
import { usePromise } from '../../week/use-promise';
import { useWeek, type Week } from '../../week/use-week';

/** All pieces of an order as one job, made one after the other: it is ready with the last of them. */
export const WISH = 'wish';

/** When an order that is being written down can be ready, after all that is planned. */
export function useOrderPromise(
  lines: OrderDto['lines'],
  /** The order itself, where it stands in the plan already. */
  orderId: string | null,
): { readonly week: Week | null; readonly promise: ReadyBy | null } {
  const all = useWeek();
  const hand = useHand();
  const leads = useWorkshop().data?.settings.hand ?? 'right';
  const ids = useMemo(() => [...new Set(lines.flatMap(({ pieceId }) => pieceId ?? []))], [lines]);
  const pieces = usePiecesById(ids);
  const stamp = ids.map((id) => `${id}@${pieces.get(id)?.version ?? ''}`).join();
  const counts = lines.map(({ pieceId, number }) => `${pieceId}:${number}`).join();
  const wish = useMemo((): Job | null => {
    const tasks: Task[] = [];
    for (const [i, { pieceId, number }] of lines.entries()) {
      const view = pieceId === null ? undefined : pieces.get(pieceId);
      if (!view) return null;
      const plan = planPiece(view.piece, hand);
      if (!plan.ok || plan.unmakeable) return null;
      const steps = makeSteps(view.piece, plan, { hand: leads });
      const own = tasksOf(WISH, { piece: view.piece, plan, steps, hand });
      for (let n = 0; n < number; n++) {
        // Another is tied while the glue of the first cures: only the last wait is waited for.
        const last = i === lines.length - 1 && n === number - 1;
        tasks.push(
          ...own.map((task, t) => ({
            ...task,
            id: `${task.id} ${i} ${n}`,
            wait: last || t < own.length - 1 ? task.wait : 0,
          })),
        );
      }
    }
    return tasks.length > 0 ? { id: WISH, tasks, due: null, release: 0 } : null;
    // The same pieces and numbers are the same wish.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [stamp, counts, hand, leads]);
  // Where it is in the plan already, it is not made twice.
  const week = useMemo(
    () =>
      all && orderId !== null
        ? { ...all, jobs: all.jobs.filter(({ id }) => all.byId.get(id)?.orderId !== orderId) }
        : all,
    [all, orderId],
  );
  return { week, promise: usePromise(week, wish) };
}
