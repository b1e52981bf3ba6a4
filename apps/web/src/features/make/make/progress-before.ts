import type { HalfWay, StepPlace } from '@coiled-strand/core';
import type { ProgressReport } from './report-store';

const KEY = 'coiled-strand.progress';
/** What was measured half way was kept by itself, and never sent. */
const MEASURES = 'coiled-strand.measures';

interface Before {
  readonly version: number;
  readonly state: {
    readonly done?: Readonly<Record<string, number>>;
    readonly local?: Readonly<
      Record<
        string,
        {
          done?: number;
          at?: StepPlace | number | null;
          count?: number;
          timers?: ProgressReport['timers'];
        }
      >
    >;
    readonly unsent?: Readonly<Record<string, true>>;
    readonly seconds?: Readonly<Record<string, ProgressReport['seconds']>>;
    readonly device?: string;
  };
}

/** What older versions kept is kept otherwise now. */
export function dropBefore(): void {
  localStorage.removeItem(KEY);
  localStorage.removeItem(MEASURES);
}

interface MeasuresBefore {
  readonly state: {
    readonly kept?: Readonly<Record<string, HalfWay>>;
    readonly taken?: Readonly<Record<string, HalfWay>>;
  };
}

/** What lies in this browser under a key; null where nothing is there, or nothing that can be read. */
function found<T>(key: string): T | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

const told = (makeId: string, more: Partial<ProgressReport>): ProgressReport => ({
  ...{ makeId, device: 'before', order: 1, said: 1, at: null, from: null, timers: {} },
  seconds: { prepare: 0, tie: 0, finish: 0 },
  ...more,
});

/** Progress as older versions kept it for all makes together: first numbers of actions, then places. */
function progressBefore(): ProgressReport[] {
  const {
    done = {},
    local = {},
    seconds = {},
    device = 'before',
  } = found<Before>(KEY)?.state ?? {};
  const of = (makeId: string): Partial<ProgressReport> => ({
    device,
    ...(seconds[makeId] ? { seconds: seconds[makeId] } : {}),
  });
  return [
    ...Object.entries(done).map(([makeId, count]) => told(makeId, { ...of(makeId), count })),
    ...Object.entries(local).map(([makeId, { done: number, at, count, timers = {} }]) => {
      const counted = number ?? count;
      return typeof at === 'object' && at !== null
        ? told(makeId, { ...of(makeId), at, timers })
        : told(makeId, {
            ...of(makeId),
            timers,
            ...(counted === undefined ? {} : { count: counted }),
          });
    }),
  ];
}

function measuresBefore(): ProgressReport[] {
  const { kept, taken } = found<MeasuresBefore>(MEASURES)?.state ?? {};
  return Object.entries(kept ?? taken ?? {}).map(([makeId, measured]) =>
    told(makeId, { device: 'before-measured', order: 2, measured }),
  );
}

/** All that older versions of this program kept here and had not sent. */
export const fromBefore = (): ProgressReport[] => [...progressBefore(), ...measuresBefore()];
