import type { Side } from './side.js';

/** A caution in plain words, shown where the hand is in danger and never as a certificate of safety. */
export interface Caution {
  readonly kind: 'flame' | 'glue' | 'blade' | 'child' | 'load';
  readonly text: string;
}

/** One action of the maker's hands, or one kind of action repeated `units` times. */
export interface Step {
  readonly id: string;
  readonly stage: 'prepare' | 'tie' | 'finish';
  readonly title: string;
  readonly text: string;
  /** How many times it is done; the counter counts these. >= 1. */
  readonly units: number;
  /** What one unit is called: 'half knot'. */
  readonly unitName?: string;
  /** Which side each unit starts from, when it matters. */
  readonly sideOf?: (unit: number) => Side;
  /** What this very unit is: 'Bead 3: hematite, 6 mm'. */
  readonly unitText?: (unit: number) => string;
  /** The part of the piece it is done on, for the drawing. */
  readonly part?: string;
  readonly cautions: readonly Caution[];
}
