import { addDays, dayText, instantOf, wallTime, weekdayOf, type Day } from './zone.js';

/** From one time of a day to another, in minutes since midnight by the clock. */
export interface Hours {
  readonly from: number;
  readonly to: number;
}

/** When a maker is at the bench. */
export interface BenchWeek {
  /** Time zone of the workshop, as `Europe/Oslo`. */
  readonly zone: string;
  /** From Monday to Sunday. */
  readonly days: readonly (readonly Hours[])[];
  /** Days on which nothing is done: '2026-12-24'. */
  readonly off: readonly string[];
  /** Minutes after which hands need a rest. */
  readonly longest: number;
}

/** A while at the bench, in ms since 1970. */
export interface Sitting {
  readonly start: number;
  readonly end: number;
}

/** A rest between two sittings. Common practice, no source. */
export const REST_MINUTES = 15;
const MINUTE = 60_000;

/**
 * The sittings of some days, the first of them cut off at now.
 *
 * @param from ms since 1970; what is before it is past
 * @param days how many, from the day of `from` on
 */
export function sittingsOf(week: BenchWeek, from: number, days: number): Sitting[] {
  const today: Day = wallTime(from, week.zone);
  const off = new Set(week.off);
  const sittings: Sitting[] = [];
  for (let n = 0; n < days; n++) {
    const day = addDays(today, n);
    if (off.has(dayText(day))) continue;
    for (const hours of week.days[weekdayOf(day)] ?? []) {
      // By the clock: on a day on which it changes, an hour more or less lies between.
      const end = instantOf(day, hours.to, week.zone);
      let start = Math.max(from, instantOf(day, hours.from, week.zone));
      while (start < end) {
        const stop = Math.min(end, start + week.longest * MINUTE);
        sittings.push({ start, end: stop });
        start = stop + REST_MINUTES * MINUTE;
      }
    }
  }
  return sittings.sort((a, b) => a.start - b.start);
}

/** Minutes of work that the sittings hold. */
export const minutesIn = (sittings: readonly Sitting[]): number =>
  sittings.reduce((sum, { start, end }) => sum + (end - start) / MINUTE, 0);
