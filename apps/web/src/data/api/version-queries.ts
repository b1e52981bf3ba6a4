import type { MakeView, PieceView, TagView, VersionView } from '@coiled-strand/contract';
import type { Piece } from '@coiled-strand/core';
import { useQuery } from '@tanstack/react-query';
import { allPages } from './all-pages';
import { call } from './client';
import { keys, useChange } from './queries';

const versionsOf = (pieceId: string): readonly string[] => [...keys.piece(pieceId), 'versions'];

/** A piece as it was before, the last first: never more than fit on one page or two. */
export const useVersions = (pieceId: string) =>
  useQuery({
    queryKey: versionsOf(pieceId),
    queryFn: () => allPages<VersionView>(`/pieces/${pieceId}/versions`),
  });

/** Everything that was made of a piece, the last begun first. */
export const useMakesOf = (pieceId: string) =>
  useQuery({
    queryKey: [...keys.piece(pieceId), 'all-makes'],
    queryFn: () => allPages<MakeView>('/makes', { piece: pieceId }),
  });

/** Keeps the piece as the server has it now, under a name or without one. */
export const useKeepVersion = (pieceId: string) =>
  useChange(
    (name: string | null) =>
      call<VersionView>(`/pieces/${pieceId}/versions`, { method: 'POST', body: { name } }),
    [versionsOf(pieceId)],
  );

export const useNameVersion = (pieceId: string) =>
  useChange(
    ({ id, name }: Pick<VersionView, 'id' | 'name'>) =>
      call<VersionView>(`/pieces/${pieceId}/versions/${id}`, { method: 'PUT', body: { name } }),
    [versionsOf(pieceId)],
  );

/** Makes a piece what it was; what it is until then is kept first. */
export const useGoBack = ({ id, version }: Pick<PieceView, 'id' | 'version'>) =>
  useChange(
    async (piece: Piece) => {
      await call<VersionView>(`/pieces/${id}/versions`, { method: 'POST', body: { name: null } });
      return call<PieceView>(`/pieces/${id}`, { method: 'PUT', body: piece, ifMatch: version });
    },
    [keys.piece(id), keys.pieces],
  );

/** Tags of the pieces on the bench. */
export const useTags = () =>
  useQuery({ queryKey: keys.tags, queryFn: () => call<TagView[]>('/tags') });

export const usePutTags = () =>
  useChange(
    ({ id, tags }: Pick<PieceView, 'id' | 'tags'>) =>
      call<void>(`/pieces/${id}/tags`, { method: 'PUT', body: { tags } }),
    [keys.tags, keys.pieces, ['piece']],
  );

/** Calls a tag otherwise on every piece, or takes it off them all. */
export const useRenameTag = () =>
  useChange(
    (rename: { readonly from: string; readonly to?: string }) =>
      call<void>('/tags', { method: 'PUT', body: rename }),
    [keys.tags, keys.pieces, ['piece']],
  );
