import { createHash } from 'node:crypto';
import { HttpStatus, Injectable } from '@nestjs/common';
import type { Pool } from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { DataSource } from 'typeorm';
import type { PostgresDriver } from 'typeorm/driver/postgres/PostgresDriver.js';
import { AppError } from '../errors/app-error.js';

/**
 * So many wrong tries in this many seconds: of one name from one address, of one name, from one address; and on a
 * device on which the same somebody signed in before, which nobody else’s tries keep out.
 */
const LIMITS = {
  device: { points: 20, duration: 15 * 60 },
  both: { points: 10, duration: 15 * 60 },
  name: { points: 60, duration: 15 * 60 },
  address: { points: 100, duration: 15 * 60 },
} as const;
type Counted = keyof typeof LIMITS;

const keyOf = (text: string): string => createHash('sha256').update(text).digest('base64url');

const tooOften = (seconds: number): AppError =>
  new AppError(
    HttpStatus.TOO_MANY_REQUESTS,
    'tried-too-often',
    `That was tried too often. It is heard again in ${Math.ceil(seconds / 60)} min.`,
    'Wait that long. An owner can make a link for a new password meanwhile.',
    { retryAfter: seconds },
  );

/** Slows guessing down. It counts in the database: at which server somebody knocks makes no difference. */
@Injectable()
export class Throttle {
  private readonly limits: Readonly<Record<Counted, RateLimiterPostgres>>;

  constructor(dataSource: DataSource) {
    const pool = (dataSource.driver as PostgresDriver).master as Pool;
    const limit = (counted: Counted) =>
      new RateLimiterPostgres({
        storeClient: pool,
        tableName: 'throttle',
        tableCreated: true,
        keyPrefix: counted,
        ...LIMITS[counted],
      });
    this.limits = {
      device: limit('device'),
      both: limit('both'),
      name: limit('name'),
      address: limit('address'),
    };
  }

  /**
   * Counts a try before a password is looked at, so that fifty at once are fifty. One that is refused counts nothing.
   *
   * @param device by which it is known, where the same somebody signed in on it before
   * @returns how to take it back where it was the right one
   * @throws AppError 429, the same for names that there are and names that there are not
   */
  async count(name: string, address: string, device: string | null): Promise<() => Promise<void>> {
    const folded = name.trim().toLowerCase();
    const keys: readonly (readonly [Counted, string])[] =
      device !== null
        ? [['device', keyOf(`${folded} ${device}`)]]
        : [
            ['both', keyOf(`${folded} ${address}`)],
            ['address', keyOf(address)],
            ['name', keyOf(folded)],
          ];
    const counted: (readonly [Counted, string])[] = [];
    const takeBack = async (): Promise<void> => {
      for (const [limit, key] of counted) await this.limits[limit].reward(key);
    };
    for (const [limit, key] of keys) {
      try {
        await this.limits[limit].consume(key);
        counted.push([limit, key]);
      } catch (error) {
        if (!(error instanceof RateLimiterRes)) throw error;
        // What is over the limit was counted by asking.
        await this.limits[limit].reward(key);
        await takeBack();
        throw tooOften(Math.ceil(error.msBeforeNext / 1000));
      }
    }
    return async () => {
      const [first] = counted;
      await takeBack();
      if (first) await this.limits[first[0]].delete(first[1]);
    };
  }
}

/** So many names that cannot be used in a day, in seconds: whoever tries more wants to know who there is. */
const NAMES = { points: 10, duration: 24 * 3600 } as const;

const tooManyNames = (): AppError =>
  new AppError(
    HttpStatus.TOO_MANY_REQUESTS,
    'names.too-many',
    'Too many names were tried today.',
    'Your name stays as it is. Try again tomorrow, or ask the owner.',
  );

/** Keeps people from finding out who else has an account by trying names. */
@Injectable()
export class NameTries {
  private readonly limit: RateLimiterPostgres;

  constructor(dataSource: DataSource) {
    this.limit = new RateLimiterPostgres({
      storeClient: (dataSource.driver as PostgresDriver).master as Pool,
      tableName: 'throttle',
      tableCreated: true,
      keyPrefix: 'names',
      ...NAMES,
    });
  }

  /** @returns how to take it back where the name could be used. @throws AppError 429 */
  async count(personId: string): Promise<() => Promise<unknown>> {
    try {
      await this.limit.consume(personId);
    } catch (error) {
      if (error instanceof RateLimiterRes) throw tooManyNames();
      throw error;
    }
    return () => this.limit.reward(personId);
  }
}
