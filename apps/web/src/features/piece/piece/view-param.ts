/** How the piece is seen: flat along the rule, closed round the body, or in space. */
export type View = 'closed' | 'space' | null;

export const viewIn = (search: URLSearchParams): View => {
  const view = search.get('view');
  return view === 'closed' || view === 'space' ? view : null;
};

/** Whether the piece is seen closed round the body. */
export const isClosed = (search: URLSearchParams): boolean => viewIn(search) === 'closed';

/** The address with the other view of the bench. */
export const withOtherView = (search: URLSearchParams): URLSearchParams =>
  withView(search, isClosed(search) ? null : 'closed');

/** The address's parameters with another view of the bench; the rest of them stay. */
export function withView(search: URLSearchParams, view: View): URLSearchParams {
  const next = new URLSearchParams(search);
  if (view === null) next.delete('view');
  else next.set('view', view);
  return next;
}
