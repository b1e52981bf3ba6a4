/// <reference types="node" />
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  actionsAt,
  drawBench,
  drawClosed,
  IN_MM,
  planPiece,
  speak,
  stepPicture,
  sumOf,
  totalActions,
} from '@coiled-strand/core';
import pg from 'pg';
import { DataSource } from 'typeorm';
import { createDataSource } from '../database/data-source.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { createDatabase } from '../testing/test-app.js';

const FOLDER = fileURLToPath(new URL('dumps/', import.meta.url));
const known = createDataSource('postgres://x').options
  .migrations as unknown as (new () => object)[];

/** The rows that the program of each migration left in a database, by the name of the migration. */
const DUMPS = readdirSync(FOLDER).map((file) => file.replace('.sql.gz', ''));

it('there is a dump for every migration', () => {
  expect(DUMPS.sort()).toEqual(known.map(({ name }) => name).sort());
});

async function restored(name: string) {
  const database = await createDatabase();
  const { options } = createDataSource(database.url);
  const count = known.findIndex((migration) => migration.name === name) + 1;
  const then = new DataSource({ ...options, migrations: known.slice(0, count) });
  await then.initialize();
  await then.runMigrations({ transaction: 'each' });
  await then.destroy();
  const client = new pg.Client({ connectionString: database.url });
  await client.connect();
  // Rows come table by table, not in the order in which they refer to each other.
  await client.query('set session_replication_role = replica');
  await client.query(gunzipSync(readFileSync(`${FOLDER}${name}.sql.gz`)).toString());
  await client.end();
  const source = createDataSource(database.url);
  await source.initialize();
  const logged = await source.query<{ id: string; record: object }[]>(
    'select id, record from make where record is not null',
  );
  await source.runMigrations({ transaction: 'each' });
  return { database, source, logged };
}

describe.each(DUMPS)('a database as of %s', (name) => {
  let old: Awaited<ReturnType<typeof restored>>;
  let makes: MakeRow[];
  beforeAll(async () => {
    old = await restored(name);
    makes = await old.source
      .createQueryBuilder(MakeRow, 'make')
      .addSelect(['make.plan', 'make.steps'])
      .orderBy('make.createdAt')
      .getMany();
  });
  afterAll(async () => {
    await old.source.destroy();
    await old.database.drop();
  });

  it('has pieces that can be planned', async () => {
    const pieces = await old.source.getRepository(PieceRow).find();
    expect(pieces.length).toBeGreaterThan(1);
    for (const { spec } of pieces) expect(planPiece(spec)).toMatchObject({ ok: true });
  });
  it('has makes with a plan, steps and a place among them', () => {
    expect(makes.length).toBeGreaterThan(1);
    for (const { plan, steps, at, reached, loggedAt } of makes) {
      expect(reached.total).toBe(totalActions(steps));
      expect(actionsAt(steps, at)).toBe(reached.done);
      expect(reached.finishFrom).toBeLessThan(reached.total);
      if (loggedAt) expect(reached.done).toBe(reached.total);
      for (const { reasons, total } of plan.strands) {
        expect(sumOf(reasons)).toBeCloseTo(total, 6);
        expect(reasons.every(({ area }) => area.length > 0)).toBe(true);
      }
    }
  });
  it('has plans that are drawn and followed like new ones', () => {
    for (const { piece, plan, steps } of makes) {
      expect(
        drawBench(piece, plan, { firstSide: 'left', tails: true }).shapes.length,
      ).toBeGreaterThan(0);
      expect(drawClosed(piece, plan).shapes.length).toBeGreaterThan(0);
      for (const step of steps) {
        expect(speak(step.title, IN_MM)).not.toBe('');
        stepPicture(piece, plan, step, 0, 'left');
      }
    }
  });
  it('keeps what was logged, and what it says of the hand', () => {
    expect(old.logged.length).toBeGreaterThan(0);
    for (const { id, record } of old.logged) {
      const make = makes.find((one) => one.id === id)!;
      expect(make.record).toMatchObject(record);
      expect(make.outcome?.observations.length).toBeGreaterThan(0);
    }
  });
  it('is at the present version', async () => {
    expect(await old.source.showMigrations()).toBe(false);
  });
});
