import { hostname } from 'node:os';
import { describe, expect, it } from '@jest/globals';
import type { PieceView } from '@coiled-strand/contract';
import { useTestApp } from '../testing/test-app.js';
import { namesOf } from './same-site.js';

const api = useTestApp();

describe('the names of the server', () => {
  it('are addresses of numbers, localhost, the machine’s own and those configured', () => {
    const known = namesOf(['Bench.Example']);
    for (const host of [
      '127.0.0.1:4173',
      '192.168.1.20',
      '[::1]:4173',
      '[fe80::1]',
      'localhost:4173',
      'LOCALHOST',
      hostname(),
      'bench.example:80',
    ]) {
      expect([host, known(host)]).toEqual([host, true]);
    }
    for (const host of [
      '',
      'evil.example',
      'localhost.evil.example',
      '127.0.0.1.evil.example:4173',
    ]) {
      expect([host, known(host)]).toEqual([host, false]);
    }
  });
  it('are asked of every request, pages and reads included', async () => {
    for (const path of ['/api/pieces', '/api/health', '/', '/api/openapi.json']) {
      const { status, body } = await api().get(path).set('Host', 'evil.example:4173');
      expect([path, status, body.error.code]).toEqual([path, 403, 'host.unknown']);
    }
    await api().get('/api/pieces').set('Host', 'localhost:4173').expect(200);
  });
});

describe('changes that pages of other sites send', () => {
  const change = (headers: Record<string, string>) =>
    api()
      .post('/api/wearers')
      .set({ Host: 'localhost:4173', ...headers })
      .send({ name: 'Somebody', wrist: 160 });
  it.each([
    [{ Origin: 'https://evil.example' }],
    [{ Origin: 'http://localhost:9999' }],
    [{ Origin: 'null' }],
    [{ Origin: 'http://localhost:4173', 'Sec-Fetch-Site': 'cross-site' }],
    [{ 'Sec-Fetch-Site': 'cross-site' }],
  ])('are refused: %j', async (headers) => {
    const { status, body } = await change(headers);
    expect([status, body.error.code]).toEqual([403, 'site.other']);
  });
  it.each([[{ Origin: 'http://localhost:4173', 'Sec-Fetch-Site': 'same-origin' }], [{}]])(
    'and no others: %j',
    async (headers) => {
      await change(headers).expect(201);
    },
  );
  it('change nothing, deletions and uploads neither', async () => {
    const list = async () =>
      (await api().get('/api/pieces?sort=laid&limit=100')).body.items as PieceView[];
    const [first] = await list();
    await api()
      .delete(`/api/pieces/${first!.id}`)
      .set('Origin', 'https://evil.example')
      .expect(403);
    expect(await list()).toContainEqual(first);
  });
});
