import type { CordKind } from '../material/cord.js';
import type { Saying } from '../measure/saying.js';
import type { WearSite } from '../measure/girth.js';

/** The trade's rule of thumb beside the plan, as a comparison. Lengths in mm. */
export interface RuleOfThumb {
  readonly label: Saying;
  readonly low: number;
  readonly high: number;
  /** The cords it is for: the strands, or one that is cut besides them by its id; all when left out. */
  readonly of?: 'strands' | { readonly besides: string };
}

/** A rule and what the plan cuts of the same cords. */
export interface RuleBeside extends Pick<RuleOfThumb, 'label' | 'low' | 'high'> {
  readonly cut: number;
  /** Whose cords these are; null for all of the piece. */
  readonly whose: string | null;
}

/** What rules of thumb go by. Lengths in mm. */
export interface Work {
  /** Of the parts. */
  readonly length: number;
  /** Inner circumference aimed at. */
  readonly target: number;
  readonly wrist: number;
  readonly site: WearSite;
  readonly strands: number;
  /** Legs that the strands lie as: two of each that is folded. */
  readonly runs: number;
  /** Diameter of the thickest strand. */
  readonly thickest: number;
  readonly cords: readonly CordKind[];
  readonly plaited: boolean;
  /** Whether some part is tied over a core. */
  readonly overCore: boolean;
  /** Whether it begins with a loop of its cord for the closure. */
  readonly startsWithLoop: boolean;
}
