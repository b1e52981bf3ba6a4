import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import {
  planPiece,
  type MakeRecord,
  type Outcome,
  type Piece,
  type Plan,
} from '@coiled-strand/core';
import { DataSource } from 'typeorm';
import { createDatabase } from '../../testing/test-app.js';
import { createDataSource } from '../data-source.js';
import { Foundation1700000000001 } from './1700000000001-foundation.js';

const buckle = {
  name: 'Buckle',
  slot: 16,
  barToBar: 34,
  thickness: 9.5,
  bar: 3,
  colour: '#2b3136',
};
/** A piece as it was stored before there were parts and closures of other kinds. */
const oldPiece = (wrist: number) => ({
  name: 'Old band',
  wearer: { name: 'Somebody', wrist },
  ease: { rule: 'two-fingers' },
  scheme: 'own-core',
  cords: ['slate', 'orange'].map((name) => ({
    name,
    kind: 'paracord',
    diameter: 4,
    colour: { name, hex: '#5b6b78' },
  })),
  parts: [
    { id: 'band', technique: 'square-knot-sinnet', form: 'flat', tension: 'even', length: null },
  ],
  closure: { type: 'side-release-buckle', buckle },
  ends: 'singe',
  cutting: { sureness: 0.95, step: 10 },
});
const record = {
  cords: [
    { cut: 700, leftover: 80 },
    { cut: 2600, leftover: 300 },
  ],
  length: 210,
  minutes: 50,
};

describe('a database from before whole pieces', () => {
  let database: Awaited<ReturnType<typeof createDatabase>>;
  let source: DataSource;
  beforeAll(async () => {
    database = await createDatabase();
    const before = new DataSource({
      type: 'postgres',
      url: database.url,
      migrations: [Foundation1700000000001],
    });
    await before.initialize();
    await before.runMigrations();
    const [workshop] = await before.query<{ id: string }[]>(
      `insert into workshop (name, maker, settings) values ('Bench', 'Maker', $1) returning id`,
      [JSON.stringify({ unit: 'cm', cordUnit: 'ft', step: 10, sureness: 0.95, hand: 'right' })],
    );
    await before.query('insert into buckle (workshop_id, value) values ($1, $2)', [
      workshop!.id,
      JSON.stringify(buckle),
    ]);
    const [piece] = await before.query<{ id: string }[]>(
      'insert into piece (workshop_id, spec) values ($1, $2) returning id',
      [workshop!.id, JSON.stringify(oldPiece(183))],
    );
    const make = (wrist: number, logged: object | null) =>
      before.query(
        `insert into make (workshop_id, piece_id, piece, plan, done, total, record, logged_at)
         values ($1, $2, $3, '{}', 9, 40, $4, $5)`,
        [
          workshop!.id,
          piece!.id,
          JSON.stringify(oldPiece(wrist)),
          logged === null ? null : JSON.stringify(logged),
          logged === null ? null : new Date(),
        ],
      );
    await make(183, record);
    // A girth that no plan accepts any more.
    await make(18, null);
    await before.destroy();
    source = createDataSource(database.url);
    await source.initialize();
    await source.runMigrations();
  }, 60_000);
  afterAll(async () => {
    await source.destroy();
    await database.drop();
  });

  it('keeps its buckles among the closures to choose from', async () => {
    const [fitting] = await source.query<{ value: unknown }[]>('select value from fitting');
    expect(fitting?.value).toEqual({
      name: 'Buckle',
      closure: { type: 'side-release-buckle', ...buckle },
    });
  });
  it('has pieces that can be planned, and makes with their plan and their place', async () => {
    const [piece] = await source.query<{ spec: Piece }[]>('select spec from piece');
    expect(planPiece(piece!.spec).ok).toBe(true);
    const [make] = await source.query<
      {
        plan: Plan;
        done: number;
        total: number;
        record: unknown;
      }[]
    >('select * from make where logged_at is not null');
    expect(make?.plan.strands).toHaveLength(2);
    expect(make?.done).toBe(make?.total);
    expect(make?.record).toEqual(record);
  });
  it('has makes with a number, which tell of the hand what their logs say', async () => {
    const makes = await source.query<
      {
        number: number;
        piece: Piece;
        plan: Plan;
        record: MakeRecord | null;
        outcome: Outcome | null;
        hand: unknown;
        timers: unknown;
      }[]
    >('select * from make order by number');
    expect(makes.map((make) => make.number)).toEqual([1, 2]);
    const { outcome, hand, timers } = makes.find((make) => make.record)!;
    expect([hand, timers]).toEqual([[], {}]);
    expect(outcome?.observations.map((o) => o.measure)).toContain('take-up');
  });
  it('puts a make aside that can no longer be planned, and loses none', async () => {
    const makes = await source.query<
      {
        abandoned_at: Date | null;
      }[]
    >('select abandoned_at from make');
    expect(makes).toHaveLength(2);
    expect(makes.filter((make) => make.abandoned_at !== null)).toHaveLength(1);
  });
  it('knows how practised the maker is', async () => {
    const [workshop] = await source.query<
      {
        settings: { practice: string };
      }[]
    >('select settings from workshop');
    expect(workshop?.settings.practice).toBe('practised');
  });
});
