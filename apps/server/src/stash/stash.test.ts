import { describe, expect, it } from '@jest/globals';
import type {
  BeadView,
  CordView,
  FittingView,
  PageView,
  PieceView,
  UsesView,
  WearerView,
} from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

const NOBODY = '00000000-0000-4000-8000-000000000000';

describe('the workshop’s lists', () => {
  it('come in the order in which they were filled', async () => {
    const names = ((await api().get('/api/wearers')).body as WearerView[]).map((w) => w.value.name);
    expect(names.slice(0, 2)).toEqual(['Ines Varga', 'Tobias Renn']);
    const fittings = (await api().get('/api/fittings')).body as FittingView[];
    expect(fittings[0]?.value.closure).toMatchObject({ type: 'side-release-buckle', slot: 16 });
    const beads = (await api().get('/api/beads')).body as BeadView[];
    expect(beads[0]?.value).toMatchObject({ name: 'Hematite grey 6 mm', length: 6, hole: 1.4 });
  });

  it('change a cord by its id and leave the others', async () => {
    const before = (await api().get('/api/cords')).body as CordView[];
    const { id, value, etag } = before[3]!;
    await api()
      .put(`/api/cords/${id}`)
      .set('If-Match', `"${etag}"`)
      .send({ ...value, effective: 0.93 })
      .expect(200);
    const after = (await api().get('/api/cords')).body as CordView[];
    expect(after.map((c) => c.id)).toEqual(before.map((c) => c.id));
    expect(after[3]?.value.effective).toBe(0.93);
    expect(after[2]).toEqual(before[2]);
  });

  it('name what is not there', async () => {
    const wearer = { name: 'x', wrist: 170 };
    const { body } = await api().put(`/api/wearers/${NOBODY}`).send(wearer).expect(404);
    expect(body.error.message).toBe('There is no such wearer.');
  });

  it.each([
    ['wearers', { name: '', wrist: 170 }, 'name'],
    ['wearers', { name: 'x', wrist: -1 }, 'wrist'],
    ['wearers', { name: 'x', wrist: 170, shoe: 42 }, 'shoe'],
    ['cords', { name: 'x', kind: 'hemp', diameter: 2, colour: { name: 'x' } }, 'colour.hex'],
    ['beads', { name: 'x', shape: 'star' }, 'shape'],
    ['fittings', { name: 'x', closure: { type: 'lobster', length: 'long' } }, 'closure.length'],
    ['fittings', { name: 'x', closure: { type: 'velcro' } }, 'closure.type'],
  ])('refuse a bad entry for %s and name %s', async (list, value, path) => {
    const before = ((await api().get(`/api/${list}`)).body as unknown[]).length;
    const { body } = await api().post(`/api/${list}`).send(value).expect(422);
    expect((body.error.faults as { path: string }[]).map((f) => f.path)).toContain(path);
    expect(((await api().get(`/api/${list}`)).body as unknown[]).length).toBe(before);
  });
});

describe('several things at once', () => {
  const bead = (name: string) => ({
    name,
    shape: 'round',
    length: 8,
    height: 8,
    hole: 1,
    colour: { name: 'clay', hex: '#aa7755' },
  });
  const names = async (): Promise<string[]> =>
    ((await api().get('/api/beads')).body as BeadView[]).map(({ value }) => value.name);

  it('come on to a list in their order', async () => {
    const before = await names();
    const items = ['Clay 8 mm a', 'Clay 8 mm b', 'Clay 8 mm c'].map(bead);
    const { body } = await api().post('/api/beads/several').send({ items }).expect(201);
    expect((body as BeadView[]).map(({ value }) => value)).toMatchObject(items);
    expect(await names()).toEqual([...before, ...items.map(({ name }) => name)]);
  });

  it('are all refused when one is bad, which is named', async () => {
    const before = await names();
    const items = [bead('good'), { ...bead('bad'), hole: -1 }];
    const { body } = await api().post('/api/beads/several').send({ items }).expect(422);
    expect((body.error.faults as { path: string }[]).map(({ path }) => path)).toEqual([
      'items[1].hole',
    ]);
    await api().post('/api/beads/several').send({ items: [] }).expect(422);
    expect(await names()).toEqual(before);
  });
});

describe('what has to do with a thing on a list', () => {
  const first = async <T>(list: string, name: (value: T) => boolean) => {
    const all = (await api().get(`/api/${list}`)).body as { id: string; value: T }[];
    return all.find(({ value }) => name(value))!;
  };
  const usesOf = async (list: string, id: string) =>
    (await api().get(`/api/${list}/${id}/uses`).expect(200)).body as UsesView;

  it('is told by name: pieces, lots and kits', async () => {
    const cords = (await api().get('/api/cords')).body as CordView[];
    const pieces = ((await api().get('/api/pieces?limit=100')).body as PageView<PieceView>).items;
    for (const { id, value } of cords) {
      const having = pieces.filter(({ piece }) =>
        JSON.stringify([piece.strands, piece.parts, piece.closure]).includes(
          `"name":${JSON.stringify(value.name)},"kind"`,
        ),
      );
      const { named } = await usesOf('cords', id);
      const inPieces = named.filter((use) => use.in === 'piece').map((use) => use.id);
      expect(inPieces.sort()).toEqual(having.map((piece) => piece.id).sort());
    }
    const wearer = await first<{ name: string }>('wearers', ({ name }) => name === 'Ines Varga');
    const { named } = await usesOf('wearers', wearer.id);
    expect(named.length).toBeGreaterThan(0);
    const ofKit = (await api().get('/api/kits')).body as { id: string; kit: { sizes: string[] } }[];
    for (const { id, kit } of ofKit) {
      const [size] = kit.sizes;
      expect((await usesOf('wearers', size!)).named).toContainEqual(
        expect.objectContaining({ in: 'kit', id }),
      );
    }
  });

  it('stays as it is when the thing goes from the list', async () => {
    const cord = await first<{ name: string }>('cords', () => true);
    const before = await usesOf('cords', cord.id);
    const use = before.named.find((one) => one.in === 'piece')!;
    const piece = (await api().get(`/api/pieces/${use.id}`)).body as PieceView;
    await api().delete(`/api/cords/${cord.id}`).expect(204);
    await api().delete(`/api/cords/${cord.id}`).expect(404);
    await api().get(`/api/cords/${cord.id}/uses`).expect(404);
    expect((await api().get(`/api/pieces/${use.id}`)).body).toMatchObject({ piece: piece.piece });
  });
});
