import { type PartBase } from '../../kind/part-kind.js';
import type { Bead } from '../../material/bead.js';

/** Beads on two cords in turn, with a ring over both after every bead. */
export interface AlternatingPart extends PartBase {
  readonly kind: 'alternating-beads';
  readonly bead: string;
  readonly ring: string;
  readonly count: number;
}

export interface Period {
  readonly mm: number;
  /** Which of the two limits set it. */
  readonly limit: 'along one cord' | 'bead against bead';
}

/**
 * Length per bead where beads alternate on two cords with a ring over both after every bead: the larger
 * of two limits.
 *
 * - along one cord: a bead and two rings every second place, (bead + 2 ring) / 2
 * - bead against bead: neighbours on the two cords, taken as balls with the ring's wire between, keep
 *   their distance: sqrt((bead + ring)^2 - offset^2), offset = distance of their middles across
 *
 * With no room across it becomes bead + ring: one after the other.
 *
 * @param bead along-cord length in mm
 * @param ring the ring's wire in mm
 * @param offset distance across between the middles of neighbours in mm
 * @example periodOf(6, 1, 0).mm // 7
 */
export function periodOf(bead: number, ring: number, offset: number): Period {
  const along = (bead + 2 * ring) / 2;
  const apart = Math.sqrt(Math.max(0, (bead + ring) ** 2 - offset ** 2));
  return along >= apart
    ? { mm: along, limit: 'along one cord' }
    : { mm: apart, limit: 'bead against bead' };
}

/** Across, a bead pushes the other cord aside: half its height and half that cord. */
export const offsetOf = (bead: Bead, d: number): number => bead.height / 2 + d / 2;
