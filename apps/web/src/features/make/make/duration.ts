import type { Wait } from '@coiled-strand/core';

/** `about 40 minutes` without the about: whole minutes, hours from an hour and a half on. */
export function sayDuration(seconds: number): string {
  const minutes = Math.max(1, Math.round(seconds / 60));
  if (minutes < 90) return `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`;
  const quarters = Math.round(minutes / 15) / 4;
  return `${quarters.toLocaleString('en', { maximumFractionDigits: 2 })} hours`;
}

/** `Then wait 24 hours while the glue cures. Do not wear it.` */
export const sayWait = ({ minutes, what, not }: Wait): string =>
  `Then wait ${sayDuration(60 * minutes)} while ${what}. ${not}`;
