import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from '@jest/globals';
import type { SessionView } from '@coiled-strand/contract';
import { QueryClient } from '@tanstack/react-query';
import { waitFor } from '@testing-library/react';
import { openDB } from 'idb';
import { keepQueries, SHAPE } from './kept-queries';

const sessionOf = (person: string, workshop: string): SessionView =>
  ({
    state: 'signed-in',
    open: false,
    person: { id: person, name: person },
    workshop: { id: workshop, name: workshop, role: 'owner' },
  }) as unknown as SessionView;

const count = async (): Promise<number> => {
  const database = await openDB('coiled-strand-known', SHAPE);
  const all = await database.count('kept');
  database.close();
  return all;
};

/** The page of a browser: what was kept is there, and what comes is kept. */
async function page(): Promise<QueryClient> {
  const client = new QueryClient();
  await keepQueries(client);
  return client;
}
const told = (client: QueryClient, key: readonly unknown[], data: unknown): void =>
  void client.setQueryData(key, data);

beforeEach(async () => {
  // Made by the first page, where there was one.
  const database = await openDB('coiled-strand-known', SHAPE, {
    upgrade: (made) => void made.createObjectStore('kept', { keyPath: 'hash' }),
  });
  await database.clear('kept');
  database.close();
});

describe('what the server told', () => {
  it('is there when the page is opened again, as old as it is', async () => {
    const first = await page();
    told(first, ['session'], sessionOf('ada', 'bench'));
    told(first, ['piece', 'p1'], { id: 'p1' });
    told(first, ['piece', 'p1', 'makes'], [{ id: 'm1' }]);
    told(first, ['make-plan', 'm1'], { steps: [] });
    told(first, ['pieces', 'sort=changed'], {
      pages: [{ items: [{ id: 'p1' }] }],
      pageParams: [''],
    });
    told(first, ['orders'], ['not needed at a table']);
    await waitFor(async () => expect(await count()).toBe(5));
    const then = first.getQueryState(['piece', 'p1'])!.dataUpdatedAt;

    const again = await page();
    expect(again.getQueryData(['piece', 'p1'])).toEqual({ id: 'p1' });
    expect(again.getQueryState(['piece', 'p1'])?.dataUpdatedAt).toBe(then);
    expect(again.getQueryData(['piece', 'p1', 'makes'])).toEqual([{ id: 'm1' }]);
    expect(again.getQueryData(['make-plan', 'm1'])).toEqual({ steps: [] });
    expect(again.getQueryData(['pieces', 'sort=changed'])).toEqual({
      pages: [{ items: [{ id: 'p1' }] }],
      pageParams: [''],
    });
    expect(again.getQueryData(['orders'])).toBeUndefined();
  });

  it.each<[string, SessionView]>([
    ['another person', sessionOf('bo', 'bench')],
    ['another workshop', sessionOf('ada', 'market')],
    ['nobody', { state: 'signed-out' } as SessionView],
  ])('goes when the session is that of %s', async (_, session) => {
    const first = await page();
    told(first, ['session'], sessionOf('ada', 'bench'));
    told(first, ['piece', 'p1'], { id: 'p1' });
    await waitFor(async () => expect(await count()).toBe(2));
    told(first, ['session'], session);
    const left = session.state === 'signed-in' ? 1 : 0;
    await waitFor(async () => expect(await count()).toBe(left));
    const again = await page();
    expect(again.getQueryData(['piece', 'p1'])).toBeUndefined();
  });

  it('is not shown where the server says that somebody else is here', async () => {
    const first = await page();
    told(first, ['session'], sessionOf('ada', 'bench'));
    told(first, ['piece', 'p1'], { id: 'p1' });
    await waitFor(async () => expect(await count()).toBe(2));
    const again = await page();
    expect(again.getQueryData(['piece', 'p1'])).toMatchObject({ id: 'p1' });
    told(again, ['session'], sessionOf('bo', 'bench'));
    expect(again.getQueryData(['piece', 'p1'])).toBeUndefined();
    expect(again.getQueryData(['session'])).toEqual(sessionOf('bo', 'bench'));
  });

  it('takes nothing back that the server told meanwhile', async () => {
    const first = await page();
    told(first, ['session'], sessionOf('ada', 'bench'));
    told(first, ['piece', 'p1'], { id: 'p1', version: 1 });
    await waitFor(async () => expect(await count()).toBe(2));
    const again = new QueryClient();
    const restored = keepQueries(again);
    const later = Date.now() + 1000;
    again.setQueryData(['piece', 'p1'], { id: 'p1', version: 2 }, { updatedAt: later });
    await restored;
    expect(again.getQueryData(['piece', 'p1'])).toEqual({ id: 'p1', version: 2 });
  });

  it('is kept for the latest only', async () => {
    const first = await page();
    told(first, ['session'], sessionOf('ada', 'bench'));
    for (let i = 0; i < 320; i++) told(first, ['piece', `p${i}`], { id: `p${i}` });
    await waitFor(async () => expect(await count()).toBe(321));
    await page();
    await waitFor(async () => expect(await count()).toBe(300));
  });

  it('is not kept for nobody', async () => {
    const first = await page();
    told(first, ['piece', 'p1'], { id: 'p1' });
    told(first, ['session'], sessionOf('ada', 'bench'));
    await waitFor(async () => expect(await count()).toBe(1));
  });
});
