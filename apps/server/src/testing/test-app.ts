import { afterAll, beforeAll } from '@jest/globals';
import type { NestExpressApplication } from '@nestjs/platform-express';
import pg from 'pg';
import request from 'supertest';
import { createDatabase as createOn, type Like } from '../../../../scripts/lib/database.mjs';
import type { Config } from '../config/config.js';
import { createApp } from '../create-app.js';

export interface TestApp {
  readonly app: NestExpressApplication;
  readonly databaseUrl: string;
  close(): Promise<void>;
}

/** Address of a PostgreSQL where tests may create databases; `npm test` starts one. */
function adminUrl(): string {
  const url = process.env.TEST_DATABASE_URL;
  if (!url) throw new Error('TEST_DATABASE_URL is not set; run the tests with npm test');
  return url;
}

export async function admin(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  try {
    await client.query(sql);
  } finally {
    await client.end();
  }
}

/** @param like what it is a copy of; with nothing in it when left out */
export const createDatabase = (like?: Like): ReturnType<typeof createOn> =>
  createOn(adminUrl(), 't', like);

export const testConfig = (databaseUrl: string, demo: boolean): Config => ({
  databaseUrl,
  port: 0,
  host: '127.0.0.1',
  names: [],
  webRoot: null,
  dataFolder: null,
  demo,
  instruments: 'none',
  backups: null,
  pool: 10,
  rate: null,
  proxies: 'loopback',
  logLevels: [],
});

/** The real application on a database of its own, without the web files. */
export async function startTestApp(demo = true, more: Partial<Config> = {}): Promise<TestApp> {
  const database = await createDatabase(demo ? 'demo' : 'empty');
  const app = await createApp({ ...testConfig(database.url, demo), ...more });
  await app.init();
  return {
    app,
    databaseUrl: database.url,
    close: async () => {
      await app.close();
      await database.drop();
    },
  };
}

/** The real application for all tests of one file; returns how to send it a request. */
export function useTestApp(): () => ReturnType<typeof request> {
  let test: TestApp;
  beforeAll(async () => {
    test = await startTestApp();
  });
  afterAll(() => test.close());
  return () => request(test.app.getHttpServer());
}
