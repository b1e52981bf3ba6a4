/** How much room a band leaves, named as makers name it. */
export const EASE_RULES = ['snug', 'half-inch', 'three-quarters', 'two-fingers', 'own'] as const;
export type EaseRule = (typeof EASE_RULES)[number];

/** What makers call them. */
export const EASE_LABELS: Readonly<Record<EaseRule, string>> = {
  snug: 'Snug',
  'half-inch': 'Half an inch',
  'three-quarters': 'Three quarters',
  'two-fingers': 'Two fingers',
  own: 'Own',
};

export interface Ease {
  readonly rule: EaseRule;
  /** Own value in mm, 0 to 100; read only by the rule `own`. */
  readonly amount?: number;
}

/**
 * Ease in mm. Two fingers under a buckle bracelet come to an inch on the girth; most other bracelets
 * want half an inch to an inch. Common practice, no source.
 */
const EASE_MM: Readonly<Record<Exclude<EaseRule, 'own'>, number>> = {
  snug: 6.35,
  'half-inch': 12.7,
  'three-quarters': 19.05,
  'two-fingers': 25.4,
};

/**
 * The length added to the girth.
 *
 * @throws RangeError when the rule is `own` and no amount is given
 * @example easeAmount({ rule: 'two-fingers' }) // 25.4
 */
export function easeAmount(ease: Ease): number {
  if (ease.rule !== 'own') return EASE_MM[ease.rule];
  if (ease.amount === undefined) throw new RangeError('an own ease needs its amount in mm');
  return ease.amount;
}
