import type { BackupPlanDto } from '@coiled-strand/contract';

const HOUR = 60 * 60 * 1000;

/**
 * The day or week to which a moment belongs, where each begins at the hour of the backup: a backup is due when the
 * last one belongs to another one than now does. Where the machine was off at that hour it is made up for later.
 *
 * @param zone IANA name of the workshop’s zone
 * @returns such as '2026-11-26'; of a week its Monday
 * @example spanOf(new Date('2026-11-26T02:59:00Z'), { every: 'day', hour: 3 }, 'UTC') // '2026-11-25'
 */
export function spanOf(
  at: Date,
  { every, hour }: Pick<BackupPlanDto, 'every' | 'hour'>,
  zone: string,
): string {
  const day = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(at.getTime() - hour * HOUR);
  if (every !== 'week') return day;
  const date = new Date(`${day}T00:00:00Z`);
  // Monday is the first day of a week (ISO 8601).
  date.setUTCDate(date.getUTCDate() - ((date.getUTCDay() + 6) % 7));
  return date.toISOString().slice(0, 10);
}

export const isDue = (plan: BackupPlanDto, last: Date, now: Date, zone: string): boolean =>
  plan.every !== 'never' && spanOf(last, plan, zone) !== spanOf(now, plan, zone);
