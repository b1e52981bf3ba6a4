import { describe, expect, it } from '@jest/globals';
import type { HandView, MakeView, PieceView, SwatchView } from '@coiled-strand/contract';
import { EXAMPLE_CORD, type Plan, type PlanResult } from '@coiled-strand/core';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();
const hand = async (): Promise<HandView> =>
  (await api().get('/api/hand').expect(200)).body as HandView;
const lessonOf = (view: HandView, cordKind: string, measure = 'take-up') =>
  view.lessons.find((l) => l.cordKind === cordKind && l.measure === measure);

const swatch = {
  technique: 'square-knot-sinnet',
  form: 'flat',
  tension: 'even',
  cord: { ...EXAMPLE_CORD, kind: 'hemp' },
  units: 20,
  length: 150,
  before: 2000,
  after: 700,
};

describe('what is learnt of the hand', () => {
  it('comes from the logged makes, with where each came from', async () => {
    const lesson = lessonOf(await hand(), 'paracord');
    expect(lesson?.observations[0]?.source).toMatchObject({
      from: 'make',
      label: 'Meridian, make 1',
      setAside: null,
    });
    expect(lesson?.after.rests).toBe(1);
  });

  it('comes from swatches, and goes when they do', async () => {
    const added = (await api().post('/api/swatches').send(swatch).expect(201)).body as SwatchView;
    expect(lessonOf(await hand(), 'hemp')?.after.factor).toBeGreaterThan(0.8);
    expect(lessonOf(await hand(), 'hemp', 'pitch')?.after.rests).toBe(1);
    await api().delete(`/api/swatches/${added.id}`).expect(204);
    expect(lessonOf(await hand(), 'hemp')).toBeUndefined();
  });

  it('leaves out what was set aside, and says why', async () => {
    const view = await hand();
    const { id } = lessonOf(view, 'paracord')!.observations[0]!.source;
    await api().put(`/api/makes/${id}/set-aside`).send({ reason: 'A new spool' }).expect(200);
    const without = await hand();
    expect(lessonOf(without, 'paracord')).toBeUndefined();
    expect(without.setAside[0]?.source.setAside).toBe('A new spool');
    await api().put(`/api/makes/${id}/set-aside`).send({ reason: null }).expect(200);
    expect((await hand()).lessons).toEqual(view.lessons);
  });

  it('is what the next make is planned with, and stays as it was then', async () => {
    const before = await hand();
    const pieces = (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
    const meridian = pieces.find(({ piece }) => piece.name === 'Meridian')!;
    const make = (await api().post(`/api/pieces/${meridian.id}/makes`)).body as MakeView;
    expect(make.hand).toEqual(before.hand);
    const extra = { ...swatch, cord: { ...swatch.cord, kind: 'paracord' } };
    const { id } = (await api().post('/api/swatches').send(extra)).body as SwatchView;
    const later = (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect(later.hand).toEqual(before.hand);
    expect((await hand()).hand).not.toEqual(before.hand);
    await api().delete(`/api/swatches/${id}`);
  });

  it('is in the plans that the server answers', async () => {
    const pieces = (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
    const meridian = pieces.find(({ piece }) => piece.name === 'Meridian')!;
    const { body: file } = await api().get(`/api/pieces/${meridian.id}/file`);
    const plan = (await api().post('/api/plan').send(file).expect(200)).body as PlanResult;
    const details = (plan as Plan).strands.flatMap((s) => s.reasons.map((r) => r.detail));
    expect(details.some((detail) => detail.includes('your hand takes'))).toBe(true);
  });

  it('refuses swatches that say nothing, naming what is wrong', async () => {
    const refuse = async (more: object): Promise<string> => {
      const { body } = await api()
        .post('/api/swatches')
        .send({ ...swatch, ...more })
        .expect(422);
      return (body.error.faults[0] as { path: string }).path;
    };
    expect(await refuse({ after: 2000 })).toBe('after');
    expect(await refuse({ form: 'round' })).toBe('form');
    expect(await refuse({ technique: 'plain' })).toBe('technique');
    expect(await refuse({ units: 2 })).toBe('units');
  });
});
