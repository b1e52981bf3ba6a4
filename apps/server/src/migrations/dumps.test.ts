/// <reference types="node" />
import { readFileSync } from 'node:fs';
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
import { completeMakes } from '../makes/complete-makes.js';
import { createDataSource } from '../database/data-source.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { createDatabase } from '../testing/test-app.js';

/**
 * Each as the program of its time left a database, with everything in it that it could hold: the oldest
 * whole, later ones as the rows in it, after so many migrations.
 */
const DUMPS = { '1-foundation': 0, '2-whole-pieces': 2, '3-making': 3 } as const;

const buckle = {
  type: 'side-release-buckle',
  name: 'Buckle',
  slot: 16,
  barToBar: 34,
  thickness: 9.5,
  bar: 3,
  colour: '#2b3136',
};

async function restored(name: keyof typeof DUMPS) {
  const database = await createDatabase();
  if (DUMPS[name] > 0) {
    const { options } = createDataSource(database.url);
    const known = options.migrations as unknown as (new () => object)[];
    const then = new DataSource({ ...options, migrations: known.slice(0, DUMPS[name]) });
    await then.initialize();
    await then.runMigrations({ transaction: 'each' });
    await then.destroy();
  }
  const client = new pg.Client({ connectionString: database.url });
  await client.connect();
  // Rows come table by table, not in the order in which they refer to each other.
  await client.query('set session_replication_role = replica');
  await client.query(readFileSync(new URL(`dumps/${name}.sql`, import.meta.url), 'utf8'));
  await client.end();
  const source = createDataSource(database.url);
  await source.initialize();
  const logged = await source.query<{ id: string; record: object }[]>(
    'select id, record from make where record is not null',
  );
  await source.runMigrations({ transaction: 'each' });
  await completeMakes(source.manager);
  return { database, source, logged };
}

const makesOf = (source: DataSource): Promise<MakeRow[]> =>
  source
    .createQueryBuilder(MakeRow, 'make')
    .addSelect(['make.plan', 'make.steps'])
    .orderBy('make.createdAt')
    .getMany();

describe.each(Object.keys(DUMPS) as (keyof typeof DUMPS)[])('a database as of %s', (name) => {
  let old: Awaited<ReturnType<typeof restored>>;
  let makes: MakeRow[];
  beforeAll(async () => {
    old = await restored(name);
    makes = await makesOf(old.source);
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
    const going = makes.filter((make) => make.abandonedAt === null);
    expect(going.length).toBeGreaterThan(1);
    for (const { plan, steps, at, reached, loggedAt } of going) {
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
    for (const { piece, plan, steps } of makes.filter((make) => make.abandonedAt === null)) {
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
  it('is complete: asked again, nothing changes', async () => {
    await completeMakes(old.source.manager);
    expect(await makesOf(old.source)).toEqual(makes);
    expect(await old.source.showMigrations()).toBe(false);
  });
});

describe('a database from before whole pieces', () => {
  let old: Awaited<ReturnType<typeof restored>>;
  beforeAll(async () => {
    old = await restored('1-foundation');
  });
  afterAll(async () => {
    await old.source.destroy();
    await old.database.drop();
  });
  it('keeps its buckles among the closures to choose from, and knows how practised the maker is', async () => {
    const [fitting] = await old.source.query<{ value: unknown }[]>('select value from fitting');
    expect(fitting?.value).toEqual({ name: 'Buckle', closure: buckle });
    const [workshop] = await old.source.query<{ settings: { practice: string } }[]>(
      'select settings from workshop',
    );
    expect(workshop?.settings.practice).toBe('practised');
  });
  it('puts a make aside that can no longer be planned, and loses none', async () => {
    const makes = await makesOf(old.source);
    expect(makes).toHaveLength(3);
    expect(makes.filter((make) => make.abandonedAt !== null)).toHaveLength(1);
    const numbers = makes.map((make) => make.number).sort();
    expect(numbers).toEqual([1, 1, 2]);
  });
});

describe('a make under way when its steps were first kept', () => {
  it('stands where it stood', async () => {
    const old = await restored('3-making');
    const going = (await makesOf(old.source)).filter((make) => make.loggedAt === null);
    const azimuth = going.find((make) => make.piece.name === 'Azimuth')!;
    // Forty actions: eight strands, a slider cord and the clip, and thirty knots.
    expect(azimuth.reached.parts['knotted-floss']).toBe(30);
    const plumb = going.find((make) => make.piece.name === 'Plumb Line')!;
    expect(plumb.reached.done).toBe(plumb.reached.total - 3);
    expect(plumb.timers['ends-glue']).toBe('2026-11-25T20:00:00.000Z');
    await old.source.destroy();
    await old.database.drop();
  });
});
