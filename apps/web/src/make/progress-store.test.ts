import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { StepPlace } from '@coiled-strand/core';
import { flush, useProgress, whenSent } from './progress-store';

// The wire is replaced, to have it fail at will; the real server is killed in the browser tests.
interface Sent {
  readonly path: string;
  readonly at: StepPlace;
  readonly ago: number;
  readonly device: string;
  readonly seconds?: { readonly tie: number };
  readonly timers: readonly { readonly step: string; readonly startedAt: string | null }[];
}
let sent: Sent[] = [];
let answers: (() => Promise<Response>)[] = [];
const ok = (): Promise<Response> =>
  Promise.resolve({
    ok: true,
    status: 200,
    text: () => Promise.resolve('{"id":"m","at":{"step":"tie-band","unit":5}}'),
  } as Response);
const down = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));
const refused = (status: number) => (): Promise<Response> =>
  Promise.resolve({
    ok: false,
    status,
    text: () => Promise.resolve('{"error":{"code":"x","message":"x","remedy":"y"}}'),
  } as Response);
const knots = (unit: number): StepPlace => ({ step: 'tie-band', unit });
const here = (makeId: string): number | undefined => useProgress.getState().local[makeId]?.at?.unit;
const settle = async (): Promise<void> => {
  await jest.advanceTimersByTimeAsync(5000);
};

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  useProgress.setState({ local: {}, unsent: {}, seconds: {} });
  sent = [];
  answers = [];
  globalThis.fetch = ((path: string, init: RequestInit) => {
    sent.push({ path, ...(JSON.parse(init.body as string) as Omit<Sent, 'path'>) });
    return (answers.shift() ?? ok)();
  }) as typeof fetch;
});
afterEach(() => {
  whenSent(null);
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('progress of a make', () => {
  it('is known here at once and sent', async () => {
    useProgress.getState().set('m', knots(1));
    expect(here('m')).toBe(1);
    await settle();
    expect(sent).toMatchObject([{ path: '/api/makes/m/progress', at: knots(1) }]);
    expect(useProgress.getState().unsent).toEqual({});
  });

  it('sends one at a time, and the last number wins', async () => {
    for (let done = 1; done <= 20; done++) useProgress.getState().set('m', knots(done));
    await settle();
    expect(sent.length).toBeLessThan(20);
    expect(sent.at(-1)?.at.unit).toBe(20);
  });

  it('waits out a server that is away, and a closed window too', async () => {
    answers = [down, down];
    useProgress.getState().set('m', knots(7));
    await settle();
    expect(sent.map((s) => s.at.unit)).toEqual([7, 7, 7]);
    answers = Array.from({ length: 9 }, () => down);
    useProgress.getState().set('m', knots(8));
    await jest.advanceTimersByTimeAsync(100);
    const kept = JSON.parse(localStorage.getItem('coiled-strand.progress') ?? '{}') as {
      state: object;
    };
    expect(kept.state).toMatchObject({ local: { m: { at: knots(8) } }, unsent: { m: true } });
    answers = [];
    await flush();
    await settle();
    expect(sent.at(-1)?.at.unit).toBe(8);
    expect(useProgress.getState().unsent).toEqual({});
  });

  it('is forgotten of a make that is gone', async () => {
    answers = [refused(404)];
    useProgress.getState().set('m', knots(3));
    await settle();
    expect(sent).toHaveLength(1);
    expect(useProgress.getState().local).toEqual({});
  });

  it.each([409, 422])(
    'is kept when it is refused with %i, and sent again with the next',
    async (status) => {
      answers = [refused(status)];
      useProgress.getState().set('m', knots(3));
      await settle();
      expect(sent).toHaveLength(1);
      expect(here('m')).toBe(3);
      useProgress.getState().set('m', knots(4));
      await settle();
      expect(sent.map((s) => s.at.unit)).toEqual([3, 4]);
      expect(useProgress.getState().unsent).toEqual({});
    },
  );

  it('of a make that is refused does not hold back another', async () => {
    answers = [refused(422)];
    useProgress.getState().set('a', knots(1));
    useProgress.getState().set('b', knots(2));
    await settle();
    expect(sent.map(({ path }) => path)).toEqual([
      '/api/makes/a/progress',
      '/api/makes/b/progress',
    ]);
  });

  it('that was kept as a number of actions is still there', async () => {
    localStorage.setItem(
      'coiled-strand.progress',
      JSON.stringify({
        version: 2,
        state: { local: { m: { done: 17, at: 5, timers: {} } }, unsent: { m: true }, seconds: {} },
      }),
    );
    await useProgress.persist.rehydrate();
    expect(useProgress.getState().local.m).toEqual({ at: null, count: 17, when: 5, timers: {} });
    expect(useProgress.getState().unsent).toEqual({ m: true });
  });

  it('tells the page what the server has before it lets go of its own number', async () => {
    const seen: (number | undefined)[] = [];
    whenSent((make) => {
      seen.push(make.at.unit, here(make.id));
    });
    useProgress.getState().set('m', knots(5));
    await settle();
    expect(seen).toEqual([5, 5]);
    expect(useProgress.getState().local).toEqual({});
  });

  it('keeps makes apart', async () => {
    useProgress.getState().set('a', knots(1));
    useProgress.getState().set('b', knots(2));
    await settle();
    expect(sent.map(({ path, at }) => [path, at.unit])).toEqual([
      ['/api/makes/a/progress', 1],
      ['/api/makes/b/progress', 2],
    ]);
  });

  it('says how long ago an action was when it could not be sent at once', async () => {
    answers = [down, down];
    useProgress.getState().set('m', knots(1));
    await settle();
    expect(sent.map(({ ago }) => ago)).toEqual([0, 1500, 3000]);
  });

  it('counts the time at the bench by stage, without long pauses', async () => {
    const { set } = useProgress.getState();
    set('t', knots(1), 'tie');
    await jest.advanceTimersByTimeAsync(8_000);
    set('t', knots(2), 'tie');
    await jest.advanceTimersByTimeAsync(3_600_000);
    set('t', knots(3), 'tie');
    await jest.advanceTimersByTimeAsync(7_000);
    set('t', knots(4), 'finish');
    await settle();
    expect(sent.at(-1)?.seconds).toEqual({ prepare: 0, tie: 8, finish: 7 });
    expect(sent.at(-1)?.device).toMatch(/^[\w-]{21}$/);
  });

  it('keeps timers beside the count, and sends both', async () => {
    const at = '2026-01-01T09:00:00.000Z';
    useProgress.getState().set('m', knots(4));
    useProgress.getState().setTimer('m', knots(0), 'ends-glue', at);
    expect(here('m')).toBe(4);
    await settle();
    expect(sent.at(-1)).toMatchObject({
      at: knots(4),
      timers: [{ step: 'ends-glue', startedAt: at }],
    });
    useProgress.getState().setTimer('m', knots(4), 'ends-glue', null);
    await settle();
    expect(sent.at(-1)).toMatchObject({ timers: [{ step: 'ends-glue', startedAt: null }] });
  });
});
