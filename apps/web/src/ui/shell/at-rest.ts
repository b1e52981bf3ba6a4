/** The first page has this long to itself, in ms, where the browser does not say that it is at rest. */
const FIRST = 1500;
/** Runs something when the browser has nothing else to do. */
export const atRest = (run: () => void): void => {
  // Not every browser says so.
  if ('requestIdleCallback' in window) requestIdleCallback(run, { timeout: FIRST });
  else setTimeout(run, FIRST);
};
