import { beforeAll, describe, expect, it } from '@jest/globals';
import {
  orderDtoOf,
  type LotView,
  type OrderView,
  type PageView,
  type Stored,
  type WorkshopView,
} from '@coiled-strand/contract';
import { ground, reading } from '../testing/ground.js';
import { routesOf } from '../testing/routes.js';
import { useTestApp } from '../testing/test-app.js';
import { contentTag } from './etag.js';

const api = useTestApp();
const read = reading(api);

/** Something that two people may change at the same time. */
interface Edited {
  readonly path: string;
  readonly value: object;
  readonly etag: string;
  /** What one of them changes, and the other. */
  readonly one: object;
  readonly other: object;
}

const EDITED: Readonly<Record<string, () => Promise<Edited>>> = {
  'an order': async () => {
    const [view] = (await read<PageView<OrderView>>('orders')).items;
    const path = `orders/${view!.id}`;
    const value = orderDtoOf(view!.order);
    return { path, value, etag: view!.etag, one: { note: 'in a box' }, other: { note: 'by post' } };
  },
  'a lot': async () => {
    const [view] = (await read<PageView<LotView>>('lots')).items;
    const { form, place, etag } = view!;
    const path = `lots/${view!.id}`;
    return { path, value: { form, place }, etag, one: { place: 'tin' }, other: { place: 'jar' } };
  },
  settings: async () => {
    const { settings: value, etags } = await read<WorkshopView>('workshop');
    const path = 'workshop/settings';
    return { path, value, etag: etags.settings, one: { step: 15 }, other: { step: 20 } };
  },
  'the week': async () => {
    const { week: value, etags } = await read<WorkshopView>('workshop');
    const path = 'workshop/week';
    return { path, value, etag: etags.week, one: { longest: 50 }, other: { longest: 70 } };
  },
  prices: async () => {
    const { pricing: value, etags } = await read<WorkshopView>('workshop');
    const path = 'workshop/pricing';
    return { path, value, etag: etags.pricing, one: { hour: 900 }, other: { hour: 1_900 } };
  },
  ...Object.fromEntries(
    ['wearers', 'cords', 'beads', 'fittings', 'packs'].map((list) => [
      list,
      async (): Promise<Edited> => {
        const [stored] = await read<Stored<{ name: string }>[]>(list);
        const { id, etag } = stored!;
        const value: object = { ...stored!.value };
        const name = list === 'packs' ? 'label' : 'name';
        return {
          ...{ path: `${list}/${id}`, value, etag },
          ...{ one: { [name]: 'One' }, other: { [name]: 'Other' } },
        };
      },
    ]),
  ),
};

const put = ({ path }: Edited, body: object, seen?: string) => {
  const request = api().put(`/api/${path}`);
  return (seen === undefined ? request : request.set('If-Match', seen)).send(body);
};

describe.each(Object.entries(EDITED))('%s', (_, edited) => {
  let before: Edited;
  beforeAll(async () => {
    before = await edited();
  });

  it('is not written over by whoever saw it before', async () => {
    const { value, one, other, etag } = before;
    await put(before, { ...value, ...one }, `"${etag}"`).expect(200);
    const { body } = await put(before, { ...value, ...other }, `"${etag}"`).expect(412);
    expect(body.error).toMatchObject({ code: 'changed', stored: expect.anything() });
    const now = await edited();
    expect(JSON.stringify(body.error.stored)).toContain(now.etag);
    expect(now.value).toMatchObject(one);
    await put(before, { ...now.value, ...other }, `W/"${now.etag}"`).expect(200);
  });

  it('asks what was seen', async () => {
    const { body } = await put(before, before.value).expect(428);
    expect(body.error.code).toBe('version.missing');
  });

  it('changes once when ten change it at once', async () => {
    const { value, one, etag } = await edited();
    const answers = await Promise.all(
      Array.from({ length: 10 }, () => put(before, { ...value, ...one }, `"${etag}"`)),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([
      200,
      ...Array.from({ length: 9 }, () => 412),
    ]);
  });
});

/** What is written over on purpose: a mark, a state or a place that one sees as one sets it, or a number of its own. */
const SET = [
  /^\/api\/knots/, // the number of the version is in its body
  /state$|line$|set-aside$|progress$|log$|tags$|shopping\/\{id\}$|instruments|backups\/plan$/,
  /cuts\/\{cut\}$|versions\/\{version\}$|preferences$|^\/api\/(session|account|people)/,
];

it('whatever else is changed says on what, or is set as it is seen', async () => {
  const { document } = await ground(api);
  const changes = routesOf(document).filter(({ method }) => method === 'put');
  const header = (path: string): boolean =>
    JSON.stringify(document.paths[path]!['put']).includes('"If-Match"');
  const unsaid = changes.filter(
    ({ path }) => !header(path) && !SET.some((pattern) => pattern.test(path)),
  );
  expect(unsaid.map(({ path }) => path)).toEqual([]);
});

it('an ETag goes by what is said, not by how', () => {
  expect(contentTag({ a: 1, b: { c: 2, d: undefined } })).toBe(contentTag({ b: { c: 2 }, a: 1 }));
  expect(contentTag({ a: [1, 2] })).not.toBe(contentTag({ a: [2, 1] }));
  expect(contentTag({ a: null })).not.toBe(contentTag({}));
});
