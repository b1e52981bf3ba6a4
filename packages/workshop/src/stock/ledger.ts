/** Why something came into a lot or went out of it. */
export const MOVEMENT_REASONS = [
  'bought',
  'cut',
  'used',
  'put-back',
  'packed',
  'measured',
  'weighed',
  'counted',
  'lost',
  'given-away',
  'undone',
] as const;
export type MovementReason = (typeof MOVEMENT_REASONS)[number];

/** A line of a lot's ledger: mm of cord, pieces of anything else; below 0 where it went out. Never changed. */
export interface Movement {
  readonly id: string;
  readonly amount: number;
  readonly reason: MovementReason;
  /** The movement whose opposite this is. */
  readonly undoes: string | null;
}

/** Lengths add up in fractions of a millimetre: less than this is nothing. */
const DUST = 1e-6;

/**
 * What is left of a lot: the sum of its movements, and nothing else.
 * @example leftOf([{ amount: 1000 }, { amount: -400 }]) // 600
 */
export const leftOf = (movements: readonly Pick<Movement, 'amount'>[]): number =>
  movements.reduce((sum, { amount }) => sum + amount, 0);

export type Moved =
  | { readonly ok: true; readonly left: number }
  | { readonly ok: false; readonly short: number };

/**
 * What is left after a movement; nothing goes below nothing.
 *
 * @returns or by how much it would
 * @example moved(500, -800) // { ok: false, short: 300 }
 */
export function moved(left: number, amount: number): Moved {
  const after = left + amount;
  if (after < -DUST) return { ok: false, short: -after };
  return { ok: true, left: Math.abs(after) < DUST ? 0 : after };
}

/**
 * The movement that makes what is written into what was found, when counted, measured or weighed anew.
 * @param found >= 0
 * @example difference(31000, 30400) // -600
 */
export const difference = (left: number, found: number): number => found - left;

/** The opposite of a movement. */
export const opposite = ({
  id,
  amount,
}: Pick<Movement, 'id' | 'amount'>): Omit<Movement, 'id'> => ({
  amount: -amount,
  reason: 'undone',
  undoes: id,
});

/** Whether a movement still stands: neither undone nor an undoing of another. */
export const stands = (
  movement: Pick<Movement, 'id' | 'undoes'>,
  all: readonly Pick<Movement, 'undoes'>[],
): boolean => movement.undoes === null && !all.some(({ undoes }) => undoes === movement.id);
