import { describe, expect, it } from '@jest/globals';
import type { BeadView, CordView, FittingView, WearerView } from '@coiled-strand/contract';
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
    const { id, value } = before[3]!;
    await api()
      .put(`/api/cords/${id}`)
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
