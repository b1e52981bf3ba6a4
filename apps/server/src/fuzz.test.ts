import { describe, expect, it } from '@jest/globals';
import { orderDtoOf } from '@coiled-strand/contract';
import type {
  CuttingSummary,
  CuttingView,
  KitView,
  LotView,
  MakePlanView,
  MakeView,
  MovementView,
  OrderView,
  PageView,
  PieceView,
  ShoppingItemView,
  WorkshopView,
} from '@coiled-strand/contract';
import { drawBench, drawClosed, planPiece, TEMPLATES } from '@coiled-strand/core';
import { mutated, nasty, pick, seeded } from './testing/mutate.js';
import { routesOf, sampleOf, type Document, type Route } from './testing/routes.js';
import { useTestApp } from './testing/test-app.js';

const api = useTestApp();

/** `npm run fuzz` asks for more, and for another seed. */
const MUTATIONS = Number(process.env.FUZZ ?? 5_000);
const SEED = Number(process.env.FUZZ_SEED ?? 20_261_126);
/** No request may take longer of the processor, in ms: waiting for other programs does not count. */
const LONGEST = 1_000;

type Bodies = Readonly<Record<string, readonly unknown[]>>;

interface Ground {
  readonly document: Document;
  readonly bodies: Bodies;
  /** By the first segment of a path: what its ids name. */
  readonly ids: Readonly<Record<string, readonly string[]>>;
}

const read = async <T>(path: string): Promise<T> =>
  (await api().get(`/api/${path}`).expect(200)).body as T;

/** The same of lots, sessions, orders and kits. */
async function ofTheWeek(): Promise<Pick<Ground, 'bodies' | 'ids'>> {
  const lots = (await read<PageView<LotView>>('lots?limit=100')).items;
  const [lot] = lots;
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
  const shopping = await read<ShoppingItemView[]>('shopping');
  const packs = await read<{ id: string; value: object }[]>('packs');
  const makes = (await read<PageView<MakeView>>('makes?state=logged')).items;
  const about = { form: 'spool', place: 'x', dyeLot: 'x', tare: 1, grams: 1, useful: 1 };
  const bought = { lots: 1, cents: 5, boughtOn: '2026-11-01', ...about };
  const { lines } = orders[0]!.order;
  return {
    bodies: {
      TakeInDto: lots.slice(0, 20).map(({ thing, size }) => ({ thing, size, ...bought })),
      AboutLotDto: [about],
      MoveDto: [
        { reason: 'used', amount: 1, note: 'x' },
        { reason: 'weighed', amount: 5, grams: 3 },
      ],
      ThingsDto: [{ things: lots.map(({ key }) => key) }],
      FromMakeDto: [
        { make: makes[0]!.id, cords: [{ strand: 1, lot: lot!.id, cut: 1, offcuts: [2] }] },
      ],
      CuttingSessionDto: [{ name, cuts, lots: cutLots, proof, note: 'x', oneDyeLot: true }],
      CutMadeDto: [{ lot: lot!.id, length: 1 }],
      PackDto: packs.map(({ value }) => value),
      ShoppingDto: [{ items: shopping.map(({ item }) => item) }],
      TickDto: [{ ticked: true }],
      ArrivedDto: [{ count: 1, cents: 1, boughtOn: '2026-11-01', ...about }],
      OrderDto: [
        orderDtoOf({
          ...orders[0]!.order,
          lines: lines.map((line) => ({ ...line, id: undefined })),
        }),
      ],
      OrderStateDto: [{ state: 'in-work' }],
      MakeLineDto: [{ line: lines[0]!.id }, { line: null }],
      KitDto: kits.map(({ kit }) => kit),
      PackedDto: [{ number: 1, from: [{ lot: lot!.id, amount: 1 }] }],
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

/** Bodies that the server takes, and ids that there are. */
async function ground(): Promise<Ground> {
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
  const stock = await ofTheWeek();
  const start = {
    name: 'x',
    wearer: { name: 'x', wrist: 165, hand: 200, neck: 360, ankle: 215, head: 560 },
    cutting: { sureness: 0.95, step: 10, practice: 'practised' },
  } as const;
  const values = (list: typeof wearers) => list!.map(({ value }) => value);
  const files = await Promise.all(pieces.map(({ id }) => read<object>(`pieces/${id}/file`)));
  return {
    document,
    bodies: {
      PieceDto: [...pieces.map(({ piece }) => piece), ...TEMPLATES.map((one) => one.make(start))],
      PieceFileDto: files,
      WearerDto: values(wearers),
      CordDto: values(cords),
      BeadDto: values(beads),
      FittingDto: values(fittings),
      SwatchDto: swatches.map(({ swatch }) => swatch),
      SettingsDto: [settings],
      WeekDto: [week],
      PricingDto: [pricing],
      ...stock.bodies,
      ProgressDto: [
        {
          at: make.at,
          said: 5,
          device: 'phone',
          seconds: { prepare: 1, tie: 2, finish: 3 },
          timers: [{ step: make.at.step, startedAt: '2026-01-01T00:00:00.000Z' }],
        },
      ],
      MakeLogDto: [
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
      SetAsideDto: [{ reason: 'x' }],
      BeginMakeDto: [{ beside: true }, { repeat: make.id }],
    },
    ids: {
      pieces: pieces.map(({ id }) => id),
      makes: [make.id],
      wearers: wearers!.map(({ id }) => id),
      cords: cords!.map(({ id }) => id),
      beads: beads!.map(({ id }) => id),
      fittings: fittings!.map(({ id }) => id),
      swatches: swatches.map(({ id }) => id),
      ...stock.ids,
    },
  };
}

interface Trial {
  readonly route: Route;
  readonly url: string;
  readonly body: string | null;
  readonly type: string;
}

const NO_SUCH = '00000000-0000-4000-8000-000000000000';
const ODD_IDS = ['null', '%00', '%', '..%2f..', '-1', 'x'.repeat(3_000), "' or 1=1 --", NO_SUCH];

const ODD_QUERIES = ['a[]=1', 'a[b][c]=%00', 'limit=1e9', '%'];
const ODD_VALUES = [
  '',
  '1',
  '-1',
  '1e9',
  'null',
  '%00',
  '%',
  '%25',
  'name',
  'x'.repeat(3_000),
  NO_SUCH,
];

/** What a list is asked for: what it knows of, with values good and bad, or something that it does not. */
function queryOf({ query }: Route, random: () => number): string {
  const odd = random() < 0.05 ? [pick(ODD_QUERIES, random)] : [];
  const asked = query.flatMap((name) =>
    random() < 0.4 ? [`${name}${pick(['', '[]', '[a]'], random)}=${pick(ODD_VALUES, random)}`] : [],
  );
  return [...asked, ...odd].map((one, i) => `${i === 0 ? '?' : '&'}${one}`).join('');
}

function trialOf(
  routes: readonly Route[],
  { document, bodies, ids }: Ground,
  random: () => number,
): Trial {
  const route = pick(routes, random);
  const [, , first] = route.path.split('/');
  // What is taken away is gone for the trials that follow.
  const real = route.method === 'delete' || route.path.endsWith('abandon') ? 0 : 0.85;
  const url = route.path.replace(/\{\w+\}/g, () =>
    random() < real ? pick(ids[first!] ?? [NO_SUCH], random) : pick(ODD_IDS, random),
  );
  const query = queryOf(route, random);
  if (route.body === null && route.method === 'get')
    return { route, url: url + query, body: null, type: '' };
  const good = pick(bodies[route.body ?? ''] ?? [sampleOf(document, route.body ?? '')], random);
  let bad: unknown = good;
  for (let i = 0; i < 1 + Math.floor(random() * 2); i++) bad = mutated(bad, random);
  const way = random();
  const text = JSON.stringify(way < 0.04 ? nasty(random) : bad) ?? '';
  return {
    route,
    url: url + query,
    body: way > 0.98 ? text.slice(0, text.length / 2) : text,
    type:
      way > 0.96
        ? pick(['text/plain', 'image/png', 'application/xml'], random)
        : 'application/json',
  };
}

describe('whatever is sent', () => {
  it(
    `is answered, ${MUTATIONS} times: never a fault of the server’s own, and never for long`,
    async () => {
      const random = seeded(SEED);
      const on = await ground();
      const routes = routesOf(on.document);
      expect(routes.length).toBeGreaterThan(60);
      const faults: string[] = [];
      for (let i = 0; i < MUTATIONS; i++) {
        const { route, url, body, type } = trialOf(routes, on, random);
        const before = process.cpuUsage();
        const request = api()[route.method](url);
        if (route.path === '/api/pieces/{id}' && route.method === 'put') {
          void request.set('If-Match', pick(['"1"', '"x"', '1', '"99999999999999999999"'], random));
        }
        const answer = await (body === null
          ? request
          : request.set('content-type', type).send(body));
        const { user, system } = process.cpuUsage(before);
        const ms = (user + system) / 1_000;
        const named = answer.status < 400 || typeof answer.body?.error?.remedy === 'string';
        if (answer.status >= 500 || !named || ms > LONGEST) {
          faults.push(
            `${answer.status} after ${ms.toFixed(0)} ms: ${route.method} ${url.slice(0, 90)} ${body?.slice(0, 1_500)} → ${JSON.stringify(answer.body).slice(0, 200)}`,
          );
        }
      }
      expect(faults.slice(0, 12)).toEqual([]);
    },
    30 * 60_000,
  );

  it('leaves nothing that the screens cannot show', async () => {
    const onBench = () => read<PageView<PieceView>>('pieces?limit=100');
    expect((await onBench()).total).toBeGreaterThan(11);
    for (let { items } = await onBench(); items.length > 0; { items } = await onBench()) {
      for (const { id, piece } of items) {
        const plan = planPiece(piece);
        if (plan.ok) {
          drawBench(piece, plan, { firstSide: 'left', tails: true });
          drawClosed(piece, plan);
        } else expect(plan.advice.length).toBeGreaterThan(0);
        // And what is there is taken away.
        await api().delete(`/api/pieces/${id}`).expect(204);
      }
    }
    for (const list of [
      'wearers',
      'cords',
      'beads',
      'fittings',
      'makes',
      'swatches',
      'hand',
      'photos',
      'lots',
      'cuttings',
      'orders',
      'shopping',
      'kits',
      'jobs',
      'packs',
    ]) {
      await read(list);
    }
  });
});
