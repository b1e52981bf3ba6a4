import { createHash } from 'node:crypto';
import { HttpStatus, Injectable } from '@nestjs/common';
import type { Pool } from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { DataSource } from 'typeorm';
import type { PostgresDriver } from 'typeorm/driver/postgres/PostgresDriver.js';
import { AppError } from '../errors/app-error.js';

/** So many wrong tries in this many seconds: of one name from one address, of one name, from one address. */
const LIMITS = {
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
    this.limits = { both: limit('both'), name: limit('name'), address: limit('address') };
  }

  /**
   * Counts a try before anything is looked up, so that fifty at once are fifty.
   *
   * @returns how to take it back where it was the right one
   * @throws AppError 429, the same for names that there are and names that there are not
   */
  async count(name: string, address: string): Promise<() => Promise<void>> {
    const folded = name.trim().toLowerCase();
    const keys: Readonly<Record<Counted, string>> = {
      both: keyOf(`${folded} ${address}`),
      name: keyOf(folded),
      address: keyOf(address),
    };
    try {
      for (const counted of ['address', 'name', 'both'] as const) {
        await this.limits[counted].consume(keys[counted]);
      }
    } catch (error) {
      if (error instanceof RateLimiterRes) throw tooOften(Math.ceil(error.msBeforeNext / 1000));
      throw error;
    }
    return async () => {
      await this.limits.both.delete(keys.both);
      await this.limits.name.reward(keys.name);
      await this.limits.address.reward(keys.address);
    };
  }
}
