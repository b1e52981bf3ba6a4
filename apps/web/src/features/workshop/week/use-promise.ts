import { paceOf, type Job, type ReadyBy } from '@coiled-strand/workshop';
import { useEffect, useState } from 'react';
import { ownWorker } from './in-worker';
import type { Week } from './use-week';

/**
 * When some wishes can be ready, all of them, after all that is planned: nothing while it is worked out.
 *
 * @param wishes the same list for as long as the same is asked; null where nothing can be said
 */
export function usePromise(week: Week | null, wishes: readonly Job[] | null): ReadyBy | null {
  const [found, setFound] = useState<{
    readonly of: readonly Job[];
    readonly promise: ReadyBy;
  } | null>(null);
  const order = week?.plan.order;
  useEffect(() => {
    if (!week || !wishes || !order) return;
    const { remote, end } = ownWorker();
    let over = false;
    const jobs = [...week.jobs, ...wishes];
    void remote
      .promise(
        wishes.map(({ id }) => id),
        { jobs, sittings: week.sittings, order, pins: week.pins },
        paceOf(week.view.took),
      )
      .then((promise) => {
        if (!over) setFound({ of: wishes, promise });
      })
      // Nothing is promised then.
      .catch(() => undefined)
      .finally(end);
    return () => {
      over = true;
      end();
    };
  }, [week, wishes, order]);
  return found?.of === wishes ? found.promise : null;
}
