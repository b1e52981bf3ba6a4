import { useRouteError } from 'react-router';

/** Hands a fault inside a route to the error boundary around everything, which knows what to say. */
export function RouteFault(): never {
  throw useRouteError();
}
