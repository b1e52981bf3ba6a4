import { tzOffset } from '@date-fns/tz';

/** A day of the calendar. */
export interface Day {
  readonly year: number;
  /** 1 to 12 */
  readonly month: number;
  /** 1 to 31 */
  readonly day: number;
}

/** A time as a clock on the wall shows it. */
export interface WallTime extends Day {
  /** Since midnight, by the clock. */
  readonly minutes: number;
}

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** How far the clocks of a zone are ahead of UTC, in ms. @throws RangeError where there is no such zone */
function offsetAt(instant: number, zone: string): number {
  const minutes = tzOffset(zone, new Date(instant));
  if (Number.isNaN(minutes)) throw new RangeError(`there is no time zone “${zone}”`);
  return minutes * MINUTE;
}

/** Whether there is a time zone of this name, as `Europe/Oslo`. */
export function isZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
    // An offset is no zone: its clocks are never changed, and no calendar knows it by name.
    return !/^[+-]/.test(zone);
  } catch {
    return false;
  }
}

/**
 * What the clock shows somewhere.
 *
 * @param instant ms since 1970 in UTC
 * @throws RangeError where there is no such zone
 * @example wallTime(Date.UTC(2026, 6, 1, 12), 'Europe/Oslo') // { year: 2026, month: 7, day: 1, minutes: 840 }
 */
export function wallTime(instant: number, zone: string): WallTime {
  const shown = new Date(instant + offsetAt(instant, zone));
  return {
    year: shown.getUTCFullYear(),
    month: shown.getUTCMonth() + 1,
    day: shown.getUTCDate(),
    minutes: shown.getUTCHours() * 60 + shown.getUTCMinutes(),
  };
}

/** A wall time as if it were UTC, to count with. */
const asUtc = ({ year, month, day, minutes }: WallTime): number =>
  Date.UTC(year, month - 1, day) + minutes * MINUTE;

/**
 * When a clock shows a time. Where it is put forward and never shows it, the moment after as much time as it would
 * have taken; where it is put back and shows it twice, the first.
 *
 * @param minutes since midnight, also more than a day has
 * @returns ms since 1970 in UTC
 * @example instantOf({ year: 2026, month: 7, day: 1 }, 840, 'Europe/Oslo') // 1782907200000
 */
export function instantOf(day: Day, minutes: number, zone: string): number {
  const wanted = asUtc({ ...day, minutes });
  // No clock changes twice within two days. A TZDate takes now the first, now the second of two that show the same.
  const before = wanted - offsetAt(wanted - DAY, zone);
  const after = wanted - offsetAt(wanted + DAY, zone);
  if (asUtc(wallTime(before, zone)) === wanted) return before;
  return asUtc(wallTime(after, zone)) === wanted ? after : before;
}

/**
 * The day so many days later.
 * @example addDays({ year: 2026, month: 12, day: 31 }, 1) // { year: 2027, month: 1, day: 1 }
 */
export function addDays({ year, month, day }: Day, days: number): Day {
  const date = new Date(Date.UTC(year, month - 1, day + days));
  return { year: date.getUTCFullYear(), month: date.getUTCMonth() + 1, day: date.getUTCDate() };
}

/**
 * 0 on Monday to 6 on Sunday.
 * @example weekdayOf({ year: 2026, month: 11, day: 26 }) // 3
 */
export const weekdayOf = ({ year, month, day }: Day): number =>
  (new Date(Date.UTC(year, month - 1, day)).getUTCDay() + 6) % 7;

const two = (n: number): string => String(n).padStart(2, '0');

/**
 * A day as it is stored.
 * @example dayText({ year: 2026, month: 3, day: 9 }) // '2026-03-09'
 */
export const dayText = ({ year, month, day }: Day): string =>
  `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`;

/**
 * The same read back; null where there is no such day.
 * @example dayFrom('2026-02-29') // null
 */
export function dayFrom(text: string): Day | null {
  const read = /^(\d{4})-(\d\d)-(\d\d)$/.exec(text);
  if (!read) return null;
  const day = { year: Number(read[1]), month: Number(read[2]), day: Number(read[3]) };
  return dayText(addDays(day, 0)) === text ? day : null;
}
