import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { flush, useProgress, whenSent } from './progress-store';

// The wire is replaced, to have it fail at will; the real server is killed in the browser tests.
interface Sent {
  readonly path: string;
  readonly done: number;
}
let sent: Sent[] = [];
let answers: (() => Promise<Response>)[] = [];
const ok = (): Promise<Response> =>
  Promise.resolve({ ok: true, status: 200, text: () => Promise.resolve('{}') } as Response);
const down = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));
const refused = (): Promise<Response> =>
  Promise.resolve({
    ok: false,
    status: 409,
    text: () => Promise.resolve('{"error":{"code":"make.logged","message":"x","remedy":"y"}}'),
  } as Response);
const settle = async (): Promise<void> => {
  await jest.advanceTimersByTimeAsync(5000);
};

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  useProgress.setState({ done: {}, unsent: {} });
  sent = [];
  answers = [];
  globalThis.fetch = ((path: string, init: RequestInit) => {
    const { done } = JSON.parse(init.body as string) as { done: number };
    sent.push({ path, done });
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
    expect(useProgress.getState().done).toEqual({ m: 1 });
    await settle();
    expect(sent).toEqual([{ path: '/api/makes/m/progress', done: 1 }]);
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
      state: { done: object; unsent: object };
    };
    expect(kept.state).toMatchObject({ done: { m: 8 }, unsent: { m: true } });
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
    expect(useProgress.getState().done).toEqual({});
  });

  it('tells the page what the server has before it lets go of its own number', async () => {
    const seen: (number | undefined)[] = [];
    whenSent((makeId, done) => {
      seen.push(done, useProgress.getState().done[makeId]);
    });
    useProgress.getState().set('m', 5);
    await settle();
    expect(seen).toEqual([5, 5]);
    expect(useProgress.getState().done).toEqual({});
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
});
