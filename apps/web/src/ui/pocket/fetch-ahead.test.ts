import { beforeEach, expect, jest, test } from '@jest/globals';
import { fetchAhead } from './fetch-ahead';

const asked: string[] = [];

/** A server with a list of files; what is not among them is not found. */
function serve(list: readonly string[] | null): void {
  asked.length = 0;
  globalThis.fetch = jest.fn((path: unknown) => {
    asked.push(String(path));
    const found = path !== '/files.json' || list !== null;
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

test('what could not be fetched is tried again by the next page', async () => {
  serve(null);
  await fetchAhead();
  serve(['assets/a.js']);
  await fetchAhead();
  expect(asked).toEqual(['/files.json', '/assets/a.js']);
});
