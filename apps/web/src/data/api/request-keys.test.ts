import { Blob as NodeBlob } from 'node:buffer';
import { afterEach, beforeEach, expect, it, jest } from '@jest/globals';
import { call } from './client';

// Only the wire is replaced here; the real server is asked twice in its own tests.
const keys: (string | undefined)[] = [];
let answers: (number | 'nothing')[] = [];

beforeEach(() => {
  keys.length = 0;
  sessionStorage.clear();
  globalThis.fetch = jest.fn<typeof fetch>().mockImplementation((_, init) => {
    keys.push((init!.headers as Record<string, string>)['Idempotency-Key']);
    const status = answers.shift() ?? 200;
    if (status === 'nothing') return Promise.reject(new TypeError('network'));
    const text =
      status < 400 ? '{}' : '{"error":{"code":"x","message":"No.","remedy":"Try again."}}';
    return Promise.resolve({
      ok: status < 400,
      status,
      text: () => Promise.resolve(text),
    } as Response);
  });
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'fetch');
});

const order = (customer: string) =>
  call('/orders', { method: 'POST', body: { customer } }).catch(() => undefined);

it('what had no answer has the same name when it is sent once more', async () => {
  answers = ['nothing', 503, 401, 200, 200];
  for (let n = 0; n < 5; n++) await order('Ona');
  const [first, ...rest] = keys;
  expect(first).toMatch(/^[\w-]{8,64}$/);
  expect(rest.slice(0, 3)).toEqual([first, first, first]);
  // That was the answer: once more is a wish of its own.
  expect(rest[3]).not.toBe(first);
});

it('a double press is one request', async () => {
  await Promise.all([order('Pia'), order('Pia')]);
  expect(new Set(keys).size).toBe(1);
});

it('a picture whose answer was lost has the same name when it is sent once more, another one its own', async () => {
  answers = ['nothing', 200, 200];
  const send = (bytes: readonly number[]) =>
    call('/makes/1/photos', {
      method: 'POST',
      bytes: new NodeBlob([Uint8Array.from(bytes)], { type: 'image/webp' }) as unknown as Blob,
    }).catch(() => undefined);
  await send([1, 2, 255]);
  await send([1, 2, 255]);
  await send([1, 3, 255]);
  expect(keys[1]).toBe(keys[0]);
  expect(keys[2]).not.toBe(keys[0]);
});

it('keeps the name over a reload', async () => {
  answers = ['nothing', 200];
  await order('Quin');
  jest.resetModules();
  const { call: afterReload } = await import('./client');
  await afterReload('/orders', { method: 'POST', body: { customer: 'Quin' } });
  expect(keys[1]).toBe(keys[0]);
});

it('notes nothing down of what opens something', async () => {
  answers = ['nothing'];
  await call('/session', { method: 'POST', body: { signIn: 'ona', password: 'x' } }).catch(
    () => undefined,
  );
  expect(keys).toEqual([undefined]);
  expect(sessionStorage.length).toBe(0);
});

it('something else has another name, and what is refused has none any more', async () => {
  answers = ['nothing', 'nothing', 422, 200];
  await order('Rui');
  await order('Sol');
  expect(keys[0]).not.toBe(keys[1]);
  await order('Sol');
  expect(keys[2]).toBe(keys[1]);
  await order('Sol');
  expect(keys[3]).not.toBe(keys[1]);
});
