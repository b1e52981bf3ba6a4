import type { MakeView, StageSecondsDto } from '@coiled-strand/contract';
import type { HalfWay, Step, StepPlace } from '@coiled-strand/core';
import { nanoid } from 'nanoid';
import { create } from 'zustand';
import { dropBefore, fromBefore } from './progress-before';
import {
  deleteReport,
  storeReport,
  replaceReports,
  takeUpNotes,
  storedReports,
  type ProgressReport,
} from './report-store';

/** How far a make is, as this browser knows it before the server does. */
export interface Local {
  /** null where only the number of actions is known, or where nothing was said of the place. */
  readonly at: StepPlace | null;
  readonly count?: number;
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
  /** What the server does not have yet, by make, in the order in which it was done: of every window here. */
  readonly reports: Readonly<Record<string, readonly ProgressReport[]>>;
  /** Makes that went on in another place meanwhile, as they stand there: their maker is asked. */
  readonly elsewhere: Readonly<Record<string, MakeView>>;
  /** How many changes this window made to each make, and all time that it counted. */
  readonly own: Readonly<Record<string, { readonly said: number; readonly seconds: Seconds }>>;
  /** Whether it is known what earlier windows left here. */
  readonly ready: boolean;
  /** False where this browser has no room to keep what is not sent yet. */
  readonly keeping: boolean;
  /** This window among those that makes are followed on. */
  readonly device: string;
  /** @param stage what the time since the last action went into */
  readonly set: (make: Stands, at: StepPlace, stage?: Step['stage']) => void;
  /** null takes back what was measured. */
  readonly setMeasured: (make: Stands, measured: HalfWay | null) => void;
  readonly setTimer: (make: Stands, step: string, startedAt: string | null) => void;
  /** Settles where a make goes on from that went on elsewhere too. */
  readonly goOn: (makeId: string, from: 'here' | 'there') => void;
  readonly confirmed: (told: ProgressReport) => void;
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

/** What was measured last in a list of changes. */
function measuredIn(told: readonly ProgressReport[]): Pick<Local, 'measured'> {
  const { measured } = told.findLast((one) => one.measured !== undefined) ?? {};
  return measured === undefined ? {} : { measured };
}

/** What a list of changes comes to. */
export function localOf(told: readonly ProgressReport[] = []): Local | undefined {
  if (told.length === 0) return undefined;
  const placed = told.findLast(({ at, count }) => at !== null || count !== undefined);
  return {
    at: placed?.at ?? null,
    ...(placed?.count === undefined ? {} : { count: placed.count }),
    timers: Object.assign({}, ...told.map(({ timers }) => timers)) as Local['timers'],
    ...measuredIn(told),
  };
}

/** Tells the other windows of this browser that something was kept or let go of. */
const windows = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('progress');
let writing = 0;
/** Runs after each change, to have it sent. */
let onChange: (makeId: string, soon: boolean) => void = () => undefined;
export const whenChanged = (listener: typeof onChange): void => {
  onChange = listener;
};

/** Keeps or lets go of something; where that fails it is known in this window alone, which says so. */
async function keep(makeId: string, how: () => Promise<void>): Promise<void> {
  writing += 1;
  try {
    await how();
    useProgress.setState({ keeping: true });
    windows?.postMessage({ makeId });
  } catch {
    useProgress.setState({ keeping: false });
  } finally {
    writing -= 1;
  }
}

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
    const { device, reports, own } = get();
    const before = reports[makeId] ?? [];
    const numbered = what.at ? before.filter(({ count }) => count !== undefined) : [];
    const list = before.filter((one) => !numbered.includes(one));
    const last = list.at(-1);
    const fresh: ProgressReport = {
      ...{ makeId, device, order: (before.at(-1)?.order ?? 0) + 1 },
      ...{ said: 0, at: null, from: null, timers: {}, seconds: NO_TIME },
    };
    const base = last?.device === device ? last : fresh;
    const mine = own[makeId] ?? { said: 0, seconds: NO_TIME };
    const seconds = what.seconds ?? mine.seconds;
    const said = mine.said + 1;
    // Of an old number nobody knows the place that it was counted from.
    const stood = numbered.length > 0 ? null : (localOf(list)?.at ?? stored);
    const next: ProgressReport = {
      ...base,
      said,
      seconds,
      at: what.at ?? base.at,
      from: what.at && base.at === null ? stood : base.from,
      timers: { ...base.timers, ...what.timers },
      ...(what.measured === undefined ? {} : { measured: what.measured }),
    };
    set({
      reports: { ...reports, [makeId]: [...list.filter((one) => one !== base), next] },
      own: { ...own, [makeId]: { said, seconds } },
    });
    for (const old of numbered) void keep(makeId, () => deleteReport(old));
    void keep(makeId, () => storeReport(next));
    onChange(makeId, true);
  };
  const put = (makeId: string, list: readonly ProgressReport[]): void =>
    set(({ reports }) => ({
      reports: list.length > 0 ? { ...reports, [makeId]: list } : without(reports, makeId),
    }));
  return {
    reports: {},
    elsewhere: {},
    own: {},
    ready: false,
    keeping: true,
    device: nanoid(),
    set: (make, at, stage) => {
      const spent = timeSince(make.id);
      const old = get().own[make.id]?.seconds ?? NO_TIME;
      change(make, { at, ...(stage ? { seconds: { ...old, [stage]: old[stage] + spent } } : {}) });
    },
    setMeasured: (make, measured) => change(make, { measured }),
    setTimer: (make, step, startedAt) => change(make, { timers: { [step]: startedAt } }),
    goOn: (makeId, from) => {
      const { device, reports, own, elsewhere } = get();
      const there = elsewhere[makeId];
      if (!there) return;
      const list = reports[makeId] ?? [];
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
      put(makeId, [...others, settled]);
      set({
        elsewhere: without(elsewhere, makeId),
        own: { ...own, [makeId]: { ...mine, said: settled.said } },
      });
      void keep(makeId, () => replaceReports(makeId, [...others, settled]));
      onChange(makeId, true);
    },
    confirmed: (sent) => {
      const { makeId, device, order, said } = sent;
      const list = get().reports[makeId] ?? [];
      const kept = list.find((one) => one.device === device && one.order === order);
      // What was done while it was on its way stays to be sent, from where the server stands now.
      const more = kept && kept.said > said ? { ...kept, from: sent.at ?? kept.from } : null;
      put(
        makeId,
        list.flatMap((one) => (one === kept ? (more ? [more] : []) : [one])),
      );
      void keep(makeId, () => (more ? storeReport(more) : deleteReport(sent)));
    },
    wentOn: (make) => set(({ elsewhere }) => ({ elsewhere: { ...elsewhere, [make.id]: make } })),
    forget: (makeId) => {
      set(({ reports, own, elsewhere }) => ({
        reports: without(reports, makeId),
        own: without(own, makeId),
        elsewhere: without(elsewhere, makeId),
      }));
      void keep(makeId, () => replaceReports(makeId, []));
    },
  };
});

/** Takes up what other windows kept of a make: theirs as it lies there, and one's own unless it is on its way there. */
async function reread(makeId: string): Promise<void> {
  const kept = await storedReports(makeId).catch(() => null);
  if (!kept) return;
  useProgress.setState(({ reports, elsewhere, device, keeping }) => {
    const own = (one: ProgressReport): boolean => one.device === device;
    const mine = writing > 0 || !keeping ? (reports[makeId] ?? []).filter(own) : kept.filter(own);
    const list = [...kept.filter((one) => !own(one)), ...mine].sort((a, b) => a.order - b.order);
    return {
      reports: list.length > 0 ? { ...reports, [makeId]: list } : without(reports, makeId),
      elsewhere: list.some(({ at }) => at !== null) ? elsewhere : without(elsewhere, makeId),
    };
  });
  onChange(makeId, false);
}

/** Finds what earlier windows could not send, and follows what others do from now on. */
export async function findKept(): Promise<void> {
  const before = fromBefore();
  try {
    for (const old of before) await storeReport(old);
    dropBefore();
    await takeUpNotes();
    const kept = await storedReports();
    for (const makeId of new Set(kept.map((one) => one.makeId))) await reread(makeId);
  } catch {
    // Without such a store what the old one holds is known at least, and stays in it.
    const ids = [...new Set(before.map(({ makeId }) => makeId))];
    const told = Object.fromEntries(
      ids.map((id) => [id, before.filter(({ makeId }) => makeId === id)]),
    );
    useProgress.setState((state) => ({ reports: { ...told, ...state.reports }, keeping: false }));
  }
  useProgress.setState({ ready: true });
}

windows?.addEventListener('message', (event: MessageEvent<{ makeId: string }>) => {
  void reread(event.data.makeId);
});
