import type {
  BeadView,
  BeginMakeDto,
  CordView,
  FittingDto,
  FittingView,
  HandView,
  MakeLogDto,
  MakePlanView,
  MadeCords,
  MakeView,
  PageView,
  PhotoView,
  PieceView,
  PreferencesDto,
  SetAsideDto,
  SettingsDto,
  Source,
  SwatchDto,
  SwatchView,
  WearerView,
  WorkshopView,
} from '@coiled-strand/contract';
import {
  ANY_HAND,
  type Bead,
  type Cord,
  type Hand,
  type Piece,
  type Wearer,
} from '@coiled-strand/core';
import { LIST_IDS, type ListId } from '@coiled-strand/workshop';
import {
  QueryClient,
  useMutation,
  useQuery,
  useQueryClient,
  type UseMutationResult,
} from '@tanstack/react-query';
import { isStale, sendChange, type Change, type Seen } from './changes';
import { call, isPassing } from './client';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => isPassing(error) && count < 3,
      staleTime: 5_000,
      // The server is on this machine: what the browser thinks of the network says nothing about it.
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

/** What lies on the lists is asked for by their routes. */
const LIST_KEYS = Object.fromEntries(LIST_IDS.map((id) => [id, [id]])) as unknown as {
  readonly [L in ListId]: readonly [L];
};

export const keys = {
  ...LIST_KEYS,
  session: ['session'],
  people: ['people'],
  devices: ['devices'],
  customers: ['customers'],
  trail: ['trail'],
  backups: ['backups'],
  workshop: ['workshop'],
  knots: ['knots'],
  pieces: ['pieces'],
  tags: ['tags'],
  book: ['book'],
  hand: ['hand'],
  swatches: ['swatches'],
  lots: ['lots'],
  cuttings: ['cuttings'],
  shopping: ['shopping'],
  orders: ['orders'],
  kits: ['kits'],
  jobs: ['jobs'],
  piece: (id: string) => ['piece', id],
  makes: (id: string) => ['piece', id, 'makes'],
} as const;

export const useWorkshop = () =>
  useQuery({ queryKey: keys.workshop, queryFn: () => call<WorkshopView>('/workshop') });
export const useWearers = () =>
  useQuery({ queryKey: keys.wearers, queryFn: () => call<WearerView[]>('/wearers') });
export const useCords = () =>
  useQuery({ queryKey: keys.cords, queryFn: () => call<CordView[]>('/cords') });
export const useBeads = () =>
  useQuery({ queryKey: keys.beads, queryFn: () => call<BeadView[]>('/beads') });
export const useFittings = () =>
  useQuery({ queryKey: keys.fittings, queryFn: () => call<FittingView[]>('/fittings') });
export const usePieceQuery = (id: string) =>
  useQuery({
    queryKey: keys.piece(id),
    queryFn: () => call<PieceView>(`/pieces/${id}`),
    refetchInterval: 15_000,
    refetchOnWindowFocus: 'always',
    staleTime: 0,
  });
/** Side by side on one table: more than anybody makes of a piece at once. */
const MAX_UNDER_WAY = 100;

/** Makes of a piece that are under way, the last begun first. */
export const useMakes = (pieceId: string) =>
  useQuery({
    queryKey: keys.makes(pieceId),
    queryFn: async () => {
      const asked = `piece=${pieceId}&state=under-way&limit=${MAX_UNDER_WAY}`;
      return (await call<PageView<MakeView>>(`/makes?${asked}`)).items;
    },
    refetchOnWindowFocus: 'always',
    // A make may be gone on with on another device.
    refetchInterval: 10_000,
  });
export const useSwatches = () =>
  useQuery({ queryKey: keys.swatches, queryFn: () => call<SwatchView[]>('/swatches') });
export const useHandView = () =>
  useQuery({ queryKey: keys.hand, queryFn: () => call<HandView>('/hand') });

export const useMadeCords = () =>
  useQuery({ queryKey: [...keys.hand, 'made'], queryFn: () => call<MadeCords[]>('/hand/made') });

export const handQuery = {
  queryKey: [...keys.hand, 'known'],
  queryFn: () => call<Hand>('/hand/known'),
} as const;

/** What was learnt of the hand; nothing while that is not known. */
export const useHand = (): Hand => useQuery(handQuery).data ?? ANY_HAND;

/** A mutation that refreshes the lists it touches. */
export function useChange<In, Out>(
  run: (input: In) => Promise<Out>,
  touches: readonly (readonly string[])[],
): UseMutationResult<Out, Error, In> {
  const client = useQueryClient();
  return useMutation({
    mutationFn: run,
    onSuccess: () => Promise.all(touches.map((queryKey) => client.invalidateQueries({ queryKey }))),
    // What others made of it is there to be looked at.
    onError: (error) => {
      if (!isStale(error)) return;
      for (const queryKey of touches) void client.invalidateQueries({ queryKey });
    },
  });
}

/**
 * Changes something that others may change too, see `sendChange`.
 *
 * @param read what may be changed of an answer
 */
export const useChangeSeen = <T extends object, V>(
  path: string,
  read: (view: V) => Seen<T>,
  touches: readonly (readonly string[])[],
): UseMutationResult<V, Error, Change<T>> =>
  useChange((change: Change<T>) => sendChange(path, change, read), touches);

/** What a make goes by: fetched once, since it does not change for as long as the make lasts. */
export const useMakePlan = (makeId: string | undefined) =>
  useQuery({
    queryKey: ['make-plan', makeId],
    queryFn: () => call<MakePlanView>(`/makes/${makeId}/plan`),
    enabled: makeId !== undefined,
    staleTime: Infinity,
  });

/** Puts a new thing on a list of the workshop. */
export const useAdd = <In extends object, Out>(
  path: string,
  touches: readonly (readonly string[])[],
) => useChange((body: In) => call<Out>(path, { method: 'POST', body }), touches);

export const useAddWearer = () => useAdd<Wearer, WearerView>('/wearers', [keys.wearers]);
export const useChangeWearer = () =>
  useChange(
    ({ id, ...change }: Change<Wearer> & Pick<WearerView, 'id'>) =>
      sendChange<Wearer, WearerView>(`/wearers/${id}`, change, (view) => view),
    [keys.wearers],
  );
export const useAddCord = () => useAdd<Cord, CordView>('/cords', [keys.cords]);
export const useAddBead = () => useAdd<Bead, BeadView>('/beads', [keys.beads]);
export const useAddFitting = () => useAdd<FittingDto, FittingView>('/fittings', [keys.fittings]);
export const settingsIn = ({ settings, etags }: WorkshopView): Seen<SettingsDto> => ({
  value: settings,
  etag: etags.settings,
});
export const useChangeSettings = () =>
  useChangeSeen('/workshop/settings', settingsIn, [keys.workshop]);
export const useChangePreferences = () =>
  useChange(
    (preferences: PreferencesDto) =>
      call<WorkshopView>('/workshop/preferences', { method: 'PUT', body: preferences }),
    [keys.workshop],
  );
export const useAddPiece = () => useAdd<Piece, PieceView>('/pieces', [keys.pieces]);
export const useImportPiece = () => useAdd<object, PieceView>('/pieces/import', [keys.pieces]);
/** Something that is done to one thing, by its id. */
export const useDo = (
  method: 'POST' | 'DELETE',
  path: (id: string) => string,
  touches: readonly (readonly string[])[],
) => useChange((id: string) => call<void>(path(id), { method }), touches);

export const usePutAway = () => useDo('DELETE', (id) => `/pieces/${id}`, [keys.pieces, keys.book]);
export const useBringBack = () =>
  useDo('POST', (id) => `/pieces/${id}/restore`, [keys.pieces, keys.book, ['piece']]);
export const useBeginMake = (pieceId: string) =>
  useAdd<BeginMakeDto, MakeView>(`/pieces/${pieceId}/makes`, [
    keys.piece(pieceId),
    keys.pieces,
    keys.jobs,
  ]);
export const useAbandonMake = (pieceId: string) =>
  useDo('POST', (id) => `/makes/${id}/abandon`, [keys.piece(pieceId), keys.pieces]);
export const useResumeMake = (pieceId: string) =>
  useDo('POST', (id) => `/makes/${id}/resume`, [keys.piece(pieceId), keys.pieces]);
export const useLogMake = (pieceId: string) =>
  useChange(
    ({ id, record }: { id: string; record: MakeLogDto }) =>
      call<MakeView>(`/makes/${id}/log`, { method: 'PUT', body: record }),
    [keys.piece(pieceId), keys.pieces, keys.hand, keys.book, keys.jobs, keys.orders],
  );
export const useAddPhoto = (pieceId: string) =>
  useChange(
    ({ id, file }: { id: string; file: Blob }) =>
      call<PhotoView>(`/makes/${id}/photos`, { method: 'POST', bytes: file }),
    [keys.piece(pieceId), keys.book],
  );
export const useRemovePhoto = (pieceId: string) =>
  useDo('DELETE', (id) => `/photos/${id}`, [keys.piece(pieceId), keys.book]);
export const useSetAside = () =>
  useChange(
    ({ from, id, reason }: Pick<Source, 'from' | 'id'> & SetAsideDto) =>
      call<unknown>(`/${from}${from === 'swatch' ? 'es' : 's'}/${id}/set-aside`, {
        method: 'PUT',
        body: { reason },
      }),
    [keys.hand, keys.swatches, keys.book, ['piece']],
  );
export const useAddSwatch = () =>
  useAdd<SwatchDto, SwatchView>('/swatches', [keys.swatches, keys.hand]);
export const useRemoveSwatch = () =>
  useDo('DELETE', (id) => `/swatches/${id}`, [keys.swatches, keys.hand]);
