import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import request from 'supertest';
import { readConfig } from '../config/config.js';
import { startTestApp, type TestApp } from '../testing/test-app.js';

describe('a flood', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await startTestApp(true, { rate: { points: 20, duration: 1 } });
  });
  afterAll(() => test.close());
  const ask = (from: string) =>
    request(test.app.getHttpServer()).get('/api/health/alive').set('X-Forwarded-For', from);

  it('from one address is held back, and says until when; others are not', async () => {
    const answers = await Promise.all(Array.from({ length: 50 }, () => ask('203.0.113.1')));
    const held = answers.filter(({ status }) => status === 429);
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(20);
    expect(held).toHaveLength(30);
    expect(held[0]!.body.error).toMatchObject({ code: 'asked-too-often' });
    expect(Number(held[0]!.headers['retry-after'])).toBe(1);
    await ask('203.0.113.2').expect(200);
    await new Promise((resolve) => setTimeout(resolve, 1_100));
    await ask('203.0.113.1').expect(200);
  });
  it('is counted for whoever sends it, whatever they say of themselves', async () => {
    // Who comes straight from elsewhere is not believed; here the machine itself is.
    const far = await startTestApp(true, { rate: { points: 5, duration: 60 }, proxies: 0 });
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        request(far.app.getHttpServer())
          .get('/api/health/alive')
          .set('X-Forwarded-For', `203.0.113.${i}`),
      ),
    );
    expect(answers.filter(({ status }) => status === 429)).toHaveLength(5);
    await far.close();
  });
});

describe('the limits', () => {
  const url = { DATABASE_URL: 'postgres://x' };
  it('are as they are configured, and usual otherwise', () => {
    expect(readConfig(url)).toMatchObject({
      pool: 10,
      rate: { points: 3_000, duration: 10 },
      proxies: 'loopback',
      backups: null,
    });
    expect(readConfig({ ...url, DATA_FOLDER: '/data' }).backups).toBe('/data/backups');
    expect(readConfig({ ...url, DATA_FOLDER: '/data', BACKUPS: 'off' }).backups).toBeNull();
    expect(readConfig({ ...url, PROXIES: '2', POOL: '20' })).toMatchObject({
      proxies: 2,
      pool: 20,
    });
  });
  it.each([
    [{ POOL: '1' }, /POOL is “1”/],
    [{ RATE: 'many' }, /RATE is “many”/],
    [{ PROXIES: '-1' }, /PROXIES is “-1”/],
  ])('say what is wrong with %j', (env, words) => {
    expect(() => readConfig({ ...url, ...env })).toThrow(words);
  });
});
