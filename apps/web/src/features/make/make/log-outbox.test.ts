import { beforeEach, describe, expect, it } from '@jest/globals';
import type { MakeLogDto } from '@coiled-strand/contract';
import { sendLogs, useLogOutbox, whenLogged } from './log-outbox';

const record = (length: number): MakeLogDto => ({ cords: [], length, minutes: 1 });
const answer = (status: number, body: unknown) => ({
  ok: status < 400,
  status,
  headers: null,
  text: () => Promise.resolve(JSON.stringify(body)),
});
const refusal = (status: number, message: string) =>
  answer(status, { error: { code: 'x', message, remedy: '' } });

let asked: string[];
const answering = (how: (path: string) => unknown): void => {
  asked = [];
  globalThis.fetch = ((path: string) => {
    asked.push(path);
    const what = how(path);
    return what === null ? Promise.reject(new TypeError('no network')) : Promise.resolve(what);
  }) as unknown as typeof fetch;
};
const put = (id: string, length: number): void =>
  useLogOutbox.getState().keep(id, { record: record(length), refused: null });
const waiting = () => useLogOutbox.getState().kept;

const logged: string[] = [];
whenLogged(({ id }) => logged.push(id));

beforeEach(() => {
  logged.length = 0;
  for (const id of Object.keys(waiting())) useLogOutbox.getState().keep(id, null);
});

describe('a log that could not be sent', () => {
  it('waits while nobody answers, and outlives the page', async () => {
    put('m1', 170);
    answering(() => null);
    await sendLogs();
    expect(waiting()['m1']?.refused).toBeNull();
    await useLogOutbox.persist.rehydrate();
    expect(waiting()['m1']?.record.length).toBe(170);
    answering(() => refusal(503, 'the database is away'));
    await sendLogs();
    expect(waiting()['m1']?.refused).toBeNull();
    expect(logged).toEqual([]);
  });

  it('goes out once, and is told of', async () => {
    put('m1', 170);
    put('m2', 180);
    answering((path) => answer(200, { id: path.split('/')[3] }));
    await Promise.all([sendLogs(), sendLogs()]);
    expect(asked.sort()).toEqual(['/api/makes/m1/log', '/api/makes/m2/log']);
    expect(logged.sort()).toEqual(['m1', 'm2']);
    expect(waiting()).toEqual({});
  });

  it('is kept with the reason where it is refused, and not sent again by itself', async () => {
    put('m1', -1);
    answering(() => refusal(422, 'It cannot be so short.'));
    await sendLogs();
    expect(waiting()['m1']).toMatchObject({ refused: 'It cannot be so short.' });
    await sendLogs();
    expect(asked).toHaveLength(1);
  });

  it('is known in the other windows of the browser, and overwrites nothing of theirs', () => {
    const name = 'coiled-strand.logs-to-send';
    const theirs = { record: record(190), refused: null };
    localStorage.setItem(name, JSON.stringify({ state: { kept: { m9: theirs } }, version: 1 }));
    window.dispatchEvent(new StorageEvent('storage', { key: name }));
    put('m1', 170);
    const stored = JSON.parse(localStorage.getItem(name)!) as { state: { kept: object } };
    expect(Object.keys(stored.state.kept).sort()).toEqual(['m1', 'm9']);
  });

  it('is not let go of where there is no such make: another workshop may be worked in', async () => {
    put('m1', 170);
    answering(() => refusal(404, 'There is no such make.'));
    await sendLogs();
    expect(waiting()['m1']).toMatchObject({
      record: { length: 170 },
      refused: 'There is no such make.',
    });
  });

  it('waits for somebody to sign in', async () => {
    put('m1', 170);
    answering(() => answer(401, { error: { code: 'signed-out', message: 'x', remedy: '' } }));
    await sendLogs();
    expect(waiting()['m1']?.refused).toBeNull();
  });
});
