/** The address's parameters with another view of the bench; the rest of them stay. */
export function withView(search: URLSearchParams, view: 'closed' | null): URLSearchParams {
  const next = new URLSearchParams(search);
  if (view === null) next.delete('view');
  else next.set('view', view);
  return next;
}
