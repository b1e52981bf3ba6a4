import { type PartBase } from '../../../base/kind/part-kind.js';
import type { Bead } from '../../../base/material/bead.js';

/** Beads on two cords in turn, with a ring over both after every bead. */
export interface AlternatingPart extends PartBase {
  readonly kind: 'alternating-beads';
  readonly bead: string;
  readonly ring: string;
  readonly count: number;
  /** What five beads with their rings measured in mm, strung and taut; null or left out: not measured. */
  readonly five?: number | null;
}

export interface Period {
  /** Length per bead in mm. */
  readonly mm: number;
  /** Across, between the middles of neighbours. */
  readonly offset: number;
  /** What set it. */
  readonly limit: 'measured' | 'along one cord' | 'pinched' | 'bead against bead';
}

/** What beads and rings alternate on. Lengths in mm. */
export interface Alternating {
  /** Along-cord length of a bead. */
  readonly bead: number;
  /** Thickness of the ring's wire. */
  readonly wire: number;
  /** Inside of the ring where it is widest: an oval lets the beads bulge into it. */
  readonly opening: number;
  /** Diameter of one cord under tension. */
  readonly cord: number;
}

/**
 * How far a bead sits into a tight ring: what wire and cord hold two beads apart by, less the share that their
 * roundness takes back, 1.02 ((wire + cord) / bead)^2. Fitted to an optimisation in space of beads of 4, 6 and
 * 8 mm on cord of 1.5 mm with wire of 1 mm; other sizes by their proportions. The engine in `rope/`, which draws cords
 * taut with balls and rings that move on them, comes to the same within 9 % (`rings.*` among the numbers of knots):
 * beads rest against each other in more than one way, and closer the harder they are pushed up.
 */
const ROUNDNESS = 1.02;
/** Distance across in bead lengths: where a cord is pinched, and where beads touch. Same source. */
const OFFSET = { pinched: 0.437, touching: 0.55 } as const;

/**
 * Gap that a ring leaves between neighbouring beads in mm: they lie on different cords, and the other cord is
 * pinched between bead and wire. Each mm that the ring is wider than both cords lets them come a mm closer.
 *
 * @example gapOf({ bead: 6, wire: 1, opening: 3.2, cord: 1.5 }) // 1.86
 */
export function gapOf({ bead, wire, opening, cord }: Alternating): number {
  const held = wire + cord;
  const tight = held * (1 - ROUNDNESS * (held / bead) ** 2);
  return Math.max(0, tight - Math.max(0, opening - 2 * cord));
}

/**
 * Length per bead where beads alternate on two cords with a ring over both after every bead:
 *
 *     P = sqrt((B + g)^2 - o^2)      and never less than (B + 2 w) / 2, which one cord must hold
 *
 * B = bead, w = wire, g = what the ring holds them apart by, o = distance across between their middles. By
 * optimisation in space, for beads of 6 mm on cord of 1.5 mm with wire of 1 mm: 7.4 at an opening of 3.2 mm,
 * 6.5 at 4 mm, 5.0 at 5 mm, where they touch; beads of 4 and 8 mm at 3.2 mm: 5.0 and 9.5. Met within 3 %.
 *
 * @example periodOf({ bead: 6, wire: 1, opening: 3.2, cord: 1.5 }).mm // 7.41
 */
export function periodOf(of: Alternating): Period {
  const gap = gapOf(of);
  const { bead, wire, cord } = of;
  const nearly = Math.min(1, gap / (0.4 * (wire + cord)));
  const offset = bead * (OFFSET.touching + (OFFSET.pinched - OFFSET.touching) * nearly);
  const apart = Math.sqrt((bead + gap) ** 2 - offset ** 2);
  const along = (bead + 2 * wire) / 2;
  if (along >= apart) return { mm: along, offset, limit: 'along one cord' };
  return { mm: apart, offset, limit: gap > 0 ? 'pinched' : 'bead against bead' };
}

/** Length in mm of so many beads with their rings, the first bead and the last ring whole. */
export const alternatingLength = (
  { bead, wire }: Pick<Alternating, 'bead' | 'wire'>,
  period: number,
  count: number,
): number => bead + wire + (count - 1) * period;

const MEASURED = 5;

/** The period of this part: as five of the maker's own measured, or by the sizes of beads, ring and cord. */
export function periodIn(part: AlternatingPart, bead: Bead, ring: Bead, cord: number): Period {
  const of: Alternating = {
    bead: bead.length,
    wire: ring.length,
    opening: Math.max(ring.hole, ring.holeLong ?? 0),
    cord,
  };
  const modelled = periodOf(of);
  if (part.five === undefined || part.five === null) return modelled;
  const mm = (part.five - bead.length - ring.length) / (MEASURED - 1);
  return { ...modelled, mm: Math.max(0.1, mm), limit: 'measured' };
}
