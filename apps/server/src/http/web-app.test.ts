import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { createApp } from '../create-app.js';
import { createDatabase, testConfig } from '../testing/test-app.js';

const root = mkdtempSync(join(tmpdir(), 'coiled-web-'));
let app: NestExpressApplication;
let drop: () => Promise<void>;
const get = (path: string) => request(app.getHttpServer()).get(path);

beforeAll(async () => {
  mkdirSync(join(root, 'assets'));
  writeFileSync(join(root, 'index.html'), '<title>page</title>');
  writeFileSync(join(root, 'icon.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
  // As large as what is worth squeezing.
  writeFileSync(join(root, 'assets', 'index-abc.js'), 'export {};'.repeat(1000));
  const database = await createDatabase('empty');
  drop = database.drop;
  app = await createApp({ ...testConfig(database.url, false), webRoot: root });
  await app.init();
});
afterAll(async () => {
  await app.close();
  await drop();
  rmSync(root, { recursive: true });
});

describe('the web application', () => {
  it.each(['/', '/pieces/abc/fit', '/anything'])('is the answer to %s', async (path) => {
    const response = await get(path).expect(200);
    expect(response.text).toContain('<title>page</title>');
    expect(response.headers['cache-control']).toBe('no-cache');
  });
  it('keeps hashed files for a year and sends them compressed', async () => {
    const response = await get('/assets/index-abc.js').set('Accept-Encoding', 'gzip').expect(200);
    expect(response.headers['cache-control']).toMatch(/max-age=31536000, immutable/);
    expect(response.headers['content-encoding']).toBe('gzip');
  });
  it('does not take a missing file or an unknown API address for a page', async () => {
    expect((await get('/assets/gone.js')).status).toBe(404);
    const { body } = await get('/api/nowhere').expect(404);
    expect(body.error.code).toBe('http.404');
  });
  it('serves its icon, and allows only its own scripts', async () => {
    const response = await get('/icon.svg').expect(200);
    expect(response.headers['content-type']).toContain('image/svg+xml');
    const csp = (await get('/')).headers['content-security-policy'] ?? '';
    expect(csp).toContain("script-src 'self' 'wasm-unsafe-eval'");
    expect(csp).not.toContain('upgrade-insecure-requests');
  });
  it('documents the API beside it', async () => {
    expect((await get('/api/docs')).text).toContain('swagger');
  });
});
