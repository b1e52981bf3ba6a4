import { fingerprint, type Board, type Likeness } from '@coiled-strand/core';
import { useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { AlikeFinder } from './alike-worker';

/**
 * What a board is alike to, found in a worker; nothing until that is known.
 *
 * @param ready whether it is wanted yet
 * @param own knots that it may be alike to, besides those that the program knows
 */
export function useLikenesses(
  board: Board,
  ready: boolean,
  own: readonly { readonly name: string; readonly board: Board }[],
): readonly Likeness[] | undefined {
  const among = own.map((one) => [one.name, fingerprint(one.board)]);
  const { data } = useQuery({
    queryKey: ['likenesses', fingerprint(board), among],
    enabled: ready,
    staleTime: Infinity,
    networkMode: 'always',
    queryFn: async () => {
      const worker = new Worker(new URL('./alike-worker.ts', import.meta.url), { type: 'module' });
      try {
        return await wrap<AlikeFinder>(worker).find(board, own);
      } finally {
        worker.terminate();
      }
    },
  });
  return data;
}
