import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { DataSource, LessThan } from 'typeorm';
import { DEVICE_LASTS, LASTS } from '../identity/cookie.js';
import { Queue } from '../queue/queue.service.js';
import { LinkRow, SessionRow } from '../rows/people.entities.js';

/** When it is tidied up: once a night. */
const NIGHTLY = '40 2 * * *';

/** So long a request may come once more and is answered as before, in ms. */
const ANSWERED_FOR = 24 * 3_600_000;

/**
 * Takes away what opens nothing any more: sessions that nobody used for too long, and links that are too old; and
 * answers that nobody waits for.
 */
@Injectable()
export class Tidy implements OnApplicationBootstrap {
  constructor(
    private readonly queue: Queue,
    private readonly dataSource: DataSource,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.queue.work('tidy', () => this.tidy(new Date()));
    await this.queue.every(NIGHTLY, 'tidy');
  }

  async tidy(now: Date): Promise<void> {
    const { manager } = this.dataSource;
    await manager.delete(SessionRow, { seenAt: LessThan(new Date(now.getTime() - LASTS)) });
    await manager.query('delete from device where seen_at < $1', [
      new Date(now.getTime() - DEVICE_LASTS),
    ]);
    await manager.delete(LinkRow, { until: LessThan(now) });
    await manager.query('delete from request where created_at < $1', [
      new Date(now.getTime() - ANSWERED_FOR),
    ]);
  }
}
