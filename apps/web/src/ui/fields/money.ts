/**
 * An amount in whole cents as it is written: `38.00 €`. The one place that writes money.
 * @param currency a sign or an abbreviation
 */
export const sayMoney = (cents: number, currency: string): string =>
  `${cents < 0 ? '−' : ''}${Math.floor(Math.abs(cents) / 100)}.${String(Math.abs(cents) % 100).padStart(2, '0')} ${currency}`;

/** Cents that somebody typed, as `12`, `12.5` or `12,50`; null where it is no amount. */
export function centsFrom(text: string): number | null {
  const read = /^(\d{1,6})(?:[.,](\d{1,2}))?$/.exec(text.trim());
  if (!read) return null;
  return Number(read[1]) * 100 + Number((read[2] ?? '').padEnd(2, '0'));
}
