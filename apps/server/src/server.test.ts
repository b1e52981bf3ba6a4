import { describe, expect, it } from '@jest/globals';
import {
  pieceFileSchema,
  VERSION,
  type CordView,
  type WearerView,
  type WorkshopView,
} from '@coiled-strand/contract';
import pg from 'pg';
import request from 'supertest';
import { readConfig } from './config/config.js';
import { sayStartFailure } from './config/start-failure.js';
import { createApp } from './create-app.js';
import { PASSWORD } from './testing/people.js';
import { createDatabase, startTestApp, testConfig, useTestApp } from './testing/test-app.js';

const api = useTestApp();

describe('server', () => {
  it('says that it and its database are well', async () => {
    await api().get('/api/health').expect(200, {
      status: 'ok',
      version: VERSION,
      database: 'ok',
      disk: null,
    });
  });

  it('answers every fault in one shape', async () => {
    const shape = {
      error: {
        code: expect.any(String),
        message: expect.any(String),
        remedy: expect.any(String),
        requestId: expect.any(String),
      },
    };
    const answers = await Promise.all([
      api().get('/api/nowhere'),
      api().get('/api/pieces/not-an-id'),
      api().get('/api/pieces/00000000-0000-4000-8000-000000000000'),
      api().post('/api/plan').set('content-type', 'application/json').send('{"a":'),
      api()
        .post('/api/plan')
        .send({ text: 'x'.repeat(1_200_000) }),
      api().post('/api/plan').send([]),
    ]);
    expect(answers.map((a) => a.status)).toEqual([404, 404, 404, 400, 413, 422]);
    for (const answer of answers) expect(answer.body).toMatchObject(shape);
    expect(answers[3]?.body.error.code).toBe('json.malformed');
  });

  it('documents bodies by the rules that check them', async () => {
    const { body } = await api().get('/api/openapi.json').expect(200);
    const cord = body.components.schemas.Cord;
    expect(cord.properties.diameter).toMatchObject({ type: 'number', minimum: 0.1 });
    expect(body.paths['/api/plan'].post.requestBody.content['application/json'].schema.$ref).toBe(
      '#/components/schemas/PieceFile',
    );
    expect(body.components.schemas.Piece.properties.wearer.$ref).toBe(
      '#/components/schemas/Wearer',
    );
  });

  it('hands the schema of the piece file to whoever asks', async () => {
    const answer = await api().get('/api/piece.schema.json').expect(200);
    expect(answer.headers['content-type']).toContain('application/schema+json');
    expect(answer.body).toEqual(JSON.parse(JSON.stringify(pieceFileSchema())));
  });

  it('keeps settings', async () => {
    const { body } = await api().get('/api/workshop').expect(200);
    const { settings, name, etags } = body as WorkshopView;
    expect(name).toBe('Thistledown Bench');
    await api()
      .put('/api/workshop/settings')
      .set('If-Match', `"${etags.settings}"`)
      .send({ ...settings, unit: 'in' })
      .expect(200);
    expect(((await api().get('/api/workshop')).body as WorkshopView).settings.unit).toBe('in');
  });

  it('keeps lists of wearers and cords', async () => {
    const added = await api().post('/api/wearers').send({ name: 'New', wrist: 170 }).expect(201);
    const { id, etag } = added.body as WearerView;
    await api()
      .put(`/api/wearers/${id}`)
      .set('If-Match', `"${etag}"`)
      .send({ name: 'New', wrist: 171 })
      .expect(200);
    const wearers = (await api().get('/api/wearers')).body as WearerView[];
    expect(wearers.at(-1)).toMatchObject({ id, value: { name: 'New', wrist: 171, origin: id } });
    const cords = (await api().get('/api/cords')).body as CordView[];
    expect(cords).toHaveLength(12);
    const { body } = await api()
      .post('/api/cords')
      .send({ ...cords[0]?.value, kind: 'wire' })
      .expect(422);
    expect(body.error.faults[0].path).toBe('kind');
    await api().put('/api/beads/00000000-0000-4000-8000-000000000000').send({}).expect(422);
  });

  it('answers 503 with a remedy when the database goes away', async () => {
    const other = await startTestApp();
    const name = new URL(other.databaseUrl).pathname.slice(1);
    const client = new pg.Client({ connectionString: process.env['TEST_DATABASE_URL'] });
    await client.connect();
    try {
      await client.query(`alter database ${name} allow_connections false`);
      await client.query(
        'select pg_terminate_backend(pid) from pg_stat_activity where datname = $1',
        [name],
      );
      const { body } = await request(other.app.getHttpServer()).get('/api/health').expect(503);
      expect(body.error.code).toBe('database.away');
      await client.query(`alter database ${name} allow_connections true`);
      await request(other.app.getHttpServer()).get('/api/health').expect(200);
    } finally {
      await client.end();
      await other.close();
    }
  });
});

describe('start', () => {
  it('migrates and seeds once when several servers start on one database', async () => {
    const database = await createDatabase();
    const config = testConfig(database.url, true);
    const apps = await Promise.all([1, 2, 3].map(() => createApp(config)));
    try {
      await Promise.all(apps.map((app) => app.init()));
      const { body } = await request(apps[2]!.getHttpServer())
        .get('/api/pieces?sort=laid&limit=100')
        .expect(200);
      expect(body).toMatchObject({ total: 11, next: null });
      expect(body.items).toHaveLength(11);
    } finally {
      await Promise.all(apps.map((app) => app.close()));
      await database.drop();
    }
  });

  it('starts empty when no demo is wanted, and with cords to choose from when it has an owner', async () => {
    const empty = await startTestApp(false);
    try {
      const server = request.agent(empty.app.getHttpServer());
      void server.set('Sec-Fetch-Site', 'same-origin');
      const { body } = await server.get('/api/session').expect(200);
      expect(body).toMatchObject({ state: 'set-up', open: false, person: null });
      await server.get('/api/pieces').expect(401);
      await server
        .post('/api/set-up')
        .send({ workshop: 'A bench', name: 'Somebody', signIn: 'some', password: PASSWORD })
        .expect(200);
      expect((await server.get('/api/pieces')).body).toEqual({
        items: [],
        total: 0,
        next: null,
      });
      expect((await server.get('/api/wearers')).body).toEqual([]);
      expect((await server.get('/api/cords')).body).toHaveLength(12);
    } finally {
      await empty.close();
    }
  });

  it('leaves a database alone that a newer program has changed', async () => {
    const database = await createDatabase('demo');
    const config = testConfig(database.url, true);
    const first = await createApp(config);
    await first.init();
    await first.close();
    const client = new pg.Client({ connectionString: database.url });
    await client.connect();
    try {
      await client.query(
        `insert into migrations (timestamp, name) values (9999999999999, 'FromTheFuture9999999999999')`,
      );
      const before = await client.query('select count(*) from piece');
      await expect(createApp(config)).rejects.toThrow(/newer version .*FromTheFuture/);
      expect((await client.query('select count(*) from piece')).rows).toEqual(before.rows);
    } finally {
      await client.end();
      await database.drop();
    }
  });

  it('says in a sentence what stops it', () => {
    expect(() => readConfig({})).toThrow(/npm start/);
    expect(() => readConfig({ DATABASE_URL: 'x', PORT: 'http' })).toThrow(/whole number/);
    expect(sayStartFailure({ code: 'EADDRINUSE' }, { PORT: '80' })).toMatch(/Port 80 is taken/);
    expect(sayStartFailure({ code: 'ECONNREFUSED', message: 'x' }, {})).toMatch(/No PostgreSQL/);
    expect(sayStartFailure({ code: '28P01' }, {})).toMatch(/user or password/);
    expect(sayStartFailure(new Error('odd'), {})).toMatch(/odd/);
  });
});
