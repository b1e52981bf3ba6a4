import type { ChoiceField } from '../../base/kind/field.js';
import type { Tension } from '../../base/kind/part-kind.js';

/**
 * How hard the hand pulls, as a part asks for it.
 * @param blurbs what each tension does there; only these are offered
 */
export const tensionField = (blurbs: Readonly<Partial<Record<Tension, string>>>): ChoiceField => ({
  type: 'choice',
  key: 'tension',
  label: 'Tension',
  choices: Object.entries(blurbs).map(([id, blurb]) => ({
    id,
    label: `${id[0]!.toUpperCase()}${id.slice(1)}`,
    blurb,
  })),
});

/** What the tension of a plait does. */
export const PLAIT_TENSION = tensionField({
  soft: 'Pulled long and supple.',
  even: 'Crossings lie close.',
  hard: 'Jammed: dense, stiff, thick.',
});
