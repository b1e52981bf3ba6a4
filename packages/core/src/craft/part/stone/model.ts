import { type PartBase } from '../../../base/kind/part-kind.js';
import type { Advice } from '../../../base/measure/advice.js';
import { laid, say } from '../../../base/measure/saying.js';

/** A polished stone caught in a loop of the cord; both tails rise from a knot, which a bead may hide. */
export interface StonePart extends PartBase {
  readonly kind: 'stone';
  readonly name: string;
  /** Girth in mm where the loop lies. */
  readonly girth: number;
  /** Largest girth in mm above the loop, towards the knot: what keeps the stone from dropping out. */
  readonly above: number;
  readonly height: number;
  readonly width: number;
  readonly thickness: number;
  /** From the loop up to the knot in mm, along one tail. */
  readonly rise: number;
  /** The bead that hides the knot, strung on both tails. */
  readonly bead: string;
  readonly colour: string;
}

/** A loop slips off when what is above it is not larger by this share. Assumed: cord gives about 3 %. */
const HOLDS = 1.03;

export const slips = (part: StonePart): Advice[] =>
  part.above >= part.girth * HOLDS
    ? []
    : [
        {
          code: 'stone.slips',
          severity: 'warning',
          message: say`The stone can slip out of its loop: above it is ${laid(part.above)} round, the loop ${laid(part.girth)}.`,
          remedy:
            'Catch it lower, at a waist or a notch; cross a second turn under it; or set it with a drop of glue as well.',
          path: 'girth',
        },
      ];
