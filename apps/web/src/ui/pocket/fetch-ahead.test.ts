import { beforeEach, expect, jest, test } from '@jest/globals';
import { fetchAhead } from './fetch-ahead';

const asked: string[] = [];

/** A server with a list of files, or without one, which has all that is on it but for what is lost. */
function serve(list: readonly string[] | null, lost?: string): void {
  asked.length = 0;
  globalThis.fetch = jest.fn((path: unknown) => {
    asked.push(String(path));
    const found = path === '/files.json' ? list !== null : path !== lost;
    return Promise.resolve({
      ok: found,
      body: null,
      json: () => Promise.resolve(list),
    } as unknown as Response);
  });
}

beforeEach(() => sessionStorage.clear());

test('every file of the list is fetched once by a window', async () => {
  serve(['assets/a.js', 'assets/b.wasm']);
  await fetchAhead();
  expect(asked).toEqual(['/files.json', '/assets/a.js', '/assets/b.wasm']);
  await fetchAhead();
  expect(asked).toHaveLength(3);
});

test.each([
  ['a list', () => serve(null)],
  ['a file', () => serve(['assets/a.js'], '/assets/a.js')],
])('%s that could not be fetched is asked for again by the next page', async (_, begin) => {
  begin();
  await fetchAhead();
  serve(['assets/a.js']);
  await fetchAhead();
  expect(asked).toEqual(['/files.json', '/assets/a.js']);
});
