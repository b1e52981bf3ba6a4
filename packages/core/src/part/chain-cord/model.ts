import type { PartBase, PartSite } from '../../kind/part-kind.js';
import type { Bead } from '../../material/bead.js';

/** A crocheted chain of one cord with beads on it, as the maker's own swatch measured it. */
export interface ChainPart extends PartBase {
  readonly kind: 'chain-cord';
  /** Chain stitches in 100 mm without beads. */
  readonly gauge: number;
  /** Cord in mm that one stitch takes. */
  readonly perStitch: number;
  readonly bead: string;
  /** Chain stitches from one bead to the next, >= 1. */
  readonly between: number;
  /** In mm, or null to take what the fit asks for. */
  readonly length: number | null;
  /** Length in mm of the endless loop it is made from; null when it is worked new. */
  readonly loop: number | null;
}

/** Fewest stitches of chain between the last bead and either end. Common practice, no source. */
export const END_STITCHES = 3;

/** A chain laid on its length: beads, chain at either end, and all stitches. */
export interface ChainLayout {
  readonly bead: Bead;
  /** From the middle of one bead to that of the next, and one plain stitch, in mm. */
  readonly period: number;
  readonly stitch: number;
  readonly beads: number;
  /** Chain in mm from either end to the first bead. */
  readonly end: number;
  readonly stitches: number;
  readonly length: number;
  /** What is taken out of an endless loop, half on each side; null when there is none. */
  readonly takenOut: number | null;
}

/**
 * As many beads as leave enough chain at both ends, the rest of the length shared by the ends: it is
 * alike from both sides and always ends on chain.
 *
 *     n = floor((length - 2 ends - bead) / period) + 1
 *
 * @param length in mm, > 0
 */
export function layChain(part: ChainPart, site: PartSite, length: number): ChainLayout {
  const bead = site.bead(part.bead);
  const stitch = 100 / part.gauge;
  // A bead sits on a stitch of its own, which is as long as the bead where the bead is longer.
  const held = Math.max(stitch, bead.length);
  const period = part.between * stitch + held;
  const least = 2 * END_STITCHES * stitch;
  const room = length - least - held;
  const beads = room < 0 ? 0 : Math.floor(room / period + 1e-9) + 1;
  const beaded = beads === 0 ? 0 : (beads - 1) * period + held;
  const end = (length - beaded) / 2;
  const chain = beads === 0 ? length : 2 * end + (beads - 1) * part.between * stitch;
  return {
    bead,
    period,
    stitch,
    beads,
    end,
    stitches: Math.round(chain / stitch) + beads,
    length,
    takenOut: part.loop === null ? null : part.loop - length,
  };
}
