import type { Glue } from '../material/ends.js';
import type { Side } from '../measure/side.js';
import type { Knot } from './knot.js';

/** A cord on the table: a strand of the cut list by its number from 1, or another cord by its name. */
export type CordId = number | string;

/** One half of a folded cord; half 0 of a single one. */
export interface Leg {
  readonly cord: CordId;
  readonly half: 0 | 1;
}

/** The end of a leg. A cord that is folded at the start has both of its ends at the end. */
export interface End extends Leg {
  readonly side: 'start' | 'end';
}

/** Where something is done: on a part, by its id, or on the closure at one side. No id has a colon. */
export type Place = string;
export const AT_START: Place = 'closure:start';
export const AT_END: Place = 'closure:end';
export const closureAt = (side: 'start' | 'end'): Place => (side === 'start' ? AT_START : AT_END);

/** What has to be let lie until it is over. */
export type Drying = 'glue' | 'dye' | 'seal' | 'oil' | 'melt';

/** What is tried while it can still be put right. */
export type Trial = 'slides' | 'passes' | 'holds' | 'turns' | 'gives-way' | 'faces';

interface InPlace {
  readonly place: Place;
  /** Length of work in mm that one time of it makes. */
  readonly mm: number;
}
interface Repeated {
  /** How many times it is done, >= 1; once when left out. */
  readonly times?: number;
}
interface OnEnds {
  readonly ends: readonly End[];
}
/** Ends that are pushed so far into a thing with a bottom. */
interface Socket extends OnEnds {
  readonly finding: string;
  readonly mm: number;
  readonly share?: number;
}
interface Beside {
  /** Cords that lie straight along what is worked. */
  readonly beside?: readonly Leg[];
}

/** How an end is made to go through holes: cut to a point, twisted to one with wax, or led by a needle. */
export type PointWay = 'point' | 'wax' | 'needle';

/** By what a cord gets through a narrow hole, where it does not go by itself. */
export type Help = 'thread';

/**
 * What the hands do, on named things. Lengths in mm. Plain data: a make keeps it with its steps.
 *
 * What has to be true before each, and what is true after it, is the hands’ own business: see the folder
 * `hands`. Nothing here says that a thing succeeds.
 */
export type Action =
  // Cords are made ready.
  /** What gives is pulled out, hand over hand, so that it is measured as long as it will be. */
  | { readonly do: 'pull-out'; readonly cord: CordId }
  | { readonly do: 'measure'; readonly cord: CordId; readonly mm: number }
  | { readonly do: 'cut'; readonly cord: CordId }
  /** Both ends of a cord that frays are molten shut as soon as it is cut. */
  | { readonly do: 'sear'; readonly cord: CordId }
  /** A loop that is there already, with the beads that are on it. */
  | {
      readonly do: 'have';
      readonly cord: CordId;
      readonly place: Place;
      readonly beads: readonly string[];
    }
  /** A mark at a distance from the end of half 0, or from the start of a single cord. */
  | { readonly do: 'mark'; readonly cord: CordId; readonly mm: number }
  | { readonly do: 'fold'; readonly cord: CordId }
  | {
      readonly do: 'join';
      readonly ends: readonly End[];
      readonly by: 'flame' | 'glue';
      readonly mm: number;
    }
  | {
      readonly do: 'stiffen';
      readonly ends: readonly End[];
      readonly how: PointWay;
    }
  /** Laid side by side, from the side that these hands begin on. */
  | { readonly do: 'order'; readonly legs: readonly Leg[]; readonly from: Side }
  /** A slip of tape with its number on it, where cords look alike. */
  | { readonly do: 'label'; readonly cord: CordId }
  | { readonly do: 'anchor'; readonly legs: readonly Leg[] }
  | { readonly do: 'release' }
  /** The far ends of a core are clipped down, so that it lies straight while it is tied over. */
  | { readonly do: 'tension'; readonly legs: readonly Leg[] }
  /** A clip or tape keeps on what would come off there. */
  | (OnEnds & { readonly do: 'clip'; readonly on: 'bead' | 'plait' | 'stitch' })
  | (OnEnds & { readonly do: 'unclip'; readonly on: 'bead' | 'plait' | 'stitch' })
  // The parts are worked.
  | { readonly do: 'lay-in'; readonly cord: CordId; readonly place: Place }
  | (InPlace & {
      readonly do: 'lay';
      readonly on: readonly End[];
      /** At which side the cords end there, and hang free. */
      readonly hangs?: 'start' | 'end';
    })
  | (InPlace &
      Beside & {
        readonly do: 'string';
        readonly bead: string;
        readonly on: readonly End[];
        /** Cords that go round the outside of the bead, and the row that they go round as one; itself when left out. */
        readonly around?: readonly Leg[];
        readonly row?: {
          readonly beads: readonly string[];
          readonly at: number;
          readonly gap: number;
        };
        readonly help?: Help;
        /** Lies in the knot that is tied next, which is as long as this in mm: somewhere in it. */
        readonly inKnot?: number;
        /** Lies loose on the cord until it is slid to its place. */
        readonly loose?: true;
      })
  | { readonly do: 'slide'; readonly bead: string; readonly on: Leg; readonly place: Place }
  | (InPlace &
      Repeated &
      Beside & {
        readonly do: 'tie';
        readonly knot: Knot;
        readonly by: readonly End[];
        readonly round?: readonly Leg[];
        /** The finding that it holds, and how much of it: half for one of two halves. */
        readonly to?: string;
        readonly share?: number;
        readonly help?: Help;
        /** Which side the first of them starts from, where sides matter. */
        readonly from?: Side;
      })
  | (InPlace &
      Repeated & {
        readonly do: 'plait';
        /** From the side that these hands begin on, as they lie when it begins. */
        readonly bundles: readonly (readonly End[])[];
        readonly form: 'three' | 'four-flat' | 'four-round';
        /** Way aside that a bundle goes in one crossing, and length of that crossing when left alone. */
        readonly aside: number;
        readonly pitch: number;
        /** Crossings before these: of this part, and of the plait that the part goes on from. */
        readonly after: number;
        readonly before: number;
      })
  | {
      readonly do: 'petal';
      readonly place: Place;
      readonly legs: readonly Leg[];
      readonly mm: number;
      /** Where they turn round the legs beside them: cord of those, and the work that it makes. */
      readonly round?: readonly Leg[];
      readonly roundMm?: number;
      readonly along?: number;
    }
  | (InPlace & {
      readonly do: 'put-on';
      readonly finding: string;
      readonly on: readonly End[];
      readonly share?: number;
      readonly help?: Help;
      /** Cord in mm of each that it takes, where that is not its length. */
      readonly takes?: number;
    })
  /** Through what the cords themselves make: a loop, a knot that waits, the last stitch. */
  | {
      readonly do: 'pass';
      readonly ends: readonly End[];
      readonly through: 'knot' | 'stitch' | 'bight' | 'loop';
    }
  | {
      readonly do: 'turn-back';
      readonly ends: readonly End[];
      readonly along: readonly Leg[];
      readonly mm: number;
    }
  | (InPlace & {
      readonly do: 'wind';
      readonly cord: CordId;
      readonly round: readonly Leg[];
      readonly times: number;
    })
  | (InPlace & Repeated & { readonly do: 'chain'; readonly on: End; readonly perStitch: number })
  | { readonly do: 'draw-up'; readonly cord: CordId; readonly times?: number }
  | { readonly do: 'set'; readonly legs: readonly Leg[]; readonly mm: number }
  | { readonly do: 'overlap'; readonly ends: readonly End[] }
  /** What was worked last is taken back, told in the order in which it was done. */
  | { readonly do: 'undo'; readonly actions: readonly Action[] }
  // Findings.
  | { readonly do: 'open'; readonly finding: string }
  | { readonly do: 'hang'; readonly finding: string; readonly share?: number; readonly in: string }
  | {
      readonly do: 'close';
      readonly finding: string;
      readonly count: number;
      /** Where the split lies: on the skin it catches in no sleeve, and no cord lies there that it could fray. */
      readonly split: 'skin' | 'outside';
    }
  // Ends are finished.
  | (Socket & { readonly do: 'crimp' })
  | (Socket & { readonly do: 'cap' })
  /** Wax is wiped off where glue is to hold. */
  | (OnEnds & { readonly do: 'wipe' })
  | (OnEnds & { readonly do: 'glue'; readonly with: Glue })
  | (OnEnds & { readonly do: 'singe' })
  | (OnEnds & { readonly do: 'press' })
  | (OnEnds & { readonly do: 'tuck' })
  | (OnEnds & { readonly do: 'dye' })
  | (OnEnds & { readonly do: 'seal' })
  /** To length for a socket that takes so much in mm; without it, what is beyond the last knot goes. */
  | (OnEnds & { readonly do: 'trim'; readonly leaves?: number })
  | { readonly do: 'oil'; readonly legs: readonly Leg[] }
  | { readonly do: 'wait'; readonly for: Drying; readonly minutes: number }
  // It is looked at.
  | { readonly do: 'try-on'; readonly how: 'laid' | 'held' | 'closed' }
  | { readonly do: 'test'; readonly what: Trial }
  | { readonly do: 'check'; readonly what: string };

export type Verb = Action['do'];
export type ActionOf<V extends Verb> = Extract<Action, { readonly do: V }>;

export const sameLeg = (a: Leg, b: Leg): boolean => a.cord === b.cord && a.half === b.half;
export const legOf = ({ cord, half }: Leg): Leg => ({ cord, half });

/** How many times an action is done. */
export const timesOf = (action: Action): number =>
  ('times' in action ? action.times : undefined) ?? 1;
