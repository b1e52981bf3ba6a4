import { normalQuantile } from '@coiled-strand/core';
import { wholeCents, type Cents } from './money.js';

/** How a workshop makes its prices. */
export interface Pricing {
  /** For an hour at the bench, in cents. */
  readonly hour: Cents;
  /** Rent, light, tools: a share of material and work, 0 to 5. */
  readonly overhead: number;
  /** What is to be earned besides, as a share of all that, 0 to 5. */
  readonly margin: number;
  /** Prices are rounded up to whole multiples of this, less `below`; 0 leaves them as they are. */
  readonly nice: Cents;
  /** 1 makes 4 900 out of 4 850 a 4 899. */
  readonly below: Cents;
}

export const PRICING: Pricing = { hour: 1500, overhead: 0.15, margin: 0.1, nice: 50, below: 0 };

/** Something that goes into a piece and was paid for. */
export interface Material {
  readonly name: string;
  /** What `amount` counts: mm of cord, or pieces. */
  readonly unit: 'mm' | 'piece';
  readonly amount: number;
  /** What so much of it was paid at, in cents for one of `amount`; null where nobody knows. */
  readonly each: number | null;
}

/** Hands at the bench. */
export interface Work {
  readonly minutes: number;
  /** Standard deviation of the logarithm of the minutes; 0 where they were measured. */
  readonly sd: number;
}

export type PriceArea = 'material' | 'work' | 'overhead' | 'margin' | 'rounding';

/** A named part of a price. The price is the exact sum of its reasons. */
export interface PriceReason {
  readonly area: PriceArea;
  /** Of material: what it is. */
  readonly name?: string;
  readonly unit?: Material['unit'];
  readonly amount?: number;
  /** Of work. */
  readonly minutes?: number;
  /** Of overhead and margin. */
  readonly share?: number;
  readonly cents: Cents;
  /** True where nobody knows what it cost. */
  readonly unknown?: true;
}

export interface Price {
  readonly reasons: readonly PriceReason[];
  readonly cents: Cents;
  /** What it comes to where the work takes as long as one time in ten at least, or at most. */
  readonly low: Cents;
  readonly high: Cents;
}

/**
 * Up to the next nice price.
 * @example niceUp(4812, { nice: 50, below: 0 }) // 4850
 * @example niceUp(4812, { nice: 100, below: 1 }) // 4899
 * @example niceUp(4899, { nice: 100, below: 1 }) // 4899
 */
export const niceUp = (sum: Cents, { nice, below }: Pick<Pricing, 'nice' | 'below'>): Cents =>
  nice > 0 ? Math.ceil((sum + below) / nice) * nice - below : sum;

/** What a maker may expect nine times in ten, and one time in ten. */
const NINE_IN_TEN = normalQuantile(0.9);

/**
 * A price as the sum of its reasons, each in whole cents: material at what was paid for it, the work, overhead on
 * both, margin on all, and what it is rounded up by.
 */
export function priceOf(materials: readonly Material[], work: Work, pricing: Pricing): Price {
  const sum = (minutes: number): PriceReason[] => reasonsOf(materials, minutes, pricing);
  const reasons = sum(work.minutes);
  const total = (all: readonly PriceReason[]): Cents =>
    all.reduce((cents, reason) => cents + reason.cents, 0);
  const factor = Math.exp(NINE_IN_TEN * work.sd);
  return {
    reasons,
    cents: total(reasons),
    low: total(sum(work.minutes / factor)),
    high: total(sum(work.minutes * factor)),
  };
}

function reasonsOf(
  materials: readonly Material[],
  minutes: number,
  { hour, overhead, margin, nice, below }: Pricing,
): PriceReason[] {
  const reasons: PriceReason[] = materials.map(({ name, unit, amount, each }) => ({
    area: 'material',
    name,
    unit,
    amount,
    cents: each === null ? 0 : wholeCents(amount * each),
    ...(each === null ? { unknown: true } : {}),
  }));
  const total = (): Cents => reasons.reduce((sum, { cents }) => sum + cents, 0);
  reasons.push({ area: 'work', minutes, cents: wholeCents((minutes / 60) * hour) });
  reasons.push({ area: 'overhead', share: overhead, cents: wholeCents(total() * overhead) });
  reasons.push({ area: 'margin', share: margin, cents: wholeCents(total() * margin) });
  const sum = total();
  reasons.push({ area: 'rounding', cents: niceUp(sum, { nice, below }) - sum });
  return reasons.filter(({ area, cents }) => area === 'material' || area === 'work' || cents !== 0);
}

/**
 * What an hour earns at a price: what is left of it after material and overhead on it, over the hours. Overhead on
 * the work is taken off as well, since it is paid out of it.
 *
 * @returns cents for an hour; below 0 where the price does not even pay the material; null where no time was spent
 * @example wageAt(6000, [{ name: 'bead', unit: 'piece', amount: 10, each: 100 }], 120, { overhead: 0 }) // 2500
 */
export function wageAt(
  price: Cents,
  materials: readonly Material[],
  minutes: number,
  { overhead }: Pick<Pricing, 'overhead'>,
): Cents | null {
  if (!(minutes > 0)) return null;
  const material = materials.reduce(
    (sum, { amount, each }) => sum + (each === null ? 0 : wholeCents(amount * each)),
    0,
  );
  return wholeCents(((price / (1 + overhead) - material) / minutes) * 60);
}
