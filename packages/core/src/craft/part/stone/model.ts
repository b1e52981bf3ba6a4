import { type PartBase } from '../../../base/kind/part-kind.js';
import type { Advice } from '../../../base/measure/advice.js';
import { laid, say, size } from '../../../base/measure/saying.js';

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
  /** Whether the loop alone holds it, or a drop of glue as well; the loop alone when left out. */
  readonly setting?: 'loop' | 'glue';
}

/** A loop slips off when what is above it is not larger by this share. Assumed: cord gives about 3 %. */
const HOLDS = 1.03;

/**
 * Whether a body of this width and thickness can be so far round. Of all convex outlines that touch the four sides of a
 * box, the two edges of a blade along its diagonal are shortest, and the box itself is longest:
 *
 *     2 sqrt(w^2 + t^2)  <=  girth  <=  2 (w + t)
 *
 * @param girth the largest, in mm; a waist may be less
 * @returns the smallest and the largest that there is, in mm
 * @example girthsOf({ width: 18, thickness: 9 }).least // 40.25
 */
export const girthsOf = ({
  width,
  thickness,
}: Pick<StonePart, 'width' | 'thickness'>): { readonly least: number; readonly most: number } => ({
  least: 2 * Math.hypot(width, thickness),
  most: 2 * (width + thickness),
});

/** Measured with a strip of paper, in mm, a girth is no nearer than this. */
const PAPER = 1;

/** A shape that no solid has is asked about at once: one of its measures is wrong. */
export function shapeOf(part: StonePart): Advice[] {
  const { least, most } = girthsOf(part);
  const largest = Math.max(part.girth, part.above);
  if (largest >= least - PAPER && largest <= most + PAPER) return [];
  return [
    {
      code: 'stone.shape',
      severity: 'error',
      drawn: true,
      message: say`No stone of ${size(part.width)} by ${size(part.thickness)} is ${laid(largest)} round: it is ${laid(least)} to ${laid(most)}.`,
      remedy:
        'Measure it again: lay a strip of paper round it at its widest, and a rule beside it.',
      path: largest === part.girth ? 'girth' : 'above',
    },
  ];
}

export const slips = (part: StonePart): Advice[] =>
  part.setting === 'glue' || part.above >= part.girth * HOLDS
    ? []
    : [
        {
          code: 'stone.slips',
          severity: 'error',
          drawn: true,
          message: say`The stone slips out of its loop: above it is ${laid(part.above)} round, the loop ${laid(part.girth)}.`,
          remedy: 'Catch it lower, at a waist or a notch, or set it with a drop of glue as well.',
          path: 'girth',
          fix: { label: 'Set it with a drop of glue', path: 'setting', value: 'glue' },
        },
      ];
