/**
 * What a knot is, as far as its cord goes: the hands work out by the models what it takes. All other
 * measures are those of the cords that tie it. Lengths in mm.
 */
export type Knot =
  /** Half of a square knot over a core; `over` is how many cut core ends lie under it besides. */
  | {
      readonly form: 'half-knot';
      readonly sinnet: 'flat' | 'spiral';
      /** How many lie in the core, and how thick each is: plaited tails are thicker than their cords. */
      readonly cores: number;
      readonly coreWidth: number;
      /** Length per half knot at which the hand packs them, before they are eased to fill. */
      readonly packed: number;
      /** Whether cut core ends lie under it as well. */
      readonly overEnds?: true;
    }
  /** In all of its cords together, as one thick one. */
  | { readonly form: 'stopper'; readonly stopper: StopperForm; readonly within?: true }
  /** In both tails of what was caught. */
  | { readonly form: 'catch-knot' }
  /** A loop of the cord round a thing, and up from it on both sides. */
  | {
      readonly form: 'catch';
      readonly girth: number;
      readonly rise: number;
      /** Whether a drop of glue sets it as well. */
      readonly glued?: true;
    }
  /** A tail round the other cord. */
  | { readonly form: 'sliding'; readonly stopper: Exclude<StopperForm, 'figure-eight'> }
  /** A fold over a bar or a ring of this wire, the ends through it. */
  | { readonly form: 'larks-head'; readonly bar: number }
  /** Once round a bar of this thickness and back. */
  | { readonly form: 'bar-turn'; readonly bar: number }
  /** Through a ring of this wire, and an overhand knot. */
  | { readonly form: 'ring-knot'; readonly bar: number }
  | { readonly form: 'overhand-on-ring' }
  /** A loop of this way round inside: at a fold, of a single cord turned back, or between two knots. */
  | {
      readonly form: 'loop';
      readonly perimeter: number;
      readonly of: 'fold' | 'turned-end' | 'both-cords';
      readonly knots: number;
      readonly loops: number;
    }
  | { readonly form: 'two-cord' }
  | { readonly form: 'bulky'; readonly knot: 'diamond' | 'carrick'; readonly ends: number }
  /** One strand round a bundle of this diameter. */
  | { readonly form: 'hitch'; readonly bundle: number }
  /** Knots of a band, in the order in which hands tie them. */
  | {
      readonly form: 'band';
      readonly lay: 'crossing' | 'leader';
      readonly rows: readonly string[];
      readonly total: number;
      readonly tension: Tension;
      readonly after: number;
      readonly along: number;
      readonly height: number;
    }
  | ({ readonly form: 'turks-head'; readonly bundle: number } & TurksHeadForm)
  /** A slip knot, which begins a chain: it is part of the end that the fingers hold. */
  | { readonly form: 'slip' }
  /**
   * One that a maker drew: what each of its cords takes besides its length, in diameters.
   * Ends are dealt out to its cords in their order, as evenly as may be.
   */
  | { readonly form: 'drawn'; readonly uses: readonly number[] }
  /** Of a technique with a model of its own: cord in mm that one time takes of each that ties. */
  | { readonly form: 'own'; readonly takes: number };

interface KnotFacts {
  /** Whether both hands tie it, so that something else has to hold the work. */
  readonly bothHands?: true;
  /** Whether what is beyond it stays loose or goes on: other knots hold their ends, and what is beyond may be cut. */
  readonly endsGoOn?: true;
}

const KNOT_FACTS: Readonly<Record<Knot['form'], KnotFacts>> = {
  'half-knot': { bothHands: true },
  stopper: {},
  'catch-knot': {},
  catch: { endsGoOn: true },
  sliding: {},
  'larks-head': { endsGoOn: true },
  'bar-turn': { endsGoOn: true },
  'ring-knot': {},
  'overhand-on-ring': {},
  loop: {},
  'two-cord': { bothHands: true },
  bulky: {},
  hitch: { bothHands: true },
  band: { bothHands: true, endsGoOn: true },
  'turks-head': {},
  slip: { endsGoOn: true },
  drawn: { bothHands: true },
  own: { bothHands: true },
};

const isLoopOfFold = (knot: Knot): boolean => knot.form === 'loop' && knot.of === 'fold';

/** Whether both hands tie it, so that something else has to hold the work. */
export const takesBothHands = (knot: Knot): boolean =>
  KNOT_FACTS[knot.form].bothHands === true || isLoopOfFold(knot);

/** Whether it holds the ends that tie it: what is beyond may be cut. */
export const holdsItsEnds = (knot: Knot): boolean =>
  KNOT_FACTS[knot.form].endsGoOn !== true && !isLoopOfFold(knot);

export type StopperForm = 'overhand' | 'double-barrel' | 'triple-barrel' | 'figure-eight';
export type Tension = 'soft' | 'even' | 'hard';

export interface TurksHeadForm {
  readonly leads: number;
  readonly bights: number;
  readonly passes: number;
}
