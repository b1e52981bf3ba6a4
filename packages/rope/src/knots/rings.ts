import type { Point3 } from '../base/point.js';

import type { RopeProblem, RopeStrand } from '../engine/problem.js';
import { held, type Recipe } from '../engine/recipe.js';

/** Points on a ring, and along a cord from one bead to the next. */
const ROUND = 24;
const STEPS = 8;
/** As laid: room between bead and ring. */
const ROOM = 0.75;

/** Sizes of what alternates, in diameters of the cord. */
interface Sizes {
  readonly bead: number;
  readonly wire: number;
  /** Inside of the ring, which is round. */
  readonly opening: number;
}

/**
 * Balls on two cords in turn, a ring over both cords after every ball: two balls and two rings, and then the same again.
 * Cords are held taut, so that a cell that becomes shorter gives both of them as much to those who hold them.
 */
function alternating({ bead, wire, opening }: Sizes): RopeProblem {
  const period = bead + wire + 2 * ROOM;
  const inRing = Math.min(0.6, opening / 4);
  const beside = (bead + 1) / 2;
  const cord = (own: 0 | 1): RopeStrand => {
    const side = own === 0 ? 1 : -1;
    const points = Array.from({ length: 2 * STEPS }, (_, k): Point3 => {
      const out = Math.sin((Math.PI * k) / STEPS) ** 2;
      const carries = k < STEPS === (own === 0);
      const aside = (carries ? 0.45 : 0.75) * beside;
      return [-period / 2 + (k * period) / STEPS, side * (inRing * (1 - out) + out * aside), 0];
    });
    return held(points, { ends: { joins: own, after: 1 } });
  };
  const ring = (x: number): RopeStrand => {
    const radius = (opening + wire) / 2;
    const points = Array.from({ length: ROUND }, (_, i): Point3 => {
      const a = (2 * Math.PI * i) / ROUND;
      return [x, radius * Math.cos(a), radius * Math.sin(a)];
    });
    return { points, diameter: wire, ends: 'closed', rigid: true };
  };
  const ball = { leads: [0, 0], radius: bead / 2 } as const;
  return {
    strands: [cord(0), cord(1), ring(period / 2), ring((3 * period) / 2)],
    balls: [
      { strand: 0, along: 0.25, ...ball },
      { strand: 1, along: 0.75, ...ball },
    ],
    repeats: [{ axis: 'x', shift: 2 * period, push: PUSH - 2 }],
  };
}

/** How hard fingers push beads up along cords that are held taut, in tensions of one of them: what is taken here. */
const PUSH = 0.12;

/** Beads rest against each other in more than one way, a few per cent apart. */
const WAYS = 0.03;

/** Diameters of the cord in mm that the sizes below are told for. */
const CORD = 1.5;
const SQUEEZED = 1.1;

/** By name: beads of 6 mm on cord of 1.5 mm with wire of 1 mm in a ring open by 3.2 mm; what else, by what differs. */
export const ALTERNATING: Readonly<Record<string, Sizes>> = {
  usual: { bead: 6 / CORD, wire: 1 / CORD, opening: 3.2 / CORD },
  small: { bead: 4 / CORD, wire: 1 / CORD, opening: 3.2 / CORD },
  large: { bead: 8 / CORD, wire: 1 / CORD, opening: 3.2 / CORD },
  wider: { bead: 6 / CORD, wire: 1 / CORD, opening: 4 / CORD },
  wide: { bead: 6 / CORD, wire: 1 / CORD, opening: 5 / CORD },
  squeezed: { bead: 6 / SQUEEZED, wire: 1 / SQUEEZED, opening: 3.2 / SQUEEZED },
};

/** Beads on two cords in turn with rings between them. */
export const RINGS: readonly Recipe[] = Object.entries(ALTERNATING).map(([name, sizes]) => ({
  id: `rings.${name}`,
  care: { rounds: 6000, polygons: 2 },
  error: WAYS,
  problem: () => alternating(sizes),
  read: ({ shifts }) => ({ [`rings.${name}.period`]: shifts[0]! / 2 }),
}));
