import type { DrawnKnotDto, KnotChangeDto, KnotView } from '@coiled-strand/contract';
import { useQuery } from '@tanstack/react-query';
import { call } from './client';
import { keys, useAdd, useChange } from './queries';

/** The knots that were drawn in the workshop. */
export const useKnots = () =>
  useQuery({ queryKey: keys.knots, queryFn: () => call<KnotView[]>('/knots') });

export const useAddKnot = () => useAdd<DrawnKnotDto, KnotView>('/knots', [keys.knots]);

export const useChangeKnot = () =>
  useChange(
    ({ id, ...body }: KnotChangeDto & { readonly id: string }) =>
      call<KnotView>(`/knots/${id}`, { method: 'PUT', body }),
    [keys.knots],
  );

export const useRemoveKnot = () =>
  useChange((id: string) => call<void>(`/knots/${id}`, { method: 'DELETE' }), [keys.knots]);
