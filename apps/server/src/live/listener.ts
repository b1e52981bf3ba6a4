import {
  Inject,
  Injectable,
  Logger,
  type OnModuleDestroy,
  type OnModuleInit,
} from '@nestjs/common';
import pg from 'pg';
import {
  BehaviorSubject,
  endWith,
  filter,
  ignoreElements,
  map,
  Subject,
  type Observable,
} from 'rxjs';

export const DATABASE_URL = Symbol('address of the database');

/** What is said between servers, and by the database of its changes. */
export const CHANNELS = [
  'coiled_strand',
  'coiled_strand_instrument',
  'coiled_strand_hands',
] as const;
export type Channel = (typeof CHANNELS)[number];

/** Held by the one server that has the instruments on its line. */
const LEADING = 727_003;

/** In ms: how often it is asked whether the line still stands and who leads; how long it may take to answer. */
const BEAT = 1_000;
const PATIENCE = 5_000;
/** Tries to come back, in ms. */
const SOON = 100;
const AT_MOST = 2_000;

/**
 * One connection that listens to what other servers and the database say. When it breaks it comes back by itself,
 * and says that something may have been missed meanwhile.
 *
 * Who leads is a lock that this connection holds: a server that is killed loses it with its connection.
 */
@Injectable()
export class Listener implements OnModuleInit, OnModuleDestroy {
  private readonly log = new Logger('Listener');
  private readonly heard = new Subject<{ readonly channel: string; readonly payload: string }>();
  private readonly missed = new Subject<void>();
  private readonly leads = new BehaviorSubject(false);
  private client: pg.Client | null = null;
  private timer: NodeJS.Timeout | null = null;
  private ended = false;
  private wait = SOON;

  constructor(@Inject(DATABASE_URL) private readonly url: string) {}

  /** Whether it hears what is said, now. */
  get listens(): boolean {
    return this.client !== null;
  }

  /** That this server ends: whoever listens is let go. */
  get over(): Observable<boolean> {
    return this.leads.pipe(ignoreElements(), endWith(true));
  }

  /** After a gap in which something may have been said. */
  get gaps(): Observable<void> {
    return this.missed;
  }

  /** Whether this server is the one that leads; tells at once, and whenever that changes. */
  get leading(): Observable<boolean> {
    return this.leads;
  }

  on<T>(channel: Channel): Observable<T> {
    return this.heard.pipe(
      filter((one) => one.channel === channel),
      map(({ payload }) => JSON.parse(payload) as T),
    );
  }

  async onModuleInit(): Promise<void> {
    await this.open();
  }

  async onModuleDestroy(): Promise<void> {
    this.ended = true;
    if (this.timer) clearTimeout(this.timer);
    this.leads.next(false);
    this.leads.complete();
    this.heard.complete();
    this.missed.complete();
    await this.client?.end().catch(() => undefined);
  }

  private async open(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.url,
      application_name: 'coiled-strand listens',
      keepAlive: true,
      connectionTimeoutMillis: PATIENCE,
      query_timeout: PATIENCE,
    });
    client.on('notification', ({ channel, payload = '' }) => this.heard.next({ channel, payload }));
    client.on('error', () => undefined);
    client.on('end', () => this.lost(client));
    try {
      await client.connect();
      for (const channel of CHANNELS) await client.query(`listen ${channel}`);
    } catch (error) {
      void client.end().catch(() => undefined);
      throw error;
    }
    this.client = client;
    this.wait = SOON;
    await this.beat(client);
  }

  /** Asks again and again whether the line stands, and for the lead. */
  private async beat(client: pg.Client): Promise<void> {
    if (this.client !== client || this.ended) return;
    try {
      if (this.leads.value) await client.query('select 1');
      else {
        const { rows } = await client.query<{ mine: boolean }>(
          'select pg_try_advisory_lock($1) as mine',
          [LEADING],
        );
        if (rows[0]?.mine) this.leads.next(true);
      }
      this.timer = setTimeout(() => void this.beat(client), BEAT);
    } catch {
      // It does not answer: as good as broken.
      this.lost(client);
      void client.end().catch(() => undefined);
    }
  }

  private lost(client: pg.Client): void {
    if (this.client !== client) return;
    this.client = null;
    if (this.ended) return;
    this.log.warn('The line to the database broke; it is taken up again as soon as that answers');
    if (this.leads.value) this.leads.next(false);
    this.again();
  }

  private again(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.open().then(
        () => this.missed.next(),
        () => {
          this.wait = Math.min(AT_MOST, this.wait * 2);
          if (!this.ended) this.again();
        },
      );
    }, this.wait);
  }
}
