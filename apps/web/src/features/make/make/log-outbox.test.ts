import { beforeEach, describe, expect, it } from '@jest/globals';
import type { MakeLogDto } from '@coiled-strand/contract';
import { allEntries, entriesOf, workAs } from '../../../data/outbox/outbox';
import { emptyOutbox, reopenOutbox } from '../../../data/outbox/testing';
import { keepLog, sendLogs, whenLogged, type LogToSend } from './log-outbox';
import { useProgress } from './progress-store';

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
const put = (id: string, length: number): Promise<void> =>
  keepLog(id, { record: record(length), refused: null });
const waiting = (id: string) => entriesOf<LogToSend>('log', id)[0]?.value;

const logged: string[] = [];
whenLogged(({ id }) => logged.push(id));

beforeEach(() => {
  logged.length = 0;
  emptyOutbox();
  workAs('ida here');
});

describe('a log that could not be sent', () => {
  it('waits while nobody answers, and outlives the page', async () => {
    await put('m1', 170);
    answering(() => null);
    await sendLogs();
    expect(waiting('m1')?.refused).toBeNull();
    await reopenOutbox();
    expect(waiting('m1')?.record.length).toBe(170);
    answering(() => refusal(503, 'the database is away'));
    await sendLogs();
    expect(waiting('m1')?.refused).toBeNull();
    expect(logged).toEqual([]);
  });

  it('goes out once, and is told of', async () => {
    await put('m1', 170);
    await put('m2', 180);
    answering((path) => answer(200, { id: path.split('/')[3] }));
    await Promise.all([sendLogs(), sendLogs()]);
    expect(asked.sort()).toEqual(['/api/makes/m1/log', '/api/makes/m2/log']);
    expect(logged.sort()).toEqual(['m1', 'm2']);
    expect(allEntries('log')).toEqual([]);
  });

  it('is kept with the reason where it is refused, and not sent again by itself', async () => {
    await put('m1', -1);
    answering(() => refusal(422, 'It cannot be so short.'));
    await sendLogs();
    expect(waiting('m1')).toMatchObject({ refused: 'It cannot be so short.' });
    await sendLogs();
    expect(asked).toHaveLength(1);
  });

  it('goes out after what was counted, which its make would not take any more', async () => {
    answering((path) => answer(200, { id: path.split('/')[3], at: null }));
    useProgress
      .getState()
      .set({ id: 'm1', at: { step: 'tie-band', unit: 0 } }, { step: 'tie-band', unit: 3 });
    await put('m1', 170);
    await sendLogs();
    expect(asked).toEqual(['/api/makes/m1/progress', '/api/makes/m1/log']);
  });

  it('is not called another’s where somebody signs in while it is on its way', async () => {
    await put('m1', 170);
    answering(() => {
      workAs('otto here');
      return refusal(422, 'It cannot be so short.');
    });
    await sendLogs();
    expect(allEntries('log')).toEqual([]);
    workAs('ida here');
    expect(waiting('m1')?.refused).toBeNull();
  });

  it('waits until whoever filled it in is back', async () => {
    await put('m1', 170);
    workAs('otto here');
    answering(() => answer(200, { id: 'm1' }));
    await sendLogs();
    expect(asked).toEqual([]);
    workAs('ida here');
    await sendLogs();
    expect(asked).toEqual(['/api/makes/m1/log']);
  });

  it('is not let go of where there is no such make: another workshop may be worked in', async () => {
    await put('m1', 170);
    answering(() => refusal(404, 'There is no such make.'));
    await sendLogs();
    expect(waiting('m1')).toMatchObject({
      record: { length: 170 },
      refused: 'There is no such make.',
    });
  });

  it('waits for somebody to sign in', async () => {
    await put('m1', 170);
    answering(() => answer(401, { error: { code: 'signed-out', message: 'x', remedy: '' } }));
    await sendLogs();
    expect(waiting('m1')?.refused).toBeNull();
  });
});
