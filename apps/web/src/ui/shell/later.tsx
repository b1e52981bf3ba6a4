import { lazy, Suspense, type ComponentType, type ReactElement } from 'react';
import { Loading } from './states';

/** Everything that is fetched later, in the order in which it became known. */
const loads: (() => Promise<unknown>)[] = [];

/**
 * A component that is fetched when it is first shown, so that the first page is small.
 *
 * @param what is said while it comes; nothing when left out
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  what?: string,
): (props: P) => ReactElement {
  const Fetched = lazy(() => load().then((component) => ({ default: component as ComponentType })));
  loads.push(load);
  return function Later(props) {
    return (
      <Suspense fallback={what === undefined ? null : <Loading what={what} />}>
        <Fetched {...props} />
      </Suspense>
    );
  };
}

/** Has something fetched with the rest that comes later. */
export const fetchWith = (load: () => Promise<unknown>): void => void loads.push(load);

/** Fetches all of it, so that nothing is missing when the server is away. */
export async function fetchAhead(): Promise<void> {
  // What arrives brings more of its own: the list grows while it is gone through.
  for (const load of loads) await load().catch(() => undefined);
}
