import type { OwnKnot } from '@coiled-strand/rope';

import type { Closure } from '../craft/closure/registry.js';
import type { LegRole } from '../base/kind/run.js';
import type { Bead } from '../base/material/bead.js';
import type { Copy } from '../base/material/copy.js';
import type { Cord } from '../base/material/cord.js';
import type { EndTreatment } from '../base/material/ends.js';
import type { Practice } from '../base/material/practice.js';
import type { Ease } from '../base/measure/ease.js';
import type { WearSite } from '../base/measure/girth.js';
import type { Part } from '../craft/part/registry.js';

/** Who the piece is for. Girths in mm, measured on the body. */
export interface Wearer extends Copy {
  readonly name: string;
  readonly wrist: number;
  readonly hand?: number;
  readonly ankle?: number;
  readonly neck?: number;
  readonly head?: number;
  /** Children get the cautions that go with cord and small parts. */
  readonly child?: boolean;
  /** Metals or fibres that the skin does not bear, in the maker's words. */
  readonly allergy?: string;
}

/** Where and how it is worn. */
export interface Wear {
  readonly site: WearSite;
  /** How many times it goes round, 1 to 6. */
  readonly turns: number;
  /** Inner circumference wanted in mm, instead of girth and room; null to go by the girth. */
  readonly length: number | null;
}

/** One cord of the cut list. */
export interface Strand {
  readonly cord: Cord;
  /** What each leg does: one for a single cord, two for a cord that is folded. */
  readonly legs: readonly LegRole[];
  /** Begins where it is first needed, laid in behind the core, instead of at the closure. */
  readonly laidIn: boolean;
}

/** A bead of the piece, by the name its parts call it. */
export interface PieceBead extends Bead {
  readonly id: string;
}

/** A knot that a maker drew, by the name that the parts of the piece call it. */
export interface PieceKnot extends OwnKnot {
  readonly id: string;
}

export interface Cutting {
  /** Probability, 0.5 to 0.999, that every cord lasts. */
  readonly confidence: number;
  /** Cuts are rounded up to whole multiples of this, in mm. */
  readonly step: number;
  /** How practised the hands are. */
  readonly practice: Practice;
  /** Whether strands of a kind are all cut as long as the longest; each its own when left out. */
  readonly equal?: boolean;
}

/** A piece as the maker specifies it: everything a plan needs. Lengths in mm throughout. */
export interface Piece {
  readonly name: string;
  readonly note?: string;
  readonly wearer: Wearer;
  readonly wear: Wear;
  readonly ease: Ease;
  readonly strands: readonly Strand[];
  readonly beads: readonly PieceBead[];
  /** Knots that its maker drew, as they were when they were put in; none when left out. */
  readonly knots?: readonly PieceKnot[];
  /** From the start to the end. */
  readonly parts: readonly Part[];
  readonly closure: Closure;
  readonly ends: EndTreatment;
  readonly cutting: Cutting;
}
