import type { Stored, UsesView } from '@coiled-strand/contract';
import type { CopiedListId } from '@coiled-strand/workshop';
import { useQuery } from '@tanstack/react-query';
import { call } from './client';
import { keys, useChange } from './queries';

export const useThingsOn = (list: CopiedListId) =>
  useQuery({ queryKey: keys[list], queryFn: () => call<Stored<object>[]>(`/${list}`) });

/** Several things put on a list, or none of them. */
export const useAddSeveral = (list: CopiedListId) =>
  useChange(
    (items: readonly object[]) =>
      call<Stored<object>[]>(`/${list}/several`, { method: 'POST', body: { items } }),
    [keys[list]],
  );

export const useTakeOff = (list: CopiedListId) =>
  useChange((id: string) => call<void>(`/${list}/${id}`, { method: 'DELETE' }), [keys[list]]);

/** What of the workshop has to do with a thing on a list. */
export const useUses = (list: CopiedListId, id: string) =>
  useQuery({
    queryKey: [...keys[list], id, 'uses'],
    queryFn: () => call<UsesView>(`/${list}/${id}/uses`),
    staleTime: 0,
  });
