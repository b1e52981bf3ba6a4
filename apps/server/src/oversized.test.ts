import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { JSON_LIMITS } from './http/json-limits.js';
import { reading } from './testing/ground.js';
import { as, memberOf, type Signed } from './testing/people.js';
import { listsIn, routesOf, type Document } from './testing/routes.js';
import { startTestApp, type TestApp } from './testing/test-app.js';

let test: TestApp;
let owner: Signed;
const api = () => as(test.app, owner)();
beforeAll(async () => {
  test = await startTestApp();
  ({ signed: owner } = await memberOf(test.app, 'owner', 'the-owner'));
});
afterAll(() => test.close());

const NO_SUCH = '00000000-0000-4000-8000-000000000000';
/** Just below what a body may have: a third of a million objects, and names without end. */
const OBJECTS = `[${'{},'.repeat(329_999)}{}]`;
/** As many as a body may hold. */
const ALLOWED = `[${'{},'.repeat(JSON_LIMITS.objects - 50)}{}]`;
const NAMES = `{${Array.from({ length: 90_000 }, (_, i) => `"k${i}":1`).join(',')}}`;
const DEEP = `${'['.repeat(400_000)}${']'.repeat(400_000)}`;

/** Bodies that cost little to send, for a route that reads `lists` of objects. */
const bombs = (lists: readonly string[]): string[] => [
  OBJECTS,
  NAMES,
  DEEP,
  `{"x":"${'x'.repeat(990_000)}"}`,
  `{"${'x'.repeat(990_000)}":1}`,
  ...lists.map((path) =>
    path
      .split('.')
      .reduceRight<string>(
        (inside, key) => (key === '[]' ? `[${inside}]` : `{"${key}":${inside}}`),
        ALLOWED,
      ),
  ),
];

/** Largest answer to what is refused, in bytes. */
const MAX_REFUSAL = 65_536;

/**
 * How long a refusal may take of the processor, in ms, is measured by `npm run bench`; here the work is bounded by
 * what the rules are asked, see validate.test.ts of the contract.
 */
it('bodies as large as may be are refused in a few kilobytes by every route that reads one', async () => {
  const document = await reading(api)<Document>('openapi.json');
  const routes = routesOf(document).filter(({ body }) => body !== null);
  expect(routes.length).toBeGreaterThan(30);
  for (const { method, path, body } of routes) {
    const url = path.replace(/\{\w+\}/g, NO_SUCH);
    for (const bomb of bombs(listsIn(document, body!))) {
      const { status, text } = await api()
        [method](url)
        .set('content-type', 'application/json')
        .set('if-match', '"1"')
        .send(bomb);
      const what = `${method} ${path} ${bomb.slice(0, 60)}`;
      expect([what, status >= 400 && status < 500]).toEqual([what, true]);
      expect([what, text.length <= MAX_REFUSAL]).toEqual([what, true]);
    }
  }
});

it('whoever may be anybody sends little', async () => {
  for (const path of ['session', 'set-up', 'links/look', 'links/join', 'links/reset']) {
    const { status, body } = await as(test.app)()
      .post(`/api/${path}`)
      .set('content-type', 'application/json')
      .send(`[${'{},'.repeat(1_500)}{}]`);
    expect([path, status, body.error.code]).toEqual([path, 413, 'body.too-large']);
    expect(body.error.message).toContain('4 kB');
  }
});

/** Bytes as they are, under whatever name. */
const asItIs = (bytes: unknown): string => bytes as string;

it('a body that is squeezed counts as what it is squeezed from', async () => {
  const bomb = gzipSync(Buffer.alloc(60_000_000, ' '));
  expect(bomb.length).toBeLessThan(100_000);
  for (const path of ['session', 'pieces', 'plan']) {
    const before = process.memoryUsage().rss;
    const { status } = await api()
      .post(`/api/${path}`)
      .set({ 'content-type': 'application/json', 'content-encoding': 'gzip' })
      .serialize(asItIs)
      .send(bomb);
    expect([path, status]).toEqual([path, 413]);
    expect(process.memoryUsage().rss - before).toBeLessThan(100_000_000);
  }
  for (const coding of ['br', 'deflate', 'x', 'gzip, gzip']) {
    const { status } = await api()
      .post('/api/wearers')
      .set({ 'content-type': 'application/json', 'content-encoding': coding })
      .serialize(asItIs)
      .send(Buffer.from('not that at all'));
    expect([coding, status >= 400 && status < 500]).toEqual([coding, true]);
  }
});

it('a form with files is no body of any route', async () => {
  const form =
    '--x\r\nContent-Disposition: form-data; name="a"; filename="b"\r\n\r\n1\r\n--x--\r\n';
  for (const path of ['wearers', 'pieces', 'orders', 'session']) {
    const { status, body } = await api()
      .post(`/api/${path}`)
      .set('content-type', 'multipart/form-data; boundary=x')
      .send(form);
    expect([path, status >= 400 && status < 500, typeof body.error?.remedy]).toEqual([
      path,
      true,
      'string',
    ]);
  }
});
