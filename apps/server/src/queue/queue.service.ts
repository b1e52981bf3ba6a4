import {
  Inject,
  Injectable,
  Logger,
  type OnModuleDestroy,
  type OnModuleInit,
} from '@nestjs/common';
import pg from 'pg';
import PgBoss from 'pg-boss';
import type { EntityManager } from 'typeorm';
import { DATABASE_URL } from '../live/listener.js';

/** Every kind of job, with what it is told. */
export interface Jobs {
  readonly thumbnail: { readonly photo: string };
  readonly tidy: Record<string, never>;
  readonly 'backups-due': Record<string, never>;
  readonly backup: { readonly workshop: string };
}
/** How long each may take, in seconds: what a killed server was at is begun anew after that. */
const EXPIRES_AFTER: Readonly<Record<keyof Jobs, number>> = {
  thumbnail: 30,
  tidy: 60,
  'backups-due': 60,
  backup: 60 * 60,
};
const KINDS = Object.keys(EXPIRES_AFTER) as readonly (keyof Jobs)[];

/** Held while the queue’s own tables are made: several servers may start at once. */
const STARTING = 727_004;

/** For what is being done a server that stops waits so long, in ms: a job that is longer is begun anew elsewhere. */
const HANGS = 10_000;

/** How often a server looks for jobs, in seconds. */
const LOOKS = 1;

/**
 * Work that nobody waits for, in a queue in the database: it is done once, by whichever server is free, and by
 * another one where that is killed over it.
 */
@Injectable()
export class Queue implements OnModuleInit, OnModuleDestroy {
  private readonly log = new Logger('Queue');
  private readonly boss: PgBoss;
  /** What is being done; a server that stops waits for it, since its queue looks after it every second until then. */
  private readonly doing = new Set<Promise<void>>();

  constructor(@Inject(DATABASE_URL) private readonly url: string) {
    this.boss = new PgBoss({
      connectionString: url,
      schema: 'queue',
      max: 3,
      application_name: 'coiled-strand queue',
      retryLimit: 3,
      retryDelay: 2,
      maintenanceIntervalSeconds: 30,
      cronMonitorIntervalSeconds: 10,
      cronWorkerIntervalSeconds: 2,
      archiveCompletedAfterSeconds: 24 * 60 * 60,
      deleteAfterDays: 7,
    });
    // The database is away: it is asked again, and what waits there waits.
    this.boss.on('error', ({ message }) => this.log.warn(message));
  }

  async onModuleInit(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url });
    await client.connect();
    try {
      await client.query('select pg_advisory_lock($1)', [STARTING]);
      await this.boss.start();
      for (const kind of KINDS) {
        await this.boss.createQueue(kind, { name: kind, expireInSeconds: EXPIRES_AFTER[kind] });
      }
    } finally {
      await client.end();
    }
  }

  async onModuleDestroy(): Promise<void> {
    await this.boss.stop({ graceful: true, timeout: 5_000, close: true });
    let limit: NodeJS.Timeout | undefined;
    const hangs = new Promise<void>((done) => (limit = setTimeout(done, HANGS)));
    await Promise.race([Promise.allSettled([...this.doing]), hangs]);
    clearTimeout(limit);
  }

  /** What does the jobs of a kind; a job that fails is tried three times more. */
  async work<K extends keyof Jobs>(kind: K, job: (told: Jobs[K]) => Promise<void>): Promise<void> {
    await this.boss.work<Jobs[K]>(kind, { pollingIntervalSeconds: LOOKS }, async (jobs) => {
      const all = (async () => {
        for (const { data } of jobs) await job(data);
      })();
      this.doing.add(all);
      try {
        await all;
      } finally {
        this.doing.delete(all);
      }
    });
  }

  /** Puts a job into the queue, in the transaction of whatever asks for it. */
  async send<K extends keyof Jobs>(manager: EntityManager, kind: K, told: Jobs[K]): Promise<void> {
    const executeSql = async (text: string, values: unknown[]) => ({
      rows: await manager.query<object[]>(text, values),
    });
    await this.boss.send(kind, told, { db: { executeSql } });
  }

  /**
   * What is done again and again; where no server does it for an hour, that time is let go.
   *
   * @param cron minute, hour, day, month, weekday; in UTC
   */
  async every(cron: string, kind: keyof Jobs): Promise<void> {
    await this.boss.schedule(kind, cron, {}, { retentionMinutes: 60 });
  }
}
