import { DataSource } from 'typeorm';
import { LIST_ROWS } from '../rows/list.entities.js';
import { KnotRow } from '../rows/knot.entity.js';
import { MakeRow } from '../rows/make.entity.js';
import { PieceRow } from '../rows/piece.entity.js';
import { VersionRow } from '../rows/version.entity.js';
import { Workshop } from '../rows/workshop.entity.js';
import { SwatchRow } from '../rows/swatch.entity.js';
import { PhotoRow } from '../rows/photo.entity.js';
import { Base1800000000000 } from '../migrations/1800000000000-base.js';
import { Preferences1800000000001 } from '../migrations/1800000000001-preferences.js';
import { Requests1800000000002 } from '../migrations/1800000000002-requests.js';
import { isBefore1 } from './before-1.js';
import { seed } from '../demo/seed.js';
import {
  BackupRow,
  LinkRow,
  MemberRow,
  PersonRow,
  SessionRow,
  TrailRow,
} from '../rows/people.entities.js';
import { LotRow } from '../rows/lot.entity.js';
import { MovementRow } from '../rows/movement.entity.js';
import {
  CustomerRow,
  CuttingRow,
  KitRow,
  OrderLineRow,
  OrderRow,
  ShoppingRow,
} from '../rows/week.entities.js';
import { EvidenceRow, LessonRow } from '../rows/learnt.entities.js';
import { RequestDataSource } from './request-data-source.js';
import { completeHands } from '../hand/complete-hands.js';

/** Any number that no other program on the same database uses for its advisory locks. */
const STARTING = 727_001;

/**
 * What a request may take of the database, in ms: a statement, a wait for a lock, a transaction that asks for nothing.
 * What brings a database up to date is as patient as it needs to be.
 */
const LIMITS = {
  statement_timeout: 30_000,
  lock_timeout: 10_000,
  idle_in_transaction_session_timeout: 60_000,
};

/** @param pool connections at most, for requests; null for one that may take its time, and has few */
export const createDataSource = (url: string, pool: number | null = null): DataSource =>
  new (pool === null ? DataSource : RequestDataSource)({
    type: 'postgres',
    url,
    entities: [
      Workshop,
      ...Object.values(LIST_ROWS),
      PieceRow,
      VersionRow,
      MakeRow,
      PhotoRow,
      SwatchRow,
      EvidenceRow,
      LessonRow,
      KnotRow,
      LotRow,
      MovementRow,
      CuttingRow,
      ShoppingRow,
      KitRow,
      CustomerRow,
      OrderRow,
      OrderLineRow,
      PersonRow,
      MemberRow,
      SessionRow,
      LinkRow,
      TrailRow,
      BackupRow,
    ],
    migrations: [Base1800000000000, Preferences1800000000001, Requests1800000000002],
    synchronize: false,
    applicationName: 'coiled-strand',
    extra: {
      connectionTimeoutMillis: 5_000,
      keepAlive: true,
      max: pool ?? 4,
      ...(pool === null ? {} : LIMITS),
    },
  });

/**
 * A database that a newer program has changed, or one from before version 1.0.0, is left alone: this one would not know
 * what it writes over.
 *
 * @throws Error in plain words
 */
async function refuseStrange(dataSource: DataSource): Promise<void> {
  const known = new Set(
    dataSource.migrations.map(({ name, constructor }) => name ?? constructor.name),
  );
  const [table] = await dataSource.query<{ there: boolean }[]>(
    `select to_regclass('migrations') is not null as there`,
  );
  if (!table?.there) return;
  const done = await dataSource.query<{ name: string }[]>(
    'select name from migrations order by id',
  );
  if (isBefore1(done.map(({ name }) => name))) {
    throw new Error(
      'This data folder was written by a program from before version 1.0.0. Nothing was changed. To carry it over: with the program that wrote it, npm run backup -- FILE; with this one and an empty DATA_FOLDER, npm run restore -- FILE. See docs/backup.md.',
    );
  }
  const newer = done.filter(({ name }) => !known.has(name));
  if (newer.length > 0) {
    throw new Error(
      `The database was changed by a newer version of this program (${newer.map(({ name }) => name).join(', ')}). Nothing was changed. Start that version, or restore a copy of the data from before.`,
    );
  }
}

/**
 * Brings the schema up to date and fills an empty database, one server at a time: several may start
 * on the same database at once.
 */
export async function prepareDatabase(url: string, demo: boolean): Promise<void> {
  const dataSource = await createDataSource(url).initialize();
  const lock = dataSource.createQueryRunner();
  try {
    await lock.connect();
    await lock.query('select pg_advisory_lock($1)', [STARTING]);
    await refuseStrange(dataSource);
    await dataSource.runMigrations({ transaction: 'each' });
    await seed(dataSource, demo);
    await completeHands(dataSource.manager);
  } finally {
    await lock.query('select pg_advisory_unlock($1)', [STARTING]);
    await lock.release();
    await dataSource.destroy();
  }
}
