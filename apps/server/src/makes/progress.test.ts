import { describe, expect, it } from '@jest/globals';
import type { MakePlanView, MakeView } from '@coiled-strand/contract';
import { stepPlaceOf, type StepPlace } from '@coiled-strand/core';
import { after, freshMake } from '../testing/fresh-make.js';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();

describe('progress of a make', () => {
  describe('followed on several devices', () => {
    const from = async (make: MakeView) => {
      const { steps } = (await api().get(`/api/makes/${make.id}/plan`)).body as MakePlanView;
      const place = (done: number): StepPlace => stepPlaceOf(steps, done);
      return (device: string, said: number, seen: number, done: number) =>
        api()
          .put(`/api/makes/${make.id}/progress`)
          .send({ at: place(done), from: place(seen), device, said });
    };
    const done = ({ body }: { body: unknown }): number => (body as MakeView).reached.done;

    it('never step back without being told: a window that was left open set 5 to 2', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await say('tablet', 1, 0, 5).expect(200);
      const told = await say('phone', 1, 1, 2).expect(409);
      expect(told.body.error).toMatchObject({
        code: 'make.elsewhere',
        make: { id: make.id, reached: { done: 5 } },
      });
      expect(done(await api().get(`/api/makes/${make.id}`))).toBe(5);
      // Once it knows, it may step back as anybody may.
      expect(done(await say('phone', 2, 5, 2).expect(200))).toBe(2);
    });

    it('are told too when another device has stepped back', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await say('tablet', 1, 0, 12).expect(200);
      await say('phone', 1, 12, 8).expect(200);
      // It still thinks of twelve.
      await say('tablet', 2, 12, 13).expect(409);
      expect(done(await api().get(`/api/makes/${make.id}`))).toBe(8);
    });

    it('go on from the furthest where nothing is undone', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await say('tablet', 1, 0, 5).expect(200);
      expect(done(await say('phone', 1, 0, 9).expect(200))).toBe(9);
      // Both did the same.
      expect(done(await say('tablet', 2, 5, 9).expect(200))).toBe(9);
    });

    it('count what is sent twice once, in the order of the device', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await say('phone', 1, 0, 6).expect(200);
      await say('phone', 2, 6, 4).expect(200);
      // The first one, once more: its answer had been lost.
      expect(done(await say('phone', 1, 0, 6).expect(200))).toBe(4);
    });

    it('take time and timers without a place', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await say('phone', 1, 0, 6).expect(200);
      const told = await api()
        .put(`/api/makes/${make.id}/progress`)
        .send({
          device: 'tablet',
          said: 1,
          seconds: { prepare: 3, tie: 0, finish: 0 },
          timers: [{ step: 'ends-glue', startedAt: null }],
        })
        .expect(200);
      expect(told.body).toMatchObject({
        reached: { done: 6 },
        seconds: { prepare: 3 },
        timers: [{ step: 'ends-glue', startedAt: null }],
      });
    });

    it('keep what is done while it is given up elsewhere: it is told, not gone', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      await api().post(`/api/makes/${make.id}/abandon`).expect(204);
      const told = await say('phone', 1, 0, 3).expect(409);
      expect(told.body.error.code).toBe('make.given-up');
      await api().post(`/api/makes/${make.id}/resume`).expect(204);
      expect(done(await say('phone', 1, 0, 3).expect(200))).toBe(3);
    });

    it('say the same of fifty that speak at once', async () => {
      const make = await freshMake(api);
      const say = await from(make);
      const answers = await Promise.all(
        Array.from({ length: 50 }, (_, i) => say(`device ${i}`, 1, 0, i + 1)),
      );
      expect(new Set(answers.map(({ status }) => status))).not.toContain(500);
      expect(done(await api().get(`/api/makes/${make.id}`))).toBe(Math.min(50, make.reached.total));
    });
  });

  it('add the time of all devices up, sent once or twice', async () => {
    const make = await freshMake(api);
    const one = await after(api, make, 1);
    const say = (device: string, tie: number) =>
      api()
        .put(`/api/makes/${make.id}/progress`)
        .send({ ...one, device, seconds: { prepare: 10, tie, finish: 0 } })
        .expect(200);
    await say('phone', 30);
    await say('phone', 50);
    const { body } = await say('tablet', 5);
    expect((body as MakeView).seconds).toEqual({ prepare: 20, tie: 55, finish: 0 });
  });

  it('tell every device what was measured half way, until it is taken back', async () => {
    const make = await freshMake(api);
    const { plan } = (await api().get(`/api/makes/${make.id}/plan`)).body as MakePlanView;
    const part = plan.parts[0]!.id;
    const measured = {
      done: [
        { part, units: 7 },
        { part: 'closure', units: 1 },
      ],
      length: 52.5,
      left: [{ strand: plan.strands.length, length: 800 }],
    };
    const say = (said: number, value: unknown) =>
      api().put(`/api/makes/${make.id}/progress`).send({ device: 'phone', said, measured: value });
    await say(1, measured).expect(200);
    const seen = async () => (await api().get(`/api/makes/${make.id}`)).body as MakeView;
    expect((await seen()).measured).toEqual(measured);
    // What says nothing of it leaves it.
    await api().put(`/api/makes/${make.id}/progress`).send({ timers: [] }).expect(200);
    expect((await seen()).measured).toEqual(measured);
    const other = await say(2, {
      ...measured,
      done: [{ part: 'x', units: 1 }],
      left: [{ strand: 9, length: 1 }],
    });
    expect(other.status).toBe(422);
    const { error } = other.body as { error: { faults: { path: string }[] } };
    expect(error.faults.map(({ path }) => path)).toEqual([
      'measured.done[0].part',
      'measured.left[0].strand',
    ]);
    for (const bad of [[measured], { ...measured, left: [1] }, { ...measured, length: 0 }, 'x']) {
      await say(2, bad).expect(422);
    }
    await say(2, null).expect(200);
    expect((await seen()).measured).toBeNull();
  });

  it('keep their timers, begun on one device and stopped on another', async () => {
    const make = await freshMake(api);
    const startedAt = new Date(Date.UTC(2026, 0, 1)).toISOString();
    const one = await after(api, make, 1);
    const say = (timers: object[]) =>
      api()
        .put(`/api/makes/${make.id}/progress`)
        .send({ ...one, timers })
        .expect(200);
    await say([{ step: 'ends-glue', startedAt }]);
    await say([{ step: 'ends-dye', startedAt }]);
    const { body } = await say([{ step: 'ends-dye', startedAt: null }]);
    expect((body as MakeView).timers).toEqual([
      { step: 'ends-glue', startedAt },
      { step: 'ends-dye', startedAt: null },
    ]);
    await api()
      .put(`/api/makes/${make.id}/progress`)
      .send({ ...one, timers: [{ step: 'x', startedAt: 'yesterday' }] })
      .expect(422);
  });
});
