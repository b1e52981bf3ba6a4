import {
  orderDtoOf,
  type CuttingSummary,
  type CuttingView,
  type DrawnKnotDto,
  type KitView,
  type KnotView,
  type LotView,
  type MakePlanView,
  type MakeView,
  type MovementView,
  type OrderView,
  type PageView,
  type PieceView,
  type ShoppingItemView,
  type WorkshopView,
} from '@coiled-strand/contract';
import { drawBoard, KNOWN_KNOTS, TEMPLATES } from '@coiled-strand/core';
import { kept } from '../../../../scripts/lib/kept.mjs';
import type { Document } from './routes.js';
import type { useTestApp } from './test-app.js';

type Api = ReturnType<typeof useTestApp>;

export type Bodies = Readonly<Record<string, readonly unknown[]>>;

export interface Ground {
  readonly document: Document;
  readonly bodies: Bodies;
  /** By the first segment of a path: what its ids name. */
  readonly ids: Readonly<Record<string, readonly string[]>>;
}

type Read = <T>(path: string) => Promise<T>;

export const reading =
  (api: Api): Read =>
  async <T>(path: string) =>
    (await api().get(`/api/${path}`).expect(200)).body as T;

/** The same of lots, sessions, orders and kits. */
async function ofTheWeek(read: Read): Promise<Pick<Ground, 'bodies' | 'ids'>> {
  const lots = (await read<PageView<LotView>>('lots?limit=100')).items;
  const [lot] = lots;
  const cord = lots.find(({ thing }) => thing.kind === 'cord')!;
  const { items: movements } = await read<PageView<MovementView>>(`lots/${lot!.id}/movements`);
  const { items: sessions } = await read<PageView<CuttingSummary>>('cuttings');
  const {
    cuts,
    lots: cutLots,
    proof,
    name,
  } = await read<CuttingView>(`cuttings/${sessions[0]!.id}`);
  const { items: orders } = await read<PageView<OrderView>>('orders');
  const kits = await read<KitView[]>('kits');
  const { items: shopping } = await read<PageView<ShoppingItemView>>('shopping');
  const packs = await read<{ id: string; value: object }[]>('packs');
  const makes = (await read<PageView<MakeView>>('makes?state=logged')).items;
  const about = { form: 'spool', place: 'x', dyeLot: 'x', tare: 1, grams: 1, useful: 1 };
  const bought = { lots: 1, cents: 5, boughtOn: '2026-11-01', ...about };
  const { lines } = orders[0]!.order;
  return {
    bodies: {
      TakeIn: lots.slice(0, 20).map(({ thing, size }) => ({ thing, size, ...bought })),
      AboutLot: [about],
      Move: [
        { reason: 'used', amount: 1, note: 'x' },
        { reason: 'weighed', amount: 5, grams: 3 },
      ],
      Things: [{ things: lots.map(({ key }) => key) }],
      FromMake: [
        { make: makes[0]!.id, cords: [{ strand: 1, lot: cord.id, cut: 9, offcuts: [2] }] },
      ],
      CuttingSession: [{ name, cuts, lots: cutLots, proof, note: 'x', oneDyeLot: true }],
      CutMade: [{ lot: lot!.id, length: 1 }],
      Pack: packs.map(({ value }) => value),
      Shopping: [{ items: shopping.map(({ item }) => item) }],
      Tick: [{ ticked: true }],
      Arrived: [{ count: 1, cents: 1, boughtOn: '2026-11-01', ...about }],
      Order: [
        orderDtoOf({
          ...orders[0]!.order,
          lines: lines.map((line) => ({ ...line, id: undefined })),
        }),
      ],
      OrderState: [{ state: 'in-work' }],
      MakeLine: [{ line: lines[0]!.id }, { line: null }],
      Kit: kits.map(({ kit }) => kit),
      Packed: [{ number: 1, from: [{ lot: lot!.id, amount: 1 }] }],
    },
    ids: {
      lots: lots.map(({ id }) => id),
      movements: movements.map(({ id }) => id),
      cuttings: sessions.map(({ id }) => id),
      orders: orders.map(({ id }) => id),
      customers: orders.map(({ customerId }) => customerId),
      kits: kits.map(({ id }) => id),
      shopping: shopping.map(({ id }) => id),
      packs: packs.map(({ id }) => id),
    },
  };
}

/** A knot drawn tight as a page does it. */
export function drawnKnot(id = 'figure-eight'): DrawnKnotDto {
  const { name, board } = KNOWN_KNOTS.find((one) => one.id === id)!;
  const tight = kept('board', board, () => {
    const steps = drawBoard(board);
    for (;;) {
      const { done, value } = steps.next();
      if (!done) continue;
      if (value.how !== 'holds') throw new Error(`the ${name} ${value.how}`);
      return value.tight;
    }
  });
  // As it comes out of a request: plain lists.
  return JSON.parse(JSON.stringify({ name, board, tight })) as DrawnKnotDto;
}

const keptKnot = async (api: Api): Promise<KnotView> =>
  (await api().post('/api/knots').send(drawnKnot()).expect(201)).body as KnotView;

/** Bodies that the server takes, and ids that there are. */
export async function ground(api: Api): Promise<Ground> {
  const read = reading(api);
  const document = await read<Document>('openapi.json');
  const pieces = (await read<PageView<PieceView>>('pieces?sort=laid&limit=100')).items;
  const listed = async (path: string) => read<{ id: string; value: object }[]>(path);
  const make = (await api().post(`/api/pieces/${pieces[0]!.id}/makes`).send({}).expect(200))
    .body as MakeView;
  const { plan } = await read<MakePlanView>(`makes/${make.id}/plan`);
  const [wearers, cords, beads, fittings] = await Promise.all(
    ['wearers', 'cords', 'beads', 'fittings'].map(listed),
  );
  const swatches = await read<{ id: string; swatch: object }[]>('swatches');
  const { settings, week, pricing } = await read<WorkshopView>('workshop');
  const stock = await ofTheWeek(read);
  const knot = await keptKnot(api);
  const start = {
    name: 'x',
    wearer: { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  } as const;
  const withKnot = { ...knot.value, id: 'own', origin: knot.id, version: knot.version };
  const values = (list: typeof wearers) => list!.map(({ value }) => value);
  const files = await Promise.all(pieces.map(({ id }) => read<object>(`pieces/${id}/file`)));
  return {
    document,
    bodies: {
      Piece: [
        { ...pieces[0]!.piece, knots: [withKnot] },
        ...pieces.map(({ piece }) => piece),
        ...TEMPLATES.map((one) => one.make(start)),
      ],
      DrawnKnot: [knot.value],
      KnotChange: [{ ...knot.value, version: knot.version }],
      PieceFile: files,
      Wearer: values(wearers),
      Cord: values(cords),
      Bead: values(beads),
      Fitting: values(fittings),
      Swatch: swatches.map(({ swatch }) => swatch),
      Settings: [settings],
      Week: [week],
      Pricing: [pricing],
      ...stock.bodies,
      Progress: [
        {
          at: make.at,
          said: 5,
          device: 'phone',
          seconds: { prepare: 1, tie: 2, finish: 3 },
          timers: [{ step: make.at.step, startedAt: '2026-01-01T00:00:00.000Z' }],
          measured: {
            done: [{ part: plan.parts[0]!.id, units: 10 }],
            length: 60,
            left: [{ strand: 1, length: 500 }],
          },
        },
      ],
      MakeLog: [
        {
          cords: plan.strands.map(({ cut, kept }) => ({ cut, leftover: cut - kept })),
          length: plan.fit.length,
          minutes: 40,
          stages: { prepare: 5, tie: 30, finish: 5 },
          tied: 30,
          between: { done: [{ part: plan.parts[0]!.id, units: 10 }], length: 60 },
          ends: { shortest: 40, was: 'enough' },
          worn: 'right',
          owner: 'x',
          note: 'x',
        },
      ],
      SetAside: [{ reason: 'x' }],
      VersionName: [{ name: 'x' }, { name: null }],
      Tags: [{ tags: ['x', 'y'] }],
      RenameTag: [{ from: 'x', to: 'z' }, { from: 'y' }],
      BeginMake: [{ beside: true }, { repeat: make.id }],
    },
    ids: {
      pieces: pieces.map(({ id }) => id),
      makes: [make.id],
      wearers: wearers!.map(({ id }) => id),
      cords: cords!.map(({ id }) => id),
      beads: beads!.map(({ id }) => id),
      fittings: fittings!.map(({ id }) => id),
      knots: [knot.id],
      swatches: swatches.map(({ id }) => id),
      ...stock.ids,
    },
  };
}
