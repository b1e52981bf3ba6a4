import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { ApiError, call, fetchFile, isPassing, Unreachable } from './client';

// Only the wire is replaced here: what the browser's fetch can hand back. The real server answers in
// the browser tests.
const answer = (status: number, text: string): void => {
  globalThis.fetch = jest.fn<typeof fetch>().mockResolvedValue({
    ok: status < 400,
    status,
    text: () => Promise.resolve(text),
  } as Response);
};
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'fetch');
});

describe('call', () => {
  it('sends the version that was seen, and JSON', async () => {
    answer(200, '{"a":1}');
    await expect(call('/pieces/1', { method: 'PUT', body: { b: 2 }, ifMatch: 7 })).resolves.toEqual(
      {
        a: 1,
      },
    );
    const [path, init] = (globalThis.fetch as jest.Mock<typeof fetch>).mock.calls[0]!;
    expect(path).toBe('/api/pieces/1');
    expect(init).toMatchObject({
      method: 'PUT',
      body: '{"b":2}',
      headers: { 'Content-Type': 'application/json', 'If-Match': '"7"' },
    });
  });
  it('lets a small body outlive the page, and sends a large one all the same', async () => {
    answer(200, '{}');
    const kept = async (note: string): Promise<boolean> => {
      await call('/pieces/1', { method: 'PUT', body: { note }, keepalive: true });
      return (globalThis.fetch as jest.Mock<typeof fetch>).mock.lastCall![1]!.keepalive!;
    };
    expect(await kept('short')).toBe(true);
    // A browser refuses it otherwise: 64 KiB, counted in bytes and over all requests on their way.
    expect(await kept('x'.repeat(40_000))).toBe(false);
    expect(await kept('帯'.repeat(15_000))).toBe(false);
  });
  it('takes an empty answer as done', async () => {
    answer(204, '');
    await expect(call('/x', { method: 'DELETE' })).resolves.toBeUndefined();
  });
  it('hands on the server’s words for a fault', async () => {
    answer(422, '{"error":{"code":"invalid","message":"No.","remedy":"Mend it."}}');
    const fault: unknown = await call('/x').catch((error: unknown) => error);
    expect(fault).toBeInstanceOf(ApiError);
    expect((fault as ApiError).body.remedy).toBe('Mend it.');
    expect(isPassing(fault)).toBe(false);
  });
  it.each([
    [502, '<html>Bad gateway</html>'],
    [500, ''],
  ])('takes a %d that is not the server’s own as no answer', async (status, text) => {
    answer(status, text);
    const fault: unknown = await call('/x').catch((error: unknown) => error);
    expect(fault).toBeInstanceOf(Unreachable);
    expect(isPassing(fault)).toBe(true);
  });
  it('waits out a server that is not ready', async () => {
    answer(503, '{"error":{"code":"database.away","message":"x","remedy":"y"}}');
    expect(isPassing(await call('/x').catch((error: unknown) => error))).toBe(true);
  });
});

describe('a file', () => {
  const file = (status: number, text: string, called: string): void => {
    globalThis.fetch = jest.fn<typeof fetch>().mockResolvedValue({
      ok: status < 400,
      status,
      headers: new Map([['Content-Disposition', called]]) as unknown as Headers,
      text: () => Promise.resolve(text),
      blob: () => Promise.resolve(text as unknown as Blob),
    } as Response);
  };

  it.each([
    ['attachment; filename="to-buy.csv"', 'to-buy.csv'],
    [`attachment; filename*=UTF-8''Tidewrack%20%E2%80%93%20two.json`, 'Tidewrack – two.json'],
    ['', 'file'],
  ])('that comes with %j is called %s', async (called, name) => {
    file(200, 'what is in it', called);
    expect(await fetchFile('/shopping/csv')).toEqual({ name, blob: 'what is in it' });
  });

  it('is never the words of a fault', async () => {
    const fault = { code: 'busy', message: 'Too many at once.', remedy: 'Try again.' };
    file(429, JSON.stringify({ error: fault }), 'attachment; filename="to-buy.csv"');
    await expect(fetchFile('/shopping/csv')).rejects.toThrow('Too many at once.');
    file(502, '<html>', '');
    await expect(fetchFile('/shopping/csv')).rejects.toThrow(Unreachable);
  });
});
