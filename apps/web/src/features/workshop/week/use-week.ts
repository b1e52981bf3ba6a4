import { benchWeekOf, type JobsView, type JobView, type WeekDto } from '@coiled-strand/contract';
import { random } from '@coiled-strand/core';
import {
  dayFrom,
  instantOf,
  planWeek,
  sittingsOf,
  type Job,
  type Sitting,
  type WeekPlan,
} from '@coiled-strand/workshop';
import { proxy } from 'comlink';
import { useEffect, useMemo, useState } from 'react';
import { serverNow } from '../../../data/api/clock';
import { useWorkshop } from '../../../data/api/queries';
import { useJobs } from '../../../data/api/week-queries';
import { ownWorker } from './in-worker';

/** So many days are planned. */
export const DAYS = 56;
/** What is promised for a day is promised for its end. */
const END_OF_DAY = 24 * 60;
/** Moves that are tried beside the page. */
const TRIES = 1200;
const MINUTE = 60_000;

/** When something that is promised for a day has to be ready, in ms since 1970. */
export function dueAt(due: string | null, zone: string): number | null {
  const day = due === null ? null : dayFrom(due);
  return day && instantOf(day, END_OF_DAY, zone);
}

export const asJob = (
  { id, due, release, tasks }: Pick<JobView, 'id' | 'due' | 'release' | 'tasks'>,
  zone: string,
): Job => ({
  id,
  tasks: tasks.map((task) => ({ ...task, job: id })),
  due: dueAt(due, zone),
  release: release === null ? 0 : Date.parse(release),
});

/** What there is to do, laid out over the sittings of the coming weeks. */
export interface Week {
  readonly week: WeekDto;
  /** Of the week as it was told. */
  readonly etag: string;
  readonly view: JobsView;
  /** By id. */
  readonly byId: ReadonlyMap<string, JobView>;
  readonly jobs: readonly Job[];
  readonly sittings: readonly Sitting[];
  readonly pins: ReadonlyMap<string, number>;
  readonly plan: WeekPlan;
  /** When it was planned, in ms since 1970. */
  readonly now: number;
  /** Whether a better plan is still looked for. */
  readonly busy: boolean;
}

/** Now, to the minute: a plan is not made anew at every tick. */
const thisMinute = (): number => Math.floor(serverNow() / MINUTE) * MINUTE;
/** Plans are drawn on from the present, in ms. */
const REFRESH = 5 * MINUTE;

/** The last best plan, by what it is a plan of: going from page to page does not look for it again. */
let cached: { readonly of: unknown; readonly plan: WeekPlan } | null = null;

/**
 * The week as it is planned: at once with the earliest date first, then better as it is found beside the page.
 *
 * @returns null while it comes
 */
export function useWeek(): Week | null {
  const { data: workshop } = useWorkshop();
  const { data: view } = useJobs();
  const [now, setNow] = useState(thisMinute);
  useEffect(() => {
    const timer = setInterval(() => setNow(thisMinute()), REFRESH);
    return () => clearInterval(timer);
  }, []);
  const week = workshop?.week;
  const etag = workshop?.etags.week;
  const ground = useMemo(() => {
    if (!week || etag === undefined || !view) return null;
    const pins = new Map(week.pins.map(({ task, at }) => [task, Date.parse(at)]));
    const jobs = view.jobs.map((job) => asJob(job, week.zone));
    const sittings = sittingsOf(benchWeekOf(week), now, DAYS);
    const [first] = planWeek(jobs, sittings, { pins, tries: 0, uniform: random(1).uniform });
    return {
      week,
      etag,
      view,
      jobs,
      sittings,
      pins,
      first: first!,
      byId: new Map(view.jobs.map((job) => [job.id, job])),
    };
  }, [week, etag, view, now]);
  const [better, setBetter] = useState(cached);
  const [done, setDone] = useState<unknown>(cached?.of ?? null);
  useEffect(() => {
    if (!ground || cached?.of === ground) return;
    const { remote, end } = ownWorker();
    let over = false;
    const take = (plan: WeekPlan): void => {
      if (over) return;
      cached = { of: ground, plan };
      setBetter(cached);
    };
    void remote
      .week(ground.jobs, ground.sittings, ground.pins, TRIES, proxy(take))
      // Without a better one the first stands.
      .catch(() => undefined)
      .finally(() => {
        if (!over) setDone(ground);
        end();
      });
    return () => {
      over = true;
      end();
    };
  }, [ground]);
  return useMemo(
    () =>
      ground && {
        ...ground,
        plan: better?.of === ground ? better.plan : ground.first,
        now,
        busy: done !== ground,
      },
    [ground, better, done, now],
  );
}
