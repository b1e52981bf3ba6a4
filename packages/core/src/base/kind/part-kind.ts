import type { Cell, OwnKnot } from '@coiled-strand/rope';
import type { RuleOfThumb, Work } from './rule-of-thumb.js';
import type { Bead } from '../material/bead.js';
import type { Cord } from '../material/cord.js';
import type { Practice } from '../material/practice.js';
import type { Advice } from '../measure/advice.js';
import type { RoundPart } from '../measure/ring.js';
import type { Saying } from '../measure/saying.js';
import type { Side } from '../measure/side.js';
import type { Field } from './field.js';
import type { InSpace } from './in-space.js';

import type { Bounds, Primitive } from './primitive.js';
import type { AuxiliaryCord, Need, Passage, Use } from './reason.js';
import type { Run, LegRole } from './run.js';
import type { Instruction, Look } from './step.js';

/** How hard the hand pulls; sets the pitch. */
export const TENSIONS = ['soft', 'even', 'hard'] as const;
export type Tension = (typeof TENSIONS)[number];

/** What all parts have, whatever their kind. */
export interface PartBase {
  /** Unique within the piece; what drawings and advice refer to it by. */
  readonly id: string;
  readonly kind: string;
  /** What each run does here, where it differs from what its strand does elsewhere. */
  readonly roles?: readonly LegRole[];
}

/** Where a part lies: what it has to work with. */
export interface PartSite {
  /** Every run that lies at this place, by its role here. */
  readonly runs: readonly Run[];
  /** @throws RangeError for an id that the piece has no bead for */
  readonly bead: (id: string) => Bead;
  /** @throws RangeError for an id that the piece has no knot for */
  readonly knot: (id: string) => OwnKnot;
  /** Length in mm at its start where cut core ends lie hidden beside the core. */
  readonly buried: number;
  /** This hand's finished length per unit / the model's; 1 until learnt. */
  readonly pitchFactor: number;
  readonly practice: Practice;
  readonly first: boolean;
  readonly last: boolean;
  /**
   * Crossings of the plait that this one goes on from, its strands lying as those left them; 0 where it
   * begins anew. See Lying.
   */
  readonly crossed: number;
}

/** How cords lie side by side where a part begins that goes on from a plait or a band. */
export interface Lying {
  /** Numbers of the runs, from the side that the hands begin on. */
  readonly order: readonly number[];
  /** Crossings before it without a break; which side comes next follows from them. */
  readonly crossed: number;
}

/** A bead where it lies. */
export interface PlacedBead {
  readonly id: string;
  /** Middle of the bead in mm from the start of its part. */
  readonly at: number;
  /** Number of the run it is strung on, from 0, where it lies off the middle. */
  readonly run?: number;
  /** Numbers of all runs that go through it. */
  readonly on?: readonly number[];
  /** A ring between beads: to be had like them, and not counted left and right of the middle. */
  readonly spacer?: true;
  /** Lies in a row that is alike from both ends as a whole, whatever each bead's place. */
  readonly inRow?: true;
}

/** Cross-section of the finished work in mm. */
export interface Section {
  readonly width: number;
  readonly thickness: number;
  /** Length of finished work that one unit makes when left alone, in mm. */
  readonly pitch: number;
}

/** A knot that is to keep a bead from sliding over it. */
export interface Stop {
  /** 'overhand knot' */
  readonly what: string;
  /** Diameter in mm of the smallest round hole that it goes through, drawn by its cord. */
  readonly passes: number;
  /** Numbers of the runs that it is tied in. */
  readonly runs: readonly number[];
  /** Other knots in the same cords that stop more, the smallest first. */
  readonly larger: readonly {
    readonly form: string;
    readonly what: string;
    readonly passes: number;
  }[];
  /** It lies between the beads of its own part. */
  readonly within?: true;
}

/** A part laid out on its length. */
export interface PartLayout extends Section {
  /** Along the piece in mm. */
  readonly length: number;
  /** How many times the hand does it, >= 1. */
  readonly units: number;
  readonly unitName: string;
  /** How it goes round a body; lengths add up to `length` unless it hangs. */
  readonly round: readonly RoundPart[];
  readonly uses: readonly Use[];
  readonly passages: readonly Passage[];
  /** The knot that it is where one is to stop what lies beside it, and the knots within it. */
  readonly stop?: Stop;
  readonly beads: readonly PlacedBead[];
  readonly needs: readonly Need[];
  readonly auxiliary: readonly AuxiliaryCord[];
  /** Paths are relative to the part. */
  readonly advice: readonly Advice[];
}

export interface DrawOptions {
  readonly part: string;
  /** Units already done; those after it are drawn as planned. */
  readonly done: number;
  readonly firstSide: Side;
}

/** An instruction for a part or a closure, as its kind describes it. */
export interface PartStep extends Instruction {
  /** What its picture shows; the part at the unit at hand when left out. */
  readonly look?: Look;
  readonly sideOf?: (unit: number, firstSide: Side) => Side;
  /** What this very unit is: 'Hematite 6 mm'. */
  readonly unitText?: (unit: number) => Saying;
}

/** What a swatch is tied with, and what the model says of one unit of it. Lengths in mm. */
export interface SwatchModel {
  /** How it is tied, so that what is measured is what is modelled. */
  readonly how: string;
  readonly unitName: string;
  /** Cord of all that is measured before and after, together. */
  readonly cordPerUnit: number;
  readonly lengthPerUnit: number;
  /** Prior spread of hands in the cord. */
  readonly spread: number;
}

/** A knot that a maker drew, with its id in the piece. */
export interface DrawnKnot {
  readonly id: string;
  readonly knot: OwnKnot;
}

/** A part in space, by the curves of a knot that was drawn tight. */
export interface PartInSpace<P> {
  /** Its knot: one of the catalogue by its name, or one that a maker drew; null where none is like it. */
  cell(part: P, site: PartSite, layout: PartLayout): string | DrawnKnot | null;
  /**
   * From x = 0 to the length of the layout.
   *
   * @param cell the curves of its knot
   * @param open by how many times the layout is longer than what was planned, where knots are shown opened out
   * @returns null where its cords are others than those of the curves
   */
  draw(part: P, site: PartSite, layout: PartLayout, cell: Cell, open: number): InSpace | null;
}

/** What a new part is made from. */
export interface PartStart {
  readonly id: string;
  /** A bead of the piece to begin with. */
  readonly bead: string;
  /** A knot of the piece to begin with; none when left out. */
  readonly knot?: string;
  readonly cord: Cord;
  /** How many runs the piece has, >= 1. */
  readonly runs: number;
}

/** What a kind of part says of itself. */
export interface PartEntry {
  readonly id: string;
  readonly label: string;
  readonly blurb: string;
  /** What it is good for, and what to know of it. Common practice, no source. */
  readonly goodFor: string;
  readonly group: 'cord' | 'knots' | 'beads' | 'focal';
  /** Its word in a sentence of counts: 'half knot'. */
  readonly unitName: string;
  /** Whether it is strung from a bead of the piece. */
  readonly needsBead: boolean;
  /** Whether it is one of the knots that a maker drew. */
  readonly needsKnot?: true;
  /** What one unit takes a practised hand, in seconds. Common practice, no source; a log corrects it. */
  readonly seconds: number;
  /** Whether its length grows with every unit, so that a hand has a pitch of its own here. */
  readonly pitched?: true;
  /** How working cords tie here: over a core, or over each other. Left out where none tie. */
  readonly ties?: 'over-core' | 'over-each-other';
  /** Whether it serves the closure, and so has no counterpart at the other end. */
  readonly forClosure?: true;
  /** Whether it goes into a cord end as thick as it is, and not as its cords. */
  readonly solid?: true;
  /** Whether its cords have to lie side by side in order when it begins. */
  readonly lateral?: true;
  /** Whether cords that lie side by side in order still do after it. */
  readonly keepsOrder?: true;
  /** Whether it is caught in the middle of the cord, and what lies before it is made after it. */
  readonly fromMiddle?: true;
}

/** A part with less of its work, and what was left out: 'one square knot (two half knots)'. */
export interface Fewer<P extends PartBase = PartBase> {
  readonly part: P;
  readonly leftOut: Saying;
}

/** Whether a part is as many units as a length takes. */
export const isToLength = <P extends PartBase>(
  kind: Pick<PartKind<P>, 'toLength' | 'fills'>,
  part: P,
): boolean => kind.toLength?.(part) ?? kind.fills(part);

/** The one face of every kind of part: model, drawing, steps and catalogue entry. */
export interface PartKind<P extends PartBase = PartBase> {
  readonly entry: PartEntry;
  readonly fields: readonly Field[];
  make(start: PartStart): P;
  /** Whether its length is left to the fit. */
  fills(part: P): boolean;
  /** Whether it is as many units as a length takes; as `fills` when left out: ask `isToLength`. */
  toLength?(part: P): boolean;
  section(part: P, site: PartSite): Section;
  /**
   * @param share length in mm that the fit leaves to it; read only when it fills
   */
  layOut(part: P, site: PartSite, share: number): PartLayout;
  /** The part on the bench from x = 0 to its length, y = 0 on its centre line. */
  draw(part: P, site: PartSite, layout: PartLayout, options: DrawOptions): readonly Primitive[];
  /**
   * The part seen from its edge, as when the piece is closed round the body: from x = 0 to its length, the
   * skin at y = 0 and the outside at y < 0. Cord bends with the round, things keep their shape. A line of
   * cord with its beads when left out.
   */
  drawEdge?(part: P, site: PartSite, layout: PartLayout): readonly Primitive[];
  /** @param first the side that these hands begin on: what is told from the left is told from there */
  steps(part: P, site: PartSite, layout: PartLayout, first: Side): readonly PartStep[];
  /** How its cords lie after it; left out where they lie in no order. */
  liesAfter?(part: P, site: PartSite, layout: PartLayout): Lying;
  /** Cords from the left in the order in which the work wants them; their own order when left out. */
  order?(part: P, site: PartSite): readonly Run[];
  /** Close-up of the unit to be tied next, hanging downwards from the work done. */
  picture?(
    part: P,
    site: PartSite,
    layout: PartLayout,
    unit: number,
    firstSide: Side,
  ): readonly Primitive[];
  /** How its knots lie in space; null where what is on the bench is lifted. */
  readonly inSpace: PartInSpace<P> | null;
  /** What of the close-up is in sight, where it is not about as wide as the part. */
  pictureFrame?(part: P, site: PartSite): Bounds;
  /** What a hand learns here, where that is not the kind as a whole: each knot that a maker drew by itself. */
  technique?(part: P, site: Pick<PartSite, 'knot'>): string;
  /** What a hand is measured by in this technique, where a few units alone tell it. */
  swatch?(part: P, cord: Cord, knot?: OwnKnot): SwatchModel;
  /** The part turned end for end; the same part when it looks alike both ways. */
  mirror?(part: P): P;
  /** A little less of it, for when the cord runs short; null where nothing can be left out. */
  fewer?(part: P): Fewer<P> | null;
  /** The trade's rule for pieces of such parts. */
  ruleOfThumb?(part: P, work: Work): RuleOfThumb | null;
  /** The part tied with so many units, whatever length they make. */
  withUnits?(part: P, units: number): P;
  /** The part of so much length in mm, whatever the fit would leave to it. */
  withLength?(part: P, mm: number): P;
}

/** A layout with nothing special about it, to be filled in. */
export const plainLayout = (
  length: number,
  section: Section,
  more: Partial<PartLayout> = {},
): PartLayout => ({
  ...section,
  length,
  units: 1,
  unitName: 'part',
  round: length > 0 ? [{ kind: 'flexible', length, height: section.thickness / 2 }] : [],
  uses: [],
  passages: [],
  beads: [],
  needs: [],
  auxiliary: [],
  advice: [],
  ...more,
});
