/** What the server's clock is ahead of this one, in ms. */
let ahead = 0;
/** Its answers name whole seconds, and take a moment to come: less than this is no difference. */
const UNSURE = 2000;

/**
 * Learns from an answer what time it is at the server, so that a wait that was begun on one device ends at the
 * right time on another, whatever their clocks say.
 *
 * @param date the answer's Date header
 * @param asked when it was asked for, in ms by this clock
 */
export function setClock(date: string | null, asked: number): void {
  const there = Date.parse(date ?? '');
  if (Number.isNaN(there)) return;
  const off = there + 500 - (asked + Date.now()) / 2;
  ahead = Math.abs(off) < UNSURE ? 0 : off;
}

/** The time by the server's clock, in ms since 1970. */
export const serverNow = (): number => Date.now() + ahead;
