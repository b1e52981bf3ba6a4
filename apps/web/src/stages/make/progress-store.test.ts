import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { flush, useProgress, whenSent } from './progress-store';

// The wire is replaced, to have it fail at will; the real server is killed in the browser tests.
interface Sent {
  readonly path: string;
  readonly done: number;
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
    text: () => Promise.resolve('{"id":"m","done":5}'),
  } as Response);
const down = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));
const refused = (): Promise<Response> =>
  Promise.resolve({
    ok: false,
    status: 409,
    text: () => Promise.resolve('{"error":{"code":"make.logged","message":"x","remedy":"y"}}'),
  } as Response);
const here = (makeId: string): number | undefined => useProgress.getState().local[makeId]?.done;
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
    useProgress.getState().set('m', 1);
    expect(here('m')).toBe(1);
    await settle();
    expect(sent).toMatchObject([{ path: '/api/makes/m/progress', done: 1 }]);
    expect(useProgress.getState().unsent).toEqual({});
  });

  it('sends one at a time, and the last number wins', async () => {
    for (let done = 1; done <= 20; done++) useProgress.getState().set('m', done);
    await settle();
    expect(sent.length).toBeLessThan(20);
    expect(sent.at(-1)?.done).toBe(20);
  });

  it('waits out a server that is away, and a closed window too', async () => {
    answers = [down, down];
    useProgress.getState().set('m', 7);
    await settle();
    expect(sent.map((s) => s.done)).toEqual([7, 7, 7]);
    answers = Array.from({ length: 9 }, () => down);
    useProgress.getState().set('m', 8);
    await jest.advanceTimersByTimeAsync(100);
    const kept = JSON.parse(localStorage.getItem('coiled-strand.progress') ?? '{}') as {
      state: object;
    };
    expect(kept.state).toMatchObject({ local: { m: { done: 8 } }, unsent: { m: true } });
    answers = [];
    await flush();
    await settle();
    expect(sent.at(-1)?.done).toBe(8);
    expect(useProgress.getState().unsent).toEqual({});
  });

  it('gives up what the server will never take', async () => {
    answers = [refused];
    useProgress.getState().set('m', 3);
    await settle();
    expect(sent).toHaveLength(1);
    expect(useProgress.getState().local).toEqual({});
  });

  it('tells the page what the server has before it lets go of its own number', async () => {
    const seen: (number | undefined)[] = [];
    whenSent((make) => {
      seen.push(make.done, here(make.id));
    });
    useProgress.getState().set('m', 5);
    await settle();
    expect(seen).toEqual([5, 5]);
    expect(useProgress.getState().local).toEqual({});
  });

  it('keeps makes apart', async () => {
    useProgress.getState().set('a', 1);
    useProgress.getState().set('b', 2);
    await settle();
    expect(sent.map(({ path, done }) => [path, done])).toEqual([
      ['/api/makes/a/progress', 1],
      ['/api/makes/b/progress', 2],
    ]);
  });

  it('says how long ago an action was when it could not be sent at once', async () => {
    answers = [down, down];
    useProgress.getState().set('m', 1);
    await settle();
    expect(sent.map(({ ago }) => ago)).toEqual([0, 1500, 3000]);
  });

  it('counts the time at the bench by stage, without long pauses', async () => {
    const { set } = useProgress.getState();
    set('t', 1, 'tie');
    await jest.advanceTimersByTimeAsync(8_000);
    set('t', 2, 'tie');
    await jest.advanceTimersByTimeAsync(3_600_000);
    set('t', 3, 'tie');
    await jest.advanceTimersByTimeAsync(7_000);
    set('t', 4, 'finish');
    await settle();
    expect(sent.at(-1)?.seconds).toEqual({ prepare: 0, tie: 8, finish: 7 });
    expect(sent.at(-1)?.device).toMatch(/^[0-9a-f-]{36}$/);
  });

  it('keeps timers beside the count, and sends both', async () => {
    const at = '2026-01-01T09:00:00.000Z';
    useProgress.getState().set('m', 4);
    useProgress.getState().setTimer('m', 0, 'ends-glue', at);
    expect(here('m')).toBe(4);
    await settle();
    expect(sent.at(-1)).toMatchObject({ done: 4, timers: [{ step: 'ends-glue', startedAt: at }] });
    useProgress.getState().setTimer('m', 4, 'ends-glue', null);
    await settle();
    expect(sent.at(-1)).toMatchObject({ timers: [{ step: 'ends-glue', startedAt: null }] });
  });
});
