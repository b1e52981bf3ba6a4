import { lazy, Suspense, type ComponentType, type ReactElement } from 'react';
import { Loading } from './states';

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
  return function Later(props) {
    return (
      <Suspense fallback={what === undefined ? null : <Loading what={what} />}>
        <Fetched {...props} />
      </Suspense>
    );
  };
}
