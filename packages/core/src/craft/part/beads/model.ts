import { type PartBase, type PartSite } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { coresOf, workingOf } from '../../knot/lanes.js';
import type { Bead } from '../../../base/material/bead.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { knotInRuns, pickRuns } from '../pick.js';

/** One bead or a row of them, with or without knots between. */
export interface BeadsPart extends PartBase {
  readonly kind: 'beads';
  /** Ids of beads, from the start of the part to its end. */
  readonly beads: readonly string[];
  /** Which runs go through: the core inside the work, all of them, or those named. */
  readonly through: 'core' | 'all' | 'some';
  readonly runs: readonly number[] | null;
  readonly between: 'touching' | 'overhand' | 'double-barrel' | 'space';
  /** Bare cord between neighbours in mm; read only for `space`. */
  readonly gap: number;
}

/** The runs that go through the holes, those that tie around, and those that lie beside. */
export function threading(
  part: BeadsPart,
  site: PartSite,
): { readonly through: Run[]; readonly around: Run[]; readonly beside: Run[] } {
  const cores = coresOf(site.runs);
  const working = workingOf(site.runs);
  switch (part.through) {
    case 'all':
      return { through: [...site.runs], around: [], beside: [] };
    case 'core': {
      // Where all cords cross each other none is the core: then all that do not tie go through.
      const core = cores.filter((run) => run.role === 'core');
      const through = core.length > 0 ? core : cores.length > 0 ? cores : [...site.runs];
      if (cores.length === 0) return { through, around: [], beside: [] };
      return {
        through,
        around: working,
        beside: cores.filter((run) => !through.includes(run)),
      };
    }
    case 'some': {
      const through = pickRuns(site, part.runs);
      return {
        through,
        around: working.filter((run) => !through.includes(run)),
        beside: cores.filter((run) => !through.includes(run)),
      };
    }
  }
}

/** Width in mm of some runs side by side. */
export const widthOf = (runs: readonly Run[]): number =>
  runs.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);

/** The knot that is tied between two neighbours, if any. */
export const knotBetween = (part: BeadsPart): 'overhand' | 'double-barrel' | null =>
  part.between === 'overhand' || part.between === 'double-barrel' ? part.between : null;

/** What lies between two neighbours: its length, and the cord a knot takes there. */
export function between(
  part: BeadsPart,
  through: readonly Run[],
): { length: number; uses: number; width: number } {
  switch (part.between) {
    case 'touching':
      return { length: 0, uses: 0, width: 0 };
    case 'space':
      return { length: part.gap, uses: 0, width: 0 };
    default:
      return knotInRuns(part.between, through);
  }
}

/** Runs of equal beads in a row, each as long as its beads. */
export function blocks(beads: readonly Bead[]): { bead: Bead; count: number }[] {
  const out: { bead: Bead; count: number }[] = [];
  for (const bead of beads) {
    const last = out.at(-1);
    if (last?.bead === bead) last.count += 1;
    else out.push({ bead, count: 1 });
  }
  return out;
}
