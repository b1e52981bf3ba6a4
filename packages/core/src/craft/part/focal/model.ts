import { type PartBase } from '../../../base/kind/part-kind.js';
import type { Sits } from '../../../base/measure/ring.js';

/** A rigid thing that the cords run through: a bar in the line of the work, or a pendant that hangs. */
export interface FocalPart extends PartBase {
  readonly kind: 'focal';
  readonly name: string;
  readonly form: 'bar' | 'pendant';
  /** Along the work in mm: of the bar, or of the pendant's eye. */
  readonly length: number;
  /** Across the work in mm; for a pendant how wide it hangs. */
  readonly width: number;
  readonly thickness: number;
  /** How far a pendant hangs down in mm. */
  readonly drop: number;
  readonly hole: number;
  /** Where a bar lies on the wrist; on the flat side when left out, as in older pieces. */
  readonly sits?: Sits;
  readonly colour: string;
}
