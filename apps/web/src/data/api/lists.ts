import type {
  MadePhotoView,
  MakesQueryDto,
  MakeView,
  PageView,
  PhotosQueryDto,
  PiecesQueryDto,
  PieceView,
} from '@coiled-strand/contract';
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { call, isPassing } from './client';
import { keys } from './queries';

/** As much of a list as was asked for so far. */
export interface PagedList<T> {
  readonly items: readonly T[];
  /** How many there are in all; undefined while the first page comes. */
  readonly total: number | undefined;
  /** Asks for the next page; null where all is there. */
  readonly more: (() => void) | null;
  readonly isFetchingMore: boolean;
  readonly error: Error | null;
  /** Whether nobody answers: what is there is as it was known last. */
  readonly away: boolean;
  readonly retry: () => void;
}

/** A list that the server gives in pages, searched, sorted and counted there. */
export function useList<T>(
  key: readonly unknown[],
  path: string,
  asked: Readonly<Record<string, string | number | undefined>>,
): PagedList<T> {
  const search = new URLSearchParams(
    Object.entries(asked).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  );
  const query = useInfiniteQuery({
    queryKey: [...key, search.toString()],
    queryFn: ({ pageParam }) => {
      const page = new URLSearchParams(search);
      if (pageParam !== '') page.set('after', pageParam);
      return call<PageView<T>>(`${path}?${page.toString()}`);
    },
    initialPageParam: '',
    getNextPageParam: ({ next }) => next ?? undefined,
    placeholderData: keepPreviousData,
  });
  const { data, error, hasNextPage, fetchNextPage, refetch, isFetchingNextPage } = query;
  return {
    items: data?.pages.flatMap(({ items }) => items) ?? [],
    total: data?.pages.at(-1)?.total,
    more: hasNextPage ? () => void fetchNextPage() : null,
    isFetchingMore: isFetchingNextPage,
    error: data ? null : error,
    away: query.failureCount > 0 && isPassing(query.failureReason),
    retry: () => void refetch(),
  };
}

export type Asked<T> = Readonly<Omit<T, 'after'>>;

export const usePieces = (asked: Asked<PiecesQueryDto>): PagedList<PieceView> =>
  useList(keys.pieces, '/pieces', { ...asked });

/** Pieces that were opened on this device, the last first. */
export function useOpenedHere(): readonly PieceView[] {
  const client = useQueryClient();
  return client
    .getQueryCache()
    .findAll({
      predicate: ({ queryKey: [what, , more] }) => what === 'piece' && more === undefined,
    })
    .sort((a, b) => b.state.dataUpdatedAt - a.state.dataUpdatedAt)
    .flatMap(({ state }) => (state.data === undefined ? [] : [state.data as PieceView]));
}

export const useBook = (asked: Asked<MakesQueryDto>): PagedList<MakeView> =>
  useList(keys.book, '/makes', { ...asked });

export const usePhotos = (asked: Asked<PhotosQueryDto>): PagedList<MadePhotoView> =>
  useList([...keys.book, 'photos'], '/photos', { ...asked });

/** Makes of a piece that were logged, the last first. */
export const useLogged = (pieceId: string): PagedList<MakeView> =>
  useList([...keys.piece(pieceId), 'logged'], '/makes', {
    piece: pieceId,
    state: 'logged',
    sort: 'logged',
    limit: 12,
  });
