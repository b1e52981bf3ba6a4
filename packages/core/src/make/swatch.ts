import type { OwnKnot } from '@coiled-strand/rope';

import type { PartBase } from '../base/kind/part-kind.js';
import { PITCH_SPREAD, type Observation } from '../base/learn/hand.js';
import type { Cord } from '../base/material/cord.js';
import { partKind, PART_KINDS } from '../craft/part/registry.js';

/** A few units tied to be measured. Lengths in mm. */
export interface Swatch {
  /** The part it stands for: its kind, form and tension. */
  readonly part: PartBase;
  readonly cord: Cord;
  /** Where it is one that a maker drew. */
  readonly knot?: OwnKnot;
  readonly units: number;
  /** Length that the units came out. */
  readonly length: number;
  /** Cord before and after, of all that the technique says to measure. */
  readonly before: number;
  readonly after: number;
}

/** Techniques that can be measured on a swatch. */
export const swatchTechniques = PART_KINDS.filter((kind) => kind.swatch !== undefined);

/** Too few units for a ruler to measure: the ends weigh more than the hand. Assumed. */
export const MIN_SWATCH = 5;

/**
 * What a swatch says of the hand: its cord per unit, and its length where the technique has a pitch.
 *
 * @throws RangeError for a technique that has no swatch, for too few units, or where no cord was used
 */
export function observeSwatch({
  part,
  cord,
  knot,
  units,
  length,
  before,
  after,
}: Swatch): Observation[] {
  const kind = partKind(part.kind);
  const model = kind.swatch?.(part, cord, knot);
  if (!model) throw new RangeError(`a ${kind.entry.label} cannot be measured on a swatch`);
  if (units < MIN_SWATCH) throw new RangeError(`tie at least ${MIN_SWATCH} of them`);
  if (!(before > after) || !(length > 0)) {
    throw new RangeError(
      'after tying there must be less cord than before, and some length of work',
    );
  }
  const key = {
    technique: (knot && kind.technique?.(part, { knot: () => knot })) ?? kind.entry.id,
    cordKind: cord.kind,
    spread: model.spread,
  };
  return [
    { ...key, measure: 'take-up', ratio: (before - after) / (units * model.cordPerUnit) },
    ...(kind.entry.pitched
      ? [
          {
            ...key,
            measure: 'pitch' as const,
            ratio: length / (units * model.lengthPerUnit),
            spread: PITCH_SPREAD,
          },
        ]
      : []),
  ];
}
