import { tightened } from '@coiled-strand/rope';
import type { PartBase, PartSite } from '../../../base/kind/part-kind.js';

import type { Bead } from '../../../base/material/bead.js';
import { effectiveDiameter, type Cord } from '../../../base/material/cord.js';

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

/**
 * What a part begins with until its maker has measured a swatch: stitches pulled as tight as they go, by the numbers
 * that were computed. A stitch takes 6.5 times its length then; a slack hand makes longer ones.
 *
 * @example tightChain({ kind: 'waxed-cotton', diameter: 1, effective: 1 }).perStitch // 13.2
 */
export function tightChain(cord: Cord): Pick<ChainPart, 'gauge' | 'perStitch'> {
  const d = effectiveDiameter(cord);
  return {
    gauge: Math.min(200, Math.max(5, Math.round(100 / (tightened('chain.pitch') * d)))),
    perStitch: Math.min(80, Number((tightened('chain.cord') * d).toFixed(1))),
  };
}

/** Length in diameters of the long stitch that was computed, and how many cords run side by side along a chain. */
const LONG_STITCH = 4;
const SIDE_BY_SIDE = 3;

/**
 * What a stitch takes more where a bead sits on it that is longer: as computed of a stitch drawn to 4 diameters, and
 * beyond that what three cords side by side do. Lengths in mm.
 *
 * @param more by how much it is longer than a plain stitch
 * @param d diameter of the cord
 * @example drawnOut(1, 1) // 2.16
 */
export function drawnOut(more: number, d: number): number {
  const room = LONG_STITCH - tightened('chain.pitch');
  const slope = (tightened('chain.long') - tightened('chain.cord')) / room;
  const first = Math.min(more, room * d);
  return slope * first + SIDE_BY_SIDE * (more - first);
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

/** Stitches that are alike, one after the other: plain chain, or the one that a bead sits on. */
export interface ChainStretch {
  /** The first of them among all, from 0. */
  readonly from: number;
  readonly times: number;
  /** Where it begins in mm from the start of the part, and how long each stitch is. */
  readonly start: number;
  readonly mm: number;
  /** Index of the bead that sits there; null on plain chain. */
  readonly bead: number | null;
  /** Cord in mm that each of them takes. */
  readonly cord: number;
}

/**
 * A chain from one end to the other, of a cord of d mm. What plain stitches leave over is shared at both ends.
 */
export function stretchesOf(part: ChainPart, at: ChainLayout, d: number): ChainStretch[] {
  const held = Math.max(at.stitch, at.bead.length);
  const first = Math.round(at.end / at.stitch);
  const last = at.stitches - first - at.beads - Math.max(0, at.beads - 1) * part.between;
  const rows: (readonly [times: number, long: number, bead: number | null])[] =
    at.beads === 0
      ? [[Math.max(1, at.stitches), at.length, null]]
      : [
          [first, at.end, null],
          ...Array.from({ length: at.beads }, (_, k): [number, number, number | null][] => [
            ...(k > 0
              ? [[part.between, part.between * at.stitch, null] as [number, number, null]]
              : []),
            [1, held, k],
          ]).flat(),
          [last, at.end, null],
        ];
  let [from, start] = [0, 0];
  return rows.map(([times, long, bead]) => {
    const more = bead === null ? 0 : drawnOut(held - at.stitch, d);
    const one = { from, times, start, mm: long / times, bead, cord: part.perStitch + more };
    from += times;
    start += long;
    return one;
  });
}
