import { describe, expect, it } from '@jest/globals';
import type { KitView, LotView, PageView, WorkshopView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

describe('a kit', () => {
  it('takes from the stash when packs are filled, and no more than were planned', async () => {
    const [kit] = (await api().get('/api/kits').expect(200)).body as KitView[];
    expect(kit).toMatchObject({ packed: 3, kit: { number: 12 } });
    const beads = ((await api().get('/api/lots?kind=bead&q=hematite')).body as PageView<LotView>)
      .items;
    const whole = beads.find(({ left }) => left === 40)!;
    const fill = (number: number, amount: number) =>
      api()
        .post(`/api/kits/${kit!.id}/packed`)
        .send({ number, from: [{ lot: whole.id, amount }] });
    expect((await fill(2, 18).expect(200)).body).toMatchObject({ packed: 5 });
    expect((await api().get(`/api/lots/${whole.id}`)).body.left).toBe(22);
    // More than is there: neither packed nor taken.
    expect((await fill(2, 23).expect(409)).body.error.code).toBe('lot.too-little');
    expect((await api().get(`/api/kits/${kit!.id}`)).body.packed).toBe(5);
    const many = await fill(8, 1).expect(409);
    expect(many.body.error.message).toBe('Only 7 of its packs are still to be filled.');
    expect((await api().get(`/api/lots/${whole.id}`)).body.left).toBe(22);
  });
  it('is of a piece that is there', async () => {
    const nobody = '00000000-0000-4000-8000-000000000000';
    const body = { name: 'x', pieceId: nobody, number: 2, sizes: [nobody] };
    await api().post('/api/kits').send(body).expect(404);
  });
});

describe('the week of the workshop', () => {
  it('is kept, and hours that end before they begin are refused', async () => {
    const { week } = (await api().get('/api/workshop')).body as WorkshopView;
    const put = async (change: object) =>
      api()
        .put('/api/workshop/week')
        .set(
          'If-Match',
          `"${((await api().get('/api/workshop')).body as WorkshopView).etags.week}"`,
        )
        .send({ ...week, ...change });
    expect((await put({ longest: 75 })).status).toBe(200);
    expect((await api().get('/api/workshop')).body.week.longest).toBe(75);
    const days = week.days.map((day, i) => (i === 2 ? { hours: [{ from: 600, to: 500 }] } : day));
    const { body, status } = await put({ days });
    expect(status).toBe(422);
    expect(body.error.faults[0].path).toBe('days[2].hours[0].to');
    expect((await put({ zone: 'Mars/Olympus' })).status).toBe(422);
    expect((await put({ off: ['2026-13-01'] })).status).toBe(422);
    expect((await put({ days: days.slice(1) })).status).toBe(422);
  });
  it('is changed beside settings and prices without losing either', async () => {
    const before = (await api().get('/api/workshop')).body as WorkshopView;
    await Promise.all([
      api()
        .put('/api/workshop/week')
        .set('If-Match', `"${before.etags.week}"`)
        .send({ ...before.week, longest: 60 })
        .expect(200),
      api()
        .put('/api/workshop/pricing')
        .set('If-Match', `"${before.etags.pricing}"`)
        .send({ ...before.pricing, hour: 1750 })
        .expect(200),
      api()
        .put('/api/workshop/settings')
        .set('If-Match', `"${before.etags.settings}"`)
        .send({ ...before.settings, step: 10 })
        .expect(200),
    ]);
    expect((await api().get('/api/workshop')).body).toMatchObject({
      week: { longest: 60 },
      pricing: { hour: 1750 },
      settings: { step: 10 },
    });
  });
});
