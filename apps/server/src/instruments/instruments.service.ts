import { INSTRUMENTS, type HandleDto, type InstrumentView } from '@coiled-strand/contract';
import {
  HttpStatus,
  Inject,
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnModuleDestroy,
} from '@nestjs/common';
import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { concatMap, defer, merge, mergeAll, Subject, takeUntil, type Observable } from 'rxjs';
import { DataSource } from 'typeorm';
import type { Config, Instrument } from '../config/config.js';
import { AppError, notFound } from '../errors/app-error.js';
import { Listener, type Channel } from '../live/listener.js';
import { LineDevice } from './line-device.js';

export const WHERE = Symbol('where the instruments are');

/** Built beside the rest, wherever this file is run from. */
const SIMULATOR = fileURLToPath(new URL('../../dist/instruments/simulator.js', import.meta.url));

/** What could not be told is told again after so long, in ms. */
const AGAIN = 1000;

interface Hands {
  readonly instrument: Instrument;
  readonly hands: HandleDto;
}

/** Whether both say the same. */
const alike = (a: InstrumentView | undefined, b: InstrumentView): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/**
 * Caliper and scale as they are heard. Of several servers one has them on its line, and tells the others; where it
 * ends another takes them over. The stand-ins are programs beside that server, and end with it.
 */
@Injectable()
export class InstrumentsService implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly log = new Logger('Instruments');
  /** What the devices on the line of this server say; empty where another has them. */
  private readonly now = new Map<Instrument, InstrumentView>();
  private devices: LineDevice[] = [];
  private readonly children = new Map<Instrument, ChildProcess>();
  private readonly over = new Subject<void>();
  /** Views are written down one after the other, so that the last one said is the last one kept. */
  private writing: Promise<unknown> = Promise.resolve();

  constructor(
    @Inject(WHERE) private readonly where: Config['instruments'],
    private readonly listener: Listener,
    private readonly dataSource: DataSource,
  ) {}

  onApplicationBootstrap(): void {
    if (this.where === 'none') return;
    this.listener.leading
      .pipe(takeUntil(this.over))
      .subscribe((leads) => (leads ? this.begin() : this.end()));
    this.listener
      .on<Hands>('coiled_strand_hands')
      .pipe(takeUntil(this.over))
      .subscribe(({ instrument, hands }) => this.children.get(instrument)?.send({ ...hands }));
  }

  async onModuleDestroy(): Promise<void> {
    this.over.next();
    this.over.complete();
    this.end();
    await this.writing;
  }

  /** What each says now, and then everything that changes. */
  readings(): Observable<InstrumentView> {
    const now = defer(() => this.list()).pipe(mergeAll());
    const afterGaps = this.listener.gaps.pipe(concatMap(() => now));
    const said = this.listener.on<InstrumentView>('coiled_strand_instrument');
    return merge(now, said, afterGaps).pipe(takeUntil(this.over));
  }

  async list(): Promise<InstrumentView[]> {
    if (this.where === 'none') return [];
    const rows = await this.dataSource.query<{ view: InstrumentView }[]>(
      'select view from instrument order by name',
    );
    return rows.map(({ view }) => view);
  }

  /** Turns the wheel of a stand-in, puts something on its pan, pulls its plug. */
  async handle(name: string, hands: HandleDto): Promise<InstrumentView> {
    const view = (await this.list()).find(({ instrument }) => instrument === name);
    if (!view) throw notFound('instrument');
    if (!view.simulated) throw notSimulated();
    await this.tell('coiled_strand_hands', { instrument: view.instrument, hands });
    return view;
  }

  private tell(channel: Channel, what: object): Promise<unknown> {
    return this.dataSource.query('select pg_notify($1, $2)', [channel, JSON.stringify(what)]);
  }

  /** Takes the instruments on the line of this server. */
  private begin(): void {
    if (this.where === 'none') return;
    const named = this.where === 'simulated' ? null : this.where;
    const here = INSTRUMENTS.filter((instrument) => !named || named[instrument]);
    this.write(() =>
      this.dataSource.query('delete from instrument where not name = any($1)', [here]),
    );
    for (const instrument of here) {
      const at = named?.[instrument];
      if (at === undefined) {
        this.simulate(instrument);
        continue;
      }
      const [host, port] = at.split(':');
      this.listen(instrument, host!, Number(port), false);
    }
  }

  private end(): void {
    this.devices.forEach((device) => device.close());
    this.devices = [];
    this.children.forEach((child) => child.connected && child.disconnect());
    this.children.clear();
    this.now.clear();
  }

  private simulate(instrument: Instrument): void {
    this.say({ instrument, here: false, reading: null, simulated: true });
    const child = fork(SIMULATOR, [instrument], { stdio: 'ignore' });
    this.children.set(instrument, child);
    child.once('message', ({ port }: { port: number }) => {
      if (this.children.get(instrument) === child) this.listen(instrument, '127.0.0.1', port, true);
    });
    // Without it nothing is measured, and all else goes on.
    child.on('error', () => undefined);
  }

  private listen(instrument: Instrument, host: string, port: number, simulated: boolean): void {
    let device: LineDevice | null = null;
    const change = (view: Partial<InstrumentView>): void => {
      // One that was given up still says that it is gone.
      if (device && !this.devices.includes(device)) return;
      this.say({
        ...{ instrument, here: false, reading: null, simulated },
        ...this.now.get(instrument),
        ...view,
      });
    };
    change({});
    device = new LineDevice(
      host,
      port,
      (reading) => change({ reading }),
      (here) => change(here ? { here } : { here, reading: null }),
    );
    this.devices.push(device);
  }

  /** Tells every server, and whoever asks later. */
  private say(view: InstrumentView): void {
    if (alike(this.now.get(view.instrument), view)) return;
    this.now.set(view.instrument, view);
    this.writeDown(view);
  }

  /** One that rests says the same for hours: what could not be written is tried until it is, or is not so any more. */
  private writeDown(view: InstrumentView): void {
    const again = (): void => void setTimeout(() => this.writeDown(view), AGAIN).unref();
    this.write(async () => {
      if (this.now.get(view.instrument) !== view) return;
      await this.dataSource.query(
        `insert into instrument (name, view) values ($1, $2)
         on conflict (name) do update set view = excluded.view`,
        [view.instrument, JSON.stringify(view)],
      );
      await this.tell('coiled_strand_instrument', view);
    }, again);
  }

  private write(what: () => Promise<unknown>, failed?: () => void): void {
    this.writing = this.writing.then(what).catch((error: Error) => {
      this.log.warn(`A reading was not told: ${error.message}`);
      failed?.();
    });
  }
}

const notSimulated = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'instrument.real',
    'This is a real instrument, or its stand-in has ended.',
    'Use it with your hands. To play with stand-ins, start the program without CALIPER and SCALE.',
  );
