import type { MakeView, StageSecondsDto } from '@coiled-strand/contract';
import type { HalfWay, Step, StepPlace } from '@coiled-strand/core';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { create } from 'zustand';
import type { Entry } from '../../../data/outbox/outbox-database';
import {
  drop,
  entriesOf,
  keep,
  replace,
  useOutbox,
  whenOthersKeep,
} from '../../../data/outbox/outbox';

/** What one window did at a make, as long as the server does not have it. */
export interface ProgressReport {
  readonly makeId: string;
  /** The window, among all that a make is followed on. */
  readonly device: string;
  /** Its place among what is kept of this make in this browser, from 1. */
  readonly order: number;
  /** How many changes this window has made to this make: the server takes none twice. */
  readonly said: number;
  /** Where the make stands; null where only time or timers are reported. */
  readonly at: StepPlace | null;
  /** Where it stood before, as far as this window knew. */
  readonly from: StepPlace | null;
  /** Waits begun or stopped here, by step. */
  readonly timers: Readonly<Record<string, string | null>>;
  /** What was measured half way here, null where that was taken back; left out where nothing was. */
  readonly measured?: HalfWay | null;
  /** All time that this window has counted. */
  readonly seconds: Readonly<StageSecondsDto>;
}

/** How far a make is, as this browser knows it before the server does. */
export interface Local {
  /** null where nothing was said of the place. */
  readonly at: StepPlace | null;
  /** Waits begun or stopped here, by step. */
  readonly timers: Readonly<Record<string, string | null>>;
  /** Measured half way here; null where that was taken back. */
  readonly measured?: HalfWay | null;
}

type Seconds = Readonly<StageSecondsDto>;
const NO_TIME: Seconds = { prepare: 0, tie: 0, finish: 0 };
/** A make, as far as it matters where it stands for the server. */
type Stands = Pick<MakeView, 'id' | 'at'>;

interface Progress {
  /** Makes that went on in another place meanwhile, as they stand there: their maker is asked. */
  readonly elsewhere: Readonly<Record<string, MakeView>>;
  /** How many changes this window made to each make, and all time that it counted. */
  readonly own: Readonly<Record<string, { readonly said: number; readonly seconds: Seconds }>>;
  /** This window among those that makes are followed on. */
  readonly device: string;
  /** @param stage what the time since the last action went into */
  readonly set: (make: Stands, at: StepPlace, stage?: Step['stage']) => void;
  /** null takes back what was measured. */
  readonly setMeasured: (make: Stands, measured: HalfWay | null) => void;
  readonly setTimer: (make: Stands, step: string, startedAt: string | null) => void;
  /** Settles where a make goes on from that went on elsewhere too. */
  readonly goOn: (makeId: string, from: 'here' | 'there') => void;
  readonly confirmed: (sent: ProgressReport) => void;
  readonly wentOn: (make: MakeView) => void;
  readonly forget: (makeId: string) => void;
}

const without = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));

/** A longer pause between two actions is no time at the bench. Assumed. */
const MAX_ACTION = 180;
/** When the last action was, by make; a window that was closed begins anew. */
const lastAction = new Map<string, number>();

function timeSince(makeId: string): number {
  const now = Date.now();
  const before = lastAction.get(makeId);
  lastAction.set(makeId, now);
  if (before === undefined) return 0;
  const seconds = (now - before) / 1000;
  return seconds > 0 && seconds <= MAX_ACTION ? seconds : 0;
}

const inOrder = (entries: readonly Entry<ProgressReport>[]): ProgressReport[] =>
  entries.map(({ value }) => value).sort((a, b) => a.order - b.order);

/** What the server does not have yet of a make, in the order in which it was done: of every window here. */
export const reportsOf = (makeId: string): ProgressReport[] =>
  inOrder(entriesOf('progress', makeId));

/** The same, followed. */
export function useReports(makeId: string): ProgressReport[] {
  const entries = useOutbox((state) => entriesOf<ProgressReport>('progress', makeId, state));
  return useMemo(() => inOrder(entries), [entries]);
}

/** What was measured last in a list of reports. */
function measuredIn(reports: readonly ProgressReport[]): Pick<Local, 'measured'> {
  const { measured } = reports.findLast((one) => one.measured !== undefined) ?? {};
  return measured === undefined ? {} : { measured };
}

/** What a list of reports comes to. */
export function localOf(reports: readonly ProgressReport[] = []): Local | undefined {
  if (reports.length === 0) return undefined;
  return {
    at: reports.findLast(({ at }) => at !== null)?.at ?? null,
    timers: Object.assign({}, ...reports.map(({ timers }) => timers)) as Local['timers'],
    ...measuredIn(reports),
  };
}

/** Each window has places of its own. */
const partOf = ({ device, order }: ProgressReport): string => `${device} ${order}`;
const keepReport = (report: ProgressReport): void =>
  void keep('progress', report.makeId, partOf(report), report);

/** Runs after each change, to have it sent. */
let onChange: (makeId: string, soon: boolean) => void = () => undefined;
export const whenChanged = (listener: typeof onChange): void => {
  onChange = listener;
};

/**
 * Progress of makes: kept in this browser at once and sent when it can be, so that neither a closed window nor a
 * stopped server loses a knot. Each window keeps what was done in it, and overwrites nothing of another.
 */
export const useProgress = create<Progress>()((set, get) => {
  /** One more change of this window, after all that is known here. */
  const change = (
    { id: makeId, at: stored }: Stands,
    what: Partial<Pick<ProgressReport, 'timers' | 'seconds' | 'measured'>> & {
      readonly at?: StepPlace;
    },
  ): void => {
    const { device, own } = get();
    const list = reportsOf(makeId);
    const last = list.at(-1);
    const fresh: ProgressReport = {
      ...{ makeId, device, order: (last?.order ?? 0) + 1 },
      ...{ said: 0, at: null, from: null, timers: {}, seconds: NO_TIME },
    };
    const base = last?.device === device ? last : fresh;
    const mine = own[makeId] ?? { said: 0, seconds: NO_TIME };
    const seconds = what.seconds ?? mine.seconds;
    const said = mine.said + 1;
    set({ own: { ...own, [makeId]: { said, seconds } } });
    keepReport({
      ...base,
      said,
      seconds,
      at: what.at ?? base.at,
      from: what.at && base.at === null ? (localOf(list)?.at ?? stored) : base.from,
      timers: { ...base.timers, ...what.timers },
      ...(what.measured === undefined ? {} : { measured: what.measured }),
    });
    onChange(makeId, true);
  };
  return {
    elsewhere: {},
    own: {},
    device: nanoid(),
    set: (make, at, stage) => {
      const spent = timeSince(make.id);
      const old = get().own[make.id]?.seconds ?? NO_TIME;
      change(make, { at, ...(stage ? { seconds: { ...old, [stage]: old[stage] + spent } } : {}) });
    },
    setMeasured: (make, measured) => change(make, { measured }),
    setTimer: (make, step, startedAt) => change(make, { timers: { [step]: startedAt } }),
    goOn: (makeId, from) => {
      const { device, own, elsewhere } = get();
      const there = elsewhere[makeId];
      if (!there) return;
      const list = reportsOf(makeId);
      const local = localOf(list);
      const mine = own[makeId] ?? { said: 0, seconds: NO_TIME };
      const here = from === 'here' && local?.at ? { at: local.at, from: there.at } : {};
      const settled: ProgressReport = {
        ...{ makeId, device, order: (list.at(-1)?.order ?? 0) + 1, said: mine.said + 1 },
        ...{ at: null, from: null, seconds: mine.seconds },
        timers: localOf(list.filter((one) => one.device === device))?.timers ?? {},
        ...measuredIn(list),
        ...here,
      };
      // What other windows counted still is told; where they stood is settled.
      const others = list
        .filter((one) => one.device !== device)
        .map((one) => ({ ...one, at: null, from: null }));
      set({
        elsewhere: without(elsewhere, makeId),
        own: { ...own, [makeId]: { ...mine, said: settled.said } },
      });
      void replace(
        'progress',
        makeId,
        [...others, settled].map((one) => [partOf(one), one] as const),
      );
      onChange(makeId, true);
    },
    confirmed: (sent) => {
      const part = partOf(sent);
      const kept = reportsOf(sent.makeId).find((one) => partOf(one) === part);
      // What was done while it was on its way stays to be sent, from where the server stands now.
      if (kept && kept.said > sent.said) keepReport({ ...kept, from: sent.at ?? kept.from });
      else void drop('progress', sent.makeId, part);
    },
    wentOn: (make) => set(({ elsewhere }) => ({ elsewhere: { ...elsewhere, [make.id]: make } })),
    forget: (makeId) => {
      set(({ own, elsewhere }) => ({
        own: without(own, makeId),
        elsewhere: without(elsewhere, makeId),
      }));
      void replace('progress', makeId, []);
    },
  };
});

// The server takes no change of a device twice: each person at this window is a device of their own.
useOutbox.subscribe(({ owner }, { owner: before }) => {
  if (owner !== before && before !== '') {
    useProgress.setState({ device: nanoid(), own: {}, elsewhere: {} });
  }
});

whenOthersKeep((kind, makeId) => {
  if (kind !== 'progress') return;
  // Settled in another window, or sent from there: there is nothing left to choose.
  if (!reportsOf(makeId).some(({ at }) => at !== null)) {
    useProgress.setState(({ elsewhere }) => ({ elsewhere: without(elsewhere, makeId) }));
  }
  onChange(makeId, false);
});
