import { afterEach, beforeEach, expect, it, jest } from '@jest/globals';
import { isStale, sendChange, type Seen } from './changes';

interface Lot {
  readonly place: string;
  readonly dyeLot: string;
}

/** A server with one thing, which others change while a change of it is under way. */
let stored: Seen<Lot>;
let others: Partial<Lot>[];
let asked = 0;

const be = (value: Lot): Seen<Lot> => ({
  value,
  etag: encodeURIComponent(JSON.stringify(value)),
});

beforeEach(() => {
  asked = 0;
  stored = be({ place: 'tin', dyeLot: 'A' });
  globalThis.fetch = jest.fn<typeof fetch>().mockImplementation((_, init) => {
    asked++;
    const other = others.shift();
    if (other) stored = be({ ...stored.value, ...other });
    const fits = (init!.headers as Record<string, string>)['If-Match'] === `"${stored.etag}"`;
    if (fits) stored = be(JSON.parse(init!.body as string) as Lot);
    const error = { code: 'changed', message: 'Changed.', remedy: 'Look.', stored };
    return Promise.resolve({
      ok: fits,
      status: fits ? 200 : 412,
      text: () => Promise.resolve(JSON.stringify(fits ? stored : { error })),
    } as Response);
  });
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'fetch');
});

const send = (wanted: Lot | ((value: Lot) => Lot)): Promise<Seen<Lot>> =>
  sendChange<Lot, Seen<Lot>>(
    '/lots/1',
    { seen: be({ place: 'tin', dyeLot: 'A' }), wanted },
    (view) => view,
  );

it('both changes are kept where they are of different parts', async () => {
  others = [{ dyeLot: 'B' }];
  expect((await send({ place: 'jar', dyeLot: 'A' })).value).toEqual({ place: 'jar', dyeLot: 'B' });
  expect(asked).toBe(2);
});

it('whoever changed the same part is told, and what is theirs stays', async () => {
  others = [{ place: 'box' }];
  const fault: unknown = await send({ place: 'jar', dyeLot: 'A' }).catch((error: unknown) => error);
  expect(isStale(fault)).toBe(true);
  expect(stored.value.place).toBe('box');
});

it('what is done whatever it says is done to what is there', async () => {
  others = [{ place: 'box' }, { place: 'bag' }];
  const { value } = await send((now) => ({ ...now, place: `${now.place} two` }));
  expect(value.place).toBe('bag two');
});

it('ends when others never rest', async () => {
  others = Array.from({ length: 40 }, (_, i) => ({ dyeLot: `lot ${'x'.repeat(i + 2)}` }));
  await expect(send({ place: 'jar', dyeLot: 'A' })).rejects.toThrow('Changed.');
  expect(asked).toBeLessThan(10);
});
