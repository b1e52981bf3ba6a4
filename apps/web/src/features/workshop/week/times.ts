import { dayText, wallTime, weekdayOf, type Day } from '@coiled-strand/workshop';

// Days and times as a maker reads them, always by the workshop’s clock. The one place that writes them.

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export const WEEKDAY_NAMES = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

const two = (n: number): string => String(n).padStart(2, '0');

/** `19:30`, of minutes since midnight. */
export const clockText = (minutes: number): string =>
  `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;

/** `Sat 19 December` */
export const sayDay = (day: Day): string =>
  `${WEEKDAYS[weekdayOf(day)]} ${day.day} ${MONTHS[day.month - 1]}`;

/** `19 Dec` */
export const sayDate = ({ day, month }: Day): string => `${day} ${MONTHS[month - 1]!.slice(0, 3)}`;

const DAY = 86_400_000;
const asUtc = ({ year, month, day }: Day): number => Date.UTC(year, month - 1, day);

/** Days from one to another. */
export const daysBetween = (from: Day, to: Day): number => (asUtc(to) - asUtc(from)) / DAY;

/** `today`, `tomorrow`, else the day; a day within a week by its name. */
export function sayWhen(day: Day, today: Day): string {
  const days = daysBetween(today, day);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  return days > 1 && days < 7 ? WEEKDAY_NAMES[weekdayOf(day)]! : sayDay(day);
}

/** `in 3 days`, `2 days late` */
export function sayDaysLeft(days: number): string {
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  return days > 0 ? `in ${days} days` : `${-days} ${days === -1 ? 'day' : 'days'} late`;
}

/** A moment by the clock of a zone: `tomorrow, 19:30`. */
export function sayMoment(instant: number, zone: string, now: number): string {
  const at = wallTime(instant, zone);
  return `${sayWhen(at, wallTime(now, zone))}, ${clockText(at.minutes)}`;
}

/** `19:30` of a moment. */
export const sayTime = (instant: number, zone: string): string =>
  clockText(wallTime(instant, zone).minutes);

/** `47 min`, `1 h 20 min` */
export function sayMinutes(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes));
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}

/** The day of a moment, as it is stored. */
export const dayOf = (instant: number, zone: string): string => dayText(wallTime(instant, zone));
