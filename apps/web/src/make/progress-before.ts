import type { StepPlace } from '@coiled-strand/core';
import type { Told } from './progress-kept';

const KEY = 'coiled-strand.progress';

interface Before {
  readonly version: number;
  readonly state: {
    readonly done?: Readonly<Record<string, number>>;
    readonly local?: Readonly<
      Record<
        string,
        { done?: number; at?: StepPlace | number | null; count?: number; timers?: Told['timers'] }
      >
    >;
    readonly unsent?: Readonly<Record<string, true>>;
    readonly seconds?: Readonly<Record<string, Told['seconds']>>;
    readonly device?: string;
  };
}

/** What older versions kept is kept otherwise now. */
export const dropBefore = (): void => localStorage.removeItem(KEY);

/** Progress as older versions kept it for all makes together: first numbers of actions, then places. */
export function fromBefore(): Told[] {
  const text = localStorage.getItem(KEY);
  if (text === null) return [];
  let before: Before;
  try {
    before = JSON.parse(text) as Before;
  } catch {
    return [];
  }
  const { done = {}, local = {}, seconds = {}, device = 'before' } = before.state;
  const told = (makeId: string, more: Partial<Told>): Told => ({
    ...{ makeId, device, order: 1, said: 1, at: null, from: null, timers: {} },
    seconds: seconds[makeId] ?? { prepare: 0, tie: 0, finish: 0 },
    ...more,
  });
  return [
    ...Object.entries(done).map(([makeId, count]) => told(makeId, { count })),
    ...Object.entries(local).map(([makeId, { done: number, at, count, timers = {} }]) => {
      const counted = number ?? count;
      return typeof at === 'object' && at !== null
        ? told(makeId, { at, timers })
        : told(makeId, { timers, ...(counted === undefined ? {} : { count: counted }) });
    }),
  ];
}
