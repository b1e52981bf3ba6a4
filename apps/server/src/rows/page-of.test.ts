import { beforeAll, describe, expect, it } from '@jest/globals';
import type { MakeView, PageView, PieceView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();
const get = async <T>(path: string): Promise<PageView<T>> =>
  (await api().get(`/api/${path}`).expect(200)).body as PageView<T>;

/** Every page of a list, one after the other. */
async function pages<T extends { readonly id: string }>(path: string, limit: number): Promise<T[]> {
  const all: T[] = [];
  for (let after = ''; ;) {
    const page = await get<T>(`${path}limit=${limit}&after=${after}`);
    expect(page.items.length).toBeLessThanOrEqual(limit);
    all.push(...page.items);
    if (page.next === null) return all;
    after = page.next;
  }
}

beforeAll(async () => {
  const { items } = await get<PieceView>('pieces?sort=laid');
  for (let i = 0; i < 30; i++) {
    await api()
      .post('/api/pieces')
      .send({
        ...items[i % items.length]!.piece,
        name: `Row q${'abcdefghij'[i % 10]!}z`,
        note: 'in 100 %_ wool',
      })
      .expect(201);
  }
});

describe('a list in pages', () => {
  it.each(['laid', 'changed', 'name'])('sorted by %s tells everything once', async (sort) => {
    const { total } = await get(`pieces?sort=${sort}`);
    expect(total).toBe(41);
    const ids = (await pages<PieceView>(`pieces?sort=${sort}&`, 7)).map(({ id }) => id);
    expect(ids).toHaveLength(total);
    expect(new Set(ids).size).toBe(total);
    const atOnce = (await get<PieceView>(`pieces?sort=${sort}&limit=100`)).items;
    expect(atOnce.map(({ id }) => id)).toEqual(ids);
  });

  it('is in the order that was asked for', async () => {
    const names = (await get<PieceView>('pieces?sort=name&limit=100')).items.map(({ piece }) =>
      piece.name.toLowerCase(),
    );
    expect(names).toEqual([...names].sort());
    const [first, second] = (await get<PieceView>('pieces?sort=changed')).items;
    await api()
      .put(`/api/pieces/${second!.id}`)
      .set('If-Match', `"${second!.version}"`)
      .send({ ...second!.piece, name: 'Changed now' })
      .expect(200);
    const now = (await get<PieceView>('pieces')).items.map(({ id }) => id);
    expect(now.slice(0, 2)).toEqual([second!.id, first!.id]);
  });

  it('tells nothing twice when something is added in between', async () => {
    const first = await get<PieceView>('pieces?limit=5');
    await api().post('/api/pieces').send(first.items[0]!.piece).expect(201);
    const second = await get<PieceView>(`pieces?limit=5&after=${first.next}`);
    const ids = [...first.items, ...second.items].map(({ id }) => id);
    expect(new Set(ids).size).toBe(10);
  });

  it('finds every word, in any order, and takes signs as they are', async () => {
    expect((await get('pieces?q=ROW QDZ')).total).toBe(3);
    expect((await get('pieces?q=qdz row')).total).toBe(3);
    // By what it is made of, too.
    const of = (await get<PieceView>('pieces?q=moonstone')).items;
    expect(of.length).toBeGreaterThan(0);
    expect(of.every(({ piece }) => piece.beads.some(({ name }) => /moonstone/i.test(name)))).toBe(
      true,
    );
    expect((await get(`pieces?q=${encodeURIComponent('%_')}`)).total).toBeGreaterThanOrEqual(29);
    expect((await get(`pieces?q=${encodeURIComponent('1_0')}`)).total).toBe(0);
    expect(await get('pieces?q=nothing of the kind')).toEqual({ items: [], total: 0, next: null });
  });

  it('of makes goes by state, part and piece', async () => {
    const all = await get<MakeView>('makes?limit=100');
    const before = all.items.filter(({ loggedAt }) => loggedAt === null).map(({ id }) => id);
    const { pieceId } = all.items.find(({ loggedAt }) => loggedAt !== null)!;
    const begun = (
      await api().post(`/api/pieces/${pieceId}/makes`).send({ beside: true }).expect(200)
    ).body as MakeView;
    const open = await get<MakeView>('makes?state=under-way');
    expect(open.items.map(({ id }) => id)).toEqual([begun.id, ...before]);
    expect((await get('makes?state=logged')).total).toBe(all.total - before.length);
    const own = await get<MakeView>(`makes?piece=${pieceId}&limit=100`);
    expect(own.items.every((make) => make.pieceId === pieceId)).toBe(true);
    const kind = begun.piece.parts[0]!.kind;
    const of = await get<MakeView>(`makes?technique=${kind}&limit=100`);
    expect(of.items.every(({ piece }) => piece.parts.some((part) => part.kind === kind))).toBe(
      true,
    );
    expect(of.total).toBeGreaterThan(0);
    expect((await get('makes?technique=no-such-kind')).total).toBe(0);
    const logged = (await get<MakeView>('makes?sort=logged&limit=100')).items;
    const times = logged.map(({ loggedAt }) => loggedAt!);
    expect(times).toEqual([...times].sort().reverse());
    expect(await pages<MakeView>('makes?sort=logged&', 2)).toHaveLength(logged.length);
  });

  it.each([
    ['limit=0', 'limit'],
    ['limit=101', 'limit'],
    ['limit=many', 'limit'],
    ['limit[]=1', 'limit[]'],
    ['after=1', 'after'],
    ['sort=size', 'sort'],
    ['q[]=a', 'q[]'],
    ['q[a]=b', 'q[a]'],
    ['other=1', 'other'],
    [`q=${'x'.repeat(201)}`, 'q'],
    ['q=%00', 'q'],
  ])('refuses %s by name', async (query, path) => {
    const { body } = await api().get(`/api/pieces?${query}`).expect(422);
    expect(body.error.faults[0].path).toBe(path);
  });
});
