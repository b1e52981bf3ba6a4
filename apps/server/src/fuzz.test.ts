import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PageView, PieceView } from '@coiled-strand/contract';
import { drawBench, drawClosed, planPiece } from '@coiled-strand/core';
import { ground, reading, type Ground } from './testing/ground.js';
import { mutated, nasty, pick, seeded } from './testing/mutate.js';
import { routesOf, sampleOf, type Route } from './testing/routes.js';
import { as, memberOf, type Signed } from './testing/people.js';
import { startTestApp, type TestApp } from './testing/test-app.js';

let test: TestApp;
let signed: Signed;
const api = () => as(test.app, signed)();
const read = reading(api);

let owners = 0;
/** Whoever is signed out by a trial, sent away, or lost in a workshop of their own comes back as somebody else. */
const comeBack = async (): Promise<void> => {
  ({ signed } = await memberOf(test.app, 'owner', `owner-${owners++}`));
};
beforeAll(async () => {
  test = await startTestApp();
  await comeBack();
});
afterAll(() => test.close());

/** `npm run fuzz` asks for a hundred times more, and for another seed; `npm test` for that of the commit. */
const MUTATIONS = Number(process.env.FUZZ ?? 500);
const SEED = Number(process.env.FUZZ_SEED ?? 20_261_126);
/** What a request may take of the processor, in ms, where that is asked: waiting for other programs does not count. */
const MAX_MS = Number(process.env.FUZZ_MS ?? Infinity);

/** More than any route reads. Who sends it may be hung up on before the answer is read. */
const TOO_LARGE = 6_000_000;
const wasHungUpOn = (error: unknown, body: string | null): boolean =>
  (body ?? '').length > TOO_LARGE &&
  ['EPIPE', 'ECONNRESET'].includes((error as NodeJS.ErrnoException).code ?? '');

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

/** What is sent; of what is too deep even to be written, something that is only deep. */
function textOf(value: unknown): string {
  try {
    return JSON.stringify(value) ?? '';
  } catch {
    return '['.repeat(3_000) + ']'.repeat(3_000);
  }
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
  const text = textOf(way < 0.04 ? nasty(random) : bad);
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
  it(`is answered, ${MUTATIONS} times: never a fault of the server’s own, and never for long`, async () => {
    const random = seeded(SEED);
    const on = await ground(api);
    const routes = routesOf(on.document).filter(({ stream }) => !stream);
    expect(routes.length).toBeGreaterThan(60);
    const faults: string[] = [];
    for (let i = 0; i < MUTATIONS; i++) {
      if (i % 60 === 0) await comeBack();
      const { route, url, body, type } = trialOf(routes, on, random);
      const before = process.cpuUsage();
      const request = api()[route.method](url);
      if (route.path === '/api/pieces/{id}' && route.method === 'put') {
        void request.set('If-Match', pick(['"1"', '"x"', '1', '"99999999999999999999"'], random));
      }
      const answer = await (
        body === null ? request : request.set('content-type', type).send(body)
      ).catch((error: unknown) => {
        if (!wasHungUpOn(error, body)) throw error;
        return null;
      });
      if (!answer) continue;
      const { user, system } = process.cpuUsage(before);
      const ms = (user + system) / 1_000;
      const named = answer.status < 400 || typeof answer.body?.error?.remedy === 'string';
      if (answer.status >= 500 || !named || ms > MAX_MS) {
        faults.push(
          `${answer.status} after ${ms.toFixed(0)} ms: ${route.method} ${url.slice(0, 90)} ${body?.slice(0, 1_500)} → ${JSON.stringify(answer.body).slice(0, 200)}`,
        );
      }
    }
    expect(faults.slice(0, 12)).toEqual([]);
  });

  it('leaves nothing that the screens cannot show', async () => {
    await comeBack();
    const onBench = () => read<PageView<PieceView>>('pieces?limit=100');
    // Some were made, some taken away: enough are left to look at.
    expect((await onBench()).total).toBeGreaterThan(5);
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
      'knots',
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
