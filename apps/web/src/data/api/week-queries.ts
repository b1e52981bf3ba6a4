import {
  orderDtoOf,
  type AboutLotDto,
  type ArrivedDto,
  type CutForView,
  type CutMadeDto,
  type CuttingSessionDto,
  type CuttingSummary,
  type CuttingView,
  type FromMakeDto,
  type HandleDto,
  type InstrumentView,
  type JobsView,
  type KitDto,
  type KitView,
  type LotsQueryDto,
  type LotView,
  type MakeView,
  type MoveDto,
  type MovementView,
  type OrderDto,
  type OrderState,
  type OrdersQueryDto,
  type OrderView,
  type PackDto,
  type PackedDto,
  type PageView,
  type PieceView,
  type PricingDto,
  type ShoppingItemDto,
  type ShoppingItemView,
  type ShoppingTotalsView,
  type Stored,
  type TakeInDto,
  type WeekDto,
  type WorkshopView,
} from '@coiled-strand/contract';
import { useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Seen } from './changes';
import { call } from './client';
import { useList, type Asked, type PagedList } from './lists';
import { keys, useAdd, useChange, useChangeSeen, useDo } from './queries';

/** The stash and its ledger. */
export const useLots = (asked: Asked<LotsQueryDto>): PagedList<LotView> =>
  useList(keys.lots, '/lots', { ...asked });

export const useLot = (id: string) =>
  useQuery({ queryKey: [...keys.lots, id], queryFn: () => call<LotView>(`/lots/${id}`) });

export const useMovements = (lot: string): PagedList<MovementView> =>
  useList([...keys.lots, lot, 'movements'], `/lots/${lot}/movements`, { limit: 30 });

/** Every lot of some things of which something is left. */
export const useLotsOf = (things: readonly string[]) =>
  useQuery({
    queryKey: [...keys.lots, 'of-things', ...things],
    queryFn: () => call<LotView[]>('/lots/of-things', { method: 'POST', body: { things } }),
    enabled: things.length > 0,
  });

/** What changes when something goes into the stash or out of it. */
const STOCK = [keys.lots, keys.shopping, keys.cuttings];

export const useTakeIn = () => useAdd<TakeInDto, LotView[]>('/lots', STOCK);

/** What is known of a lot, as it can be sent back. */
export const aboutIn = (lot: LotView): Seen<AboutLotDto> => {
  const { form, place, dyeLot, tare, grams, useful, etag } = lot;
  const value = {
    form,
    place,
    ...(dyeLot === null ? {} : { dyeLot }),
    ...(tare === null ? {} : { tare }),
    ...(grams === null ? {} : { grams }),
    ...(useful === null ? {} : { useful }),
  };
  return { value, etag };
};
export const useChangeLot = (id: string) => useChangeSeen(`/lots/${id}`, aboutIn, STOCK);
export interface Moved {
  readonly lot: LotView;
  readonly movement: string;
}
export const useMove = (id: string) => useAdd<MoveDto, Moved>(`/lots/${id}/movements`, STOCK);
export const useUndoMovement = () =>
  useChange((id: string) => call<Moved>(`/movements/${id}/undo`, { method: 'POST' }), STOCK);
/** What was cut in sessions for the piece of a make, and went into no make yet. */
export const useCutFor = (make: string) =>
  useQuery({
    queryKey: [...keys.lots, 'cut-for', make],
    queryFn: () => call<CutForView[]>(`/lots/cut-for/${make}`),
  });
export const useFromMake = () => useAdd<FromMakeDto, LotView[]>('/lots/from-make', STOCK);

/** Cutting. */
export const useCuttings = (): PagedList<CuttingSummary> =>
  useList(keys.cuttings, '/cuttings', { limit: 12 });
export const useCutting = (id: string) =>
  useQuery({
    queryKey: [...keys.cuttings, id],
    queryFn: () => call<CuttingView>(`/cuttings/${id}`),
    // Somebody else may stand at the same board.
    refetchInterval: 10_000,
  });
export const useBeginCutting = () =>
  useAdd<CuttingSessionDto, CuttingView>('/cuttings', [keys.cuttings]);
export const useCutMade = (id: string) =>
  useChange(
    ({ cut, ...body }: CutMadeDto & { readonly cut: string }) =>
      call<CuttingView>(`/cuttings/${id}/cuts/${encodeURIComponent(cut)}`, { method: 'PUT', body }),
    STOCK,
  );
export const useCloseCutting = () =>
  useDo('POST', (id) => `/cuttings/${id}/close`, [keys.cuttings]);

/** Buying. */
export const useShopping = (): PagedList<ShoppingItemView> =>
  useList(keys.shopping, '/shopping', { limit: 100 });
export const useShoppingTotals = () =>
  useQuery({
    queryKey: [...keys.shopping, 'totals'],
    queryFn: () => call<ShoppingTotalsView>('/shopping/totals'),
  });
export const usePacks = () =>
  useQuery({ queryKey: keys.packs, queryFn: () => call<Stored<PackDto>[]>('/packs') });
export const useAddPack = () => useAdd<PackDto, Stored<PackDto>>('/packs', [keys.packs]);
export const useAddShopping = () =>
  useAdd<{ items: ShoppingItemDto[] }, ShoppingItemView[]>('/shopping', [keys.shopping]);
export const useTick = () =>
  useChange(
    ({ id, ticked }: Pick<ShoppingItemView, 'id' | 'ticked'>) =>
      call<ShoppingItemView>(`/shopping/${id}`, { method: 'PUT', body: { ticked } }),
    [keys.shopping],
  );
export const useStrike = () => useDo('DELETE', (id) => `/shopping/${id}`, [keys.shopping]);
export const useArrived = (id: string) =>
  useAdd<ArrivedDto, LotView[]>(`/shopping/${id}/arrived`, STOCK);

/** Orders. */
export const useOrders = (asked: Asked<OrdersQueryDto>): PagedList<OrderView> =>
  useList(keys.orders, '/orders', { ...asked });
export const useOrder = (id: string) =>
  useQuery({ queryKey: [...keys.orders, id], queryFn: () => call<OrderView>(`/orders/${id}`) });
const ORDERED = [keys.orders, keys.jobs];
export const useAddOrder = () => useAdd<OrderDto, OrderView>('/orders', ORDERED);
export const orderIn = ({ order, etag }: OrderView): Seen<OrderDto> => ({
  value: orderDtoOf(order),
  etag,
});
export const useChangeOrder = (id: string) => useChangeSeen(`/orders/${id}`, orderIn, ORDERED);
export const useOrderState = (id: string) =>
  useChange(
    (state: OrderState) =>
      call<OrderView>(`/orders/${id}/state`, { method: 'PUT', body: { state } }),
    ORDERED,
  );
export const useMakeLine = () =>
  useChange(
    ({ make, line }: { readonly make: string; readonly line: string | null }) =>
      call<MakeView>(`/makes/${make}/line`, { method: 'PUT', body: { line } }),
    [...ORDERED, ['piece']],
  );

/** Bench time. */
export const useJobs = () =>
  useQuery({
    queryKey: keys.jobs,
    queryFn: () => call<JobsView>('/jobs'),
    refetchInterval: 30_000,
  });
export const weekIn = ({ week, etags }: WorkshopView): Seen<WeekDto> => ({
  value: week,
  etag: etags.week,
});
export const useChangeWeek = () => useChangeSeen('/workshop/week', weekIn, [keys.workshop]);
export const pricingIn = ({ pricing, etags }: WorkshopView): Seen<PricingDto> => ({
  value: pricing,
  etag: etags.pricing,
});
export const useChangePricing = () =>
  useChangeSeen('/workshop/pricing', pricingIn, [keys.workshop]);

/** Kits. */
export const useKits = () =>
  useQuery({ queryKey: keys.kits, queryFn: () => call<KitView[]>('/kits') });
export const useKit = (id: string) =>
  useQuery({ queryKey: [...keys.kits, id], queryFn: () => call<KitView>(`/kits/${id}`) });
export const useAddKit = () => useAdd<KitDto, KitView>('/kits', [keys.kits]);
export const usePacked = (id: string) =>
  useAdd<PackedDto, KitView>(`/kits/${id}/packed`, [keys.kits, keys.lots]);

/** More pieces than one plans at once. */
const MANY = 100;

/** Pieces to choose from. */
export const useAllPieces = () =>
  useQuery({
    queryKey: [...keys.pieces, 'all'],
    queryFn: async () => (await call<PageView<PieceView>>(`/pieces?sort=name&limit=${MANY}`)).items,
  });

/** Those that have come; the same list for as long as nothing changes. */
const come = (answers: readonly { readonly data?: PieceView | undefined }[]): PieceView[] =>
  answers.flatMap(({ data }) => data ?? []);

/** Some pieces by their ids, those that have come. */
export function usePiecesById(ids: readonly string[]): ReadonlyMap<string, PieceView> {
  const found = useQueries({
    queries: ids.map((id) => ({
      queryKey: keys.piece(id),
      queryFn: () => call<PieceView>(`/pieces/${id}`),
    })),
    combine: come,
  });
  return useMemo(() => new Map(found.map((view) => [view.id, view])), [found]);
}

/** The hands of an instrument’s stand-in. */
export const useHandle = (which: InstrumentView['instrument']) =>
  useChange(
    (body: HandleDto) => call<InstrumentView>(`/instruments/${which}`, { method: 'PUT', body }),
    [],
  );
