import { paceOf, type Job, type ReadyBy } from '@coiled-strand/core';
import { useEffect, useState } from 'react';
import { ownWorker } from './in-worker';
import type { Week } from './use-week';

/**
 * When a wish can be ready, after all that is planned: nothing while it is worked out.
 *
 * @param wish the same object for as long as the same is asked
 */
export function usePromise(week: Week | null, wish: Job | null): ReadyBy | null {
  const [found, setFound] = useState<{ readonly of: Job; readonly promise: ReadyBy } | null>(null);
  const order = week?.plan.order;
  useEffect(() => {
    if (!week || !wish || !order) return;
    const { remote, end } = ownWorker();
    let over = false;
    const jobs = [...week.jobs.filter(({ id }) => id !== wish.id), wish];
    void remote
      .promise(
        wish.id,
        { jobs, sittings: week.sittings, order, pins: week.pins },
        paceOf(week.view.took),
      )
      .then((promise) => {
        if (!over) setFound({ of: wish, promise });
      })
      // Nothing is promised then.
      .catch(() => undefined)
      .finally(end);
    return () => {
      over = true;
      end();
    };
  }, [week, wish, order]);
  return found?.of === wish ? found.promise : null;
}
