import type { PlausibleLimits } from '../measure/girth.js';
import type { Colour } from './cord.js';
import type { Copy } from './copy.js';

export const BEAD_SHAPES = ['round', 'oval', 'barrel', 'disc', 'cube', 'drop', 'ring'] as const;
export type BeadShape = (typeof BEAD_SHAPES)[number];
export const BEAD_SHAPE_LABELS: Readonly<Record<BeadShape, string>> = {
  round: 'Round',
  oval: 'Oval',
  barrel: 'Barrel',
  disc: 'Disc',
  cube: 'Cube',
  drop: 'Drop',
  ring: 'Ring',
};

/** A bead as bought: what a plan needs to know of it. Lengths in mm. */
export interface Bead extends Copy {
  readonly name: string;
  readonly shape: BeadShape;
  /** Along the cord. */
  readonly length: number;
  /** Across the cord: what lies between skin and outside. */
  readonly height: number;
  /** Diameter of the hole; of a ring what it is inside, of an oval one across. */
  readonly hole: number;
  /** Of an oval ring what it is inside at its longest; as its hole when left out. */
  readonly holeLong?: number;
  readonly colour: Colour;
  /** Whether heat harms it, as it does pearl, shell, amber, wood and plastic. */
  readonly delicate?: boolean;
  /** Pieces in hand; left out when it does not matter. */
  readonly count?: number;
}

/** Limits in mm for the measures of a bead, to catch slips of unit. */
export const BEAD_LIMITS: Readonly<Record<'length' | 'height' | 'hole', PlausibleLimits>> = {
  length: { possible: [0.5, 90], usual: [0.8, 40] },
  height: { possible: [0.8, 60], usual: [2, 30] },
  hole: { possible: [0.2, 30], usual: [0.5, 10] },
};
