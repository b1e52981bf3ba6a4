import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { emptyOutbox } from '../../../data/outbox/testing';
import type { MakeView, ProgressDto } from '@coiled-strand/contract';
import type { StepPlace } from '@coiled-strand/core';
import { IDBFactory } from 'fake-indexeddb';
import { nanoid } from 'nanoid';
import { allEntries, keep, openOutbox, useOutbox, workAs } from '../../../data/outbox/outbox';
import { closeOutbox, readAll, type Entry } from '../../../data/outbox/outbox-database';
import { flush, whenSent } from './progress-sender';
import { localOf, reportsOf, useProgress, type ProgressReport } from './progress-store';

// The wire is replaced, to have it fail at will; the real server is killed in the browser tests.
interface Sent extends ProgressDto {
  readonly path: string;
  readonly doneBy: string | undefined;
}
let sent: Sent[] = [];
let answers: (() => Promise<Response>)[] = [];
const answer = (status: number, body: object): Promise<Response> =>
  Promise.resolve({
    ok: status < 400,
    status,
    text: () => Promise.resolve(JSON.stringify(body)),
  } as Response);
const ok = (): Promise<Response> => answer(200, { id: 'm', at: { step: 'tie-band', unit: 5 } });
const down = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));
const refused = (status: number) => (): Promise<Response> =>
  answer(status, { error: { code: 'x', message: 'x', remedy: 'y' } });
const elsewhere = (unit: number) => (): Promise<Response> =>
  answer(409, {
    error: {
      code: 'make.elsewhere',
      message: 'x',
      remedy: 'y',
      make: { id: 'm', at: knots(unit) },
    },
  });
const knots = (unit: number): StepPlace => ({ step: 'tie-band', unit });
const m = { id: 'm', at: knots(0) };
const here = (makeId: string): number | undefined => localOf(reportsOf(makeId))?.at?.unit;
const settle = async (): Promise<void> => {
  await jest.advanceTimersByTimeAsync(5000);
};
const unsent = (): string[] => [...new Set(allEntries('progress').map(({ id }) => id))];
/** What lies in the store, of every window. */
const storedReports = async (): Promise<ProgressReport[]> =>
  ((await readAll()) as Entry<ProgressReport>[]).map(({ value }) => value);
const anotherWindow = (device = 'second'): void => {
  useOutbox.setState({ things: {} });
  useProgress.setState({ device, own: {} });
};

beforeEach(async () => {
  jest.useFakeTimers();
  emptyOutbox();
  await closeOutbox();
  globalThis.indexedDB = new IDBFactory();
  useOutbox.setState({ owner: 'ida here' });
  useProgress.setState({ device: nanoid(), own: {}, elsewhere: {} });
  sent = [];
  answers = [];
  globalThis.fetch = ((path: string, init: RequestInit) => {
    const doneBy = (init.headers as Record<string, string>)['x-done-by'];
    sent.push({ path, doneBy, ...(JSON.parse(init.body as string) as ProgressDto) });
    return (answers.shift() ?? ok)();
  }) as typeof fetch;
});
afterEach(async () => {
  whenSent(null);
  await jest.advanceTimersByTimeAsync(60_000);
  jest.useRealTimers();
  // What is still being written is no part of the next test, however long this machine takes over it.
  do await new Promise((resolve) => setTimeout(resolve, 20));
  while (useOutbox.getState().writing > 0);
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('progress of a make', () => {
  it('is known here at once and sent', async () => {
    useProgress.getState().set(m, knots(1));
    expect(here('m')).toBe(1);
    await settle();
    expect(sent).toMatchObject([
      { path: '/api/makes/m/progress', at: knots(1), from: knots(0), said: 1 },
    ]);
    expect(unsent()).toEqual([]);
    expect(await storedReports()).toEqual([]);
  });

  it('sends one at a time, and the last number wins', async () => {
    for (let done = 1; done <= 20; done++) useProgress.getState().set(m, knots(done));
    await settle();
    expect(sent.length).toBeLessThan(20);
    expect(sent.at(-1)).toMatchObject({ at: knots(20), said: 20 });
  });

  it('waits out a server that is away, and a closed window too', async () => {
    answers = [down, down];
    useProgress.getState().set(m, knots(7));
    await settle();
    expect(sent.map((s) => s.at?.unit)).toEqual([7, 7, 7]);
    answers = Array.from({ length: 9 }, () => down);
    useProgress.getState().set(m, knots(8));
    await jest.advanceTimersByTimeAsync(100);
    const kept = await storedReports();
    expect(kept).toMatchObject([{ at: knots(8), said: 2 }]);
    answers = [];
    await flush();
    await settle();
    expect(sent.at(-1)?.at?.unit).toBe(8);
    expect(unsent()).toEqual([]);
  });

  it('of a closed window is told in its name, before what was done after it', async () => {
    answers = Array.from({ length: 99 }, () => down);
    const closed = {
      ...{ makeId: 'm', device: 'closed', order: 1, said: 4, at: knots(8), from: knots(5) },
      ...{ timers: {}, seconds: { prepare: 0, tie: 30, finish: 0 } },
    };
    await keep('progress', 'm', 'closed 1', closed);
    useOutbox.setState({ things: {} });
    await openOutbox();
    expect(here('m')).toBe(8);
    useProgress.getState().set(m, knots(9));
    expect(here('m')).toBe(9);
    await jest.advanceTimersByTimeAsync(100);
    answers = [];
    sent = [];
    await jest.advanceTimersByTimeAsync(60_000);
    expect(sent.map(({ at, from, device, said }) => [at?.unit, from?.unit, device, said])).toEqual([
      [8, 5, 'closed', 4],
      [9, 8, useProgress.getState().device, 1],
    ]);
    expect(await storedReports()).toEqual([]);
  });

  it('of a window that was closed in the same moment is found by its note', async () => {
    answers = [down];
    useProgress.getState().set(m, knots(2));
    // Nothing but the note is there yet.
    const notes = Object.entries({ ...localStorage });
    expect(notes).toHaveLength(1);
    await settle();
    await storedReports();
    expect(localStorage).toHaveLength(0);
    anotherWindow();
    for (const [key, note] of notes) localStorage.setItem(key, note as string);
    await openOutbox();
    expect(here('m')).toBe(2);
    expect(localStorage).toHaveLength(0);
    expect(await storedReports()).toHaveLength(1);
  });

  it('of two windows overwrites nothing: each keeps its own', async () => {
    answers = Array.from({ length: 99 }, () => down);
    useProgress.getState().set(m, knots(3));
    await jest.advanceTimersByTimeAsync(100);
    const first = useProgress.getState().device;
    // As another window of this browser would, which has not heard of the first yet.
    anotherWindow();
    useProgress.getState().set(m, knots(2));
    await jest.advanceTimersByTimeAsync(100);
    expect((await storedReports()).map(({ device, at }) => [device, at?.unit])).toEqual(
      [
        [first, 3],
        ['second', 2],
      ].sort(),
    );
  });

  it('of one is not sent by another who signs in first, nor shown to them, and goes out when they are back', async () => {
    answers = Array.from({ length: 99 }, () => down);
    useProgress.getState().set(m, knots(8));
    await jest.advanceTimersByTimeAsync(100);
    workAs('ida elsewhere');
    answers = [];
    sent = [];
    await flush();
    await jest.advanceTimersByTimeAsync(60_000);
    expect([sent, here('m')]).toEqual([[], undefined]);
    workAs('otto here');
    await flush();
    expect([sent, here('m')]).toEqual([[], undefined]);
    useProgress.getState().set(m, knots(1));
    await settle();
    workAs('ida here');
    await flush();
    expect(sent.map(({ at, doneBy }) => [at, doneBy])).toEqual([
      [knots(1), 'otto here'],
      [knots(8), 'ida here'],
    ]);
    // The server takes no change of a device twice.
    expect(sent[0]?.device).not.toBe(sent[1]?.device);
    expect(unsent()).toEqual([]);
  });

  it('is kept where the server has somebody else at the other end meanwhile', async () => {
    answers = [() => answer(409, { error: { code: 'session.other', message: 'x', remedy: 'y' } })];
    useProgress.getState().set(m, knots(3));
    await settle();
    expect(unsent()).toEqual(['m']);
    expect(await storedReports()).toMatchObject([{ at: knots(3) }]);
  });

  it('is forgotten of a make that is gone', async () => {
    answers = [refused(404)];
    useProgress.getState().set(m, knots(3));
    await settle();
    expect(sent).toHaveLength(1);
    expect(unsent()).toEqual([]);
    expect(await storedReports()).toEqual([]);
  });

  it.each([400, 401, 403, 409, 422])(
    'is kept when it is refused with %i, and sent again with the next or after a while',
    async (status) => {
      answers = [refused(status), refused(status)];
      useProgress.getState().set(m, knots(3));
      await settle();
      expect(sent).toHaveLength(1);
      expect(here('m')).toBe(3);
      expect(await storedReports()).toHaveLength(1);
      useProgress.getState().set(m, knots(4));
      await settle();
      expect(sent.map((s) => s.at?.unit)).toEqual([3, 4]);
      await jest.advanceTimersByTimeAsync(30_000);
      expect(sent.map((s) => s.at?.unit)).toEqual([3, 4, 4]);
      expect(unsent()).toEqual([]);
    },
  );

  it.each([
    ['refused', refused(422)],
    ['answered with a fault of the server', refused(500)],
  ])('of a make that is %s does not hold back another', async (_, fault) => {
    answers = [fault];
    useProgress.getState().set({ ...m, id: 'a' }, knots(1));
    useProgress.getState().set({ ...m, id: 'b' }, knots(2));
    await jest.advanceTimersByTimeAsync(1000);
    expect(sent.map(({ path }) => path)).toEqual([
      '/api/makes/a/progress',
      '/api/makes/b/progress',
    ]);
    expect(unsent()).toEqual(['a']);
  });

  it('goes on in this window where the browser has no room for it, and says so', async () => {
    globalThis.indexedDB = {
      open: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    } as unknown as IDBFactory;
    // Nothing is sent meanwhile, however long the browser takes.
    answers = Array.from({ length: 99 }, () => down);
    useProgress.getState().set(m, knots(3));
    // The refusal comes through promises of the store, which a busy machine takes its time over.
    while (useOutbox.getState().writing > 0) await jest.advanceTimersByTimeAsync(1);
    expect(useOutbox.getState().keeping).toBe(false);
    expect(here('m')).toBe(3);
    answers = [];
    await flush();
    await settle();
    expect(sent.at(-1)?.at?.unit).toBe(3);
    expect(unsent()).toEqual([]);
  });

  it('sends what was measured half way, the last of it', async () => {
    const half = (length: number) => ({ done: { band: 7 }, length, left: [300, null] });
    const { setMeasured } = useProgress.getState();
    setMeasured(m, half(50));
    setMeasured(m, half(51));
    expect(localOf(reportsOf('m'))).toMatchObject({ measured: half(51) });
    await settle();
    expect(sent.at(-1)).toMatchObject({
      measured: {
        done: [{ part: 'band', units: 7 }],
        length: 51,
        left: [{ strand: 1, length: 300 }],
      },
    });
    setMeasured(m, null);
    await settle();
    expect(sent.at(-1)).toMatchObject({ measured: null });
    // It is no place: it goes on from nowhere.
    expect(sent.some((one) => 'at' in one)).toBe(false);
  });

  it('keeps what was measured here where the make went on elsewhere', async () => {
    answers = [elsewhere(5)];
    useProgress.getState().set({ ...m, at: knots(1) }, knots(2));
    useProgress.getState().setMeasured(m, { done: { band: 2 }, length: 20, left: [] });
    await settle();
    useProgress.getState().goOn('m', 'there');
    await settle();
    expect(sent.at(-1)).toMatchObject({ measured: { length: 20 } });
    expect(sent.at(-1)).not.toHaveProperty('at');
  });

  it('tells the page what the server has before it lets go of its own number', async () => {
    const seen: (number | undefined)[] = [];
    whenSent((make) => {
      seen.push(make.at.unit, here(make.id));
    });
    useProgress.getState().set(m, knots(5));
    await settle();
    expect(seen).toEqual([5, 5]);
    expect(unsent()).toEqual([]);
  });

  it('asks where the make went on elsewhere, and takes nothing back unasked', async () => {
    const followed: MakeView[] = [];
    whenSent((make) => void followed.push(make));
    answers = [elsewhere(5)];
    useProgress.getState().set({ ...m, at: knots(1) }, knots(2));
    await settle();
    expect(useProgress.getState().elsewhere.m?.at).toEqual(knots(5));
    expect(followed.map(({ at }) => at.unit)).toEqual([5]);
    // What is done until then is kept, and not sent over the other.
    useProgress.getState().set({ ...m, at: knots(1) }, knots(3));
    await settle();
    expect(sent).toHaveLength(1);
    useProgress.getState().goOn('m', 'here');
    await settle();
    expect(sent.at(-1)).toMatchObject({ at: knots(3), from: knots(5), said: 3 });
    expect(unsent()).toEqual([]);
  });

  it('goes on from there where that is chosen, and its time still counts', async () => {
    answers = [elsewhere(5)];
    useProgress.getState().setTimer(m, 'ends-glue', '2026-01-01T09:00:00.000Z');
    useProgress.getState().set({ ...m, at: knots(1) }, knots(2), 'tie');
    await settle();
    useProgress.getState().goOn('m', 'there');
    await settle();
    expect(sent.at(-1)).not.toHaveProperty('at');
    expect(sent.at(-1)?.timers).toHaveLength(1);
    expect(unsent()).toEqual([]);
    expect(await storedReports()).toEqual([]);
  });

  it('counts the time at the bench by stage, without long pauses', async () => {
    const t = { ...m, id: 't' };
    const { set } = useProgress.getState();
    set(t, knots(1), 'tie');
    await jest.advanceTimersByTimeAsync(8_000);
    set(t, knots(2), 'tie');
    await jest.advanceTimersByTimeAsync(3_600_000);
    set(t, knots(3), 'tie');
    await jest.advanceTimersByTimeAsync(7_000);
    set(t, knots(4), 'finish');
    await settle();
    expect(sent.at(-1)?.seconds).toEqual({ prepare: 0, tie: 8, finish: 7 });
    expect(sent.at(-1)?.device).toMatch(/^[\w-]{21}$/);
  });

  it('keeps timers beside the count, and tells them without a place of their own', async () => {
    const at = '2026-01-01T09:00:00.000Z';
    useProgress.getState().set(m, knots(4));
    await settle();
    useProgress.getState().setTimer(m, 'ends-glue', at);
    await settle();
    expect(sent.at(-1)).toMatchObject({ timers: [{ step: 'ends-glue', startedAt: at }] });
    expect(sent.at(-1)).not.toHaveProperty('at');
    useProgress.getState().setTimer(m, 'ends-glue', null);
    await settle();
    expect(sent.at(-1)).toMatchObject({ timers: [{ step: 'ends-glue', startedAt: null }] });
  });
});
