import { INSTRUMENTS, type HandleDto, type InstrumentView } from '@coiled-strand/contract';
import { HttpStatus, Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import { fork, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import {
  endWith,
  from,
  ignoreElements,
  interval,
  map,
  merge,
  Subject,
  takeUntil,
  type Observable,
} from 'rxjs';
import type { Config, Instrument } from '../config/config.js';
import { AppError, notFound } from '../errors/app-error.js';
import { LineDevice } from './line-device.js';

export const WHERE = Symbol('where the instruments are');

/** Something is said at least so often, in ms, so that nobody in between takes the line for dead. */
const ALIVE = 20_000;

/** Built beside the rest, wherever this file is run from. */
const SIMULATOR = fileURLToPath(new URL('../../dist/instruments/simulator.js', import.meta.url));

/** Caliper and scale as they are heard; the stand-ins are programs beside the server, and end with it. */
@Injectable()
export class InstrumentsService implements OnModuleDestroy {
  private readonly now = new Map<Instrument, InstrumentView>();
  private readonly said = new Subject<InstrumentView>();
  private readonly devices: LineDevice[] = [];
  private readonly children = new Map<Instrument, ChildProcess>();

  constructor(@Inject(WHERE) where: Config['instruments']) {
    for (const instrument of INSTRUMENTS) {
      if (where === 'simulated') this.simulate(instrument);
      else if (where !== 'none' && where[instrument]) {
        const [host, port] = where[instrument].split(':');
        this.listen(instrument, host!, Number(port), false);
      }
    }
  }

  onModuleDestroy(): void {
    this.devices.forEach((device) => device.close());
    this.children.forEach((child) => child.disconnect());
    this.said.complete();
  }

  /** What each says now, and then everything that changes; null now and then, to say that it still listens. */
  readings(): Observable<InstrumentView | null> {
    const over = this.said.pipe(ignoreElements(), endWith(true));
    const alive = interval(ALIVE).pipe(
      map(() => null),
      takeUntil(over),
    );
    return merge(from([...this.now.values()]), this.said, alive);
  }

  list(): InstrumentView[] {
    return [...this.now.values()];
  }

  /** Turns the wheel of a stand-in, puts something on its pan, pulls its plug. */
  handle(name: string, hands: HandleDto): InstrumentView {
    const instrument = INSTRUMENTS.find((one) => one === name);
    const view = instrument && this.now.get(instrument);
    if (!view) throw notFound('instrument');
    const child = this.children.get(instrument);
    if (!child) throw notSimulated();
    child.send({ ...hands });
    return view;
  }

  private simulate(instrument: Instrument): void {
    this.now.set(instrument, { instrument, here: false, reading: null, simulated: true });
    const child = fork(SIMULATOR, [instrument], { stdio: 'ignore' });
    this.children.set(instrument, child);
    child.once('message', ({ port }: { port: number }) =>
      this.listen(instrument, '127.0.0.1', port, true),
    );
    // Without it nothing is measured, and all else goes on.
    child.on('error', () => undefined);
    child.on('exit', () => this.children.delete(instrument));
  }

  private listen(instrument: Instrument, host: string, port: number, simulated: boolean): void {
    const change = (view: Partial<InstrumentView>): void => {
      const before = this.now.get(instrument);
      const next = { instrument, here: false, reading: null, simulated, ...before, ...view };
      this.now.set(instrument, next);
      if (JSON.stringify(next) !== JSON.stringify(before)) this.said.next(next);
    };
    change({});
    this.devices.push(
      new LineDevice(
        host,
        port,
        (reading) => change({ reading }),
        (here) => change(here ? { here } : { here, reading: null }),
      ),
    );
  }
}

const notSimulated = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'instrument.real',
    'This is a real instrument, or its stand-in has ended.',
    'Use it with your hands. To play with stand-ins, start the program without CALIPER and SCALE.',
  );
