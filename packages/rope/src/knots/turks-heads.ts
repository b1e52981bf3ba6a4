import type { Point3 } from '../base/point.js';

import { pointsOf, span } from './measures.js';
import type { Recipe } from '../engine/recipe.js';

/** How far in and out the cord weaves, and how far beside each other passes are laid. */
const WEAVE = 0.85;
const BESIDE = 1.35;

/** A Turk's head round a core along x: every pass runs beside the one before. */
function turksHead(leads: number, bights: number, passes: number, core: number): Point3[][] {
  const out = core / 2 + 1.6;
  const side = 1.3 + (1.9 * passes * (leads - 1)) / 2;
  const n = 24 * leads * bights;
  return Array.from({ length: passes }, (_, pass) => {
    const off = (pass - (passes - 1) / 2) * BESIDE;
    return Array.from({ length: n }, (_, i): Point3 => {
      const t = (2 * Math.PI * i) / n;
      const [dx, du] = [side * bights * Math.cos(bights * t), out * leads];
      const long = Math.hypot(dx, du);
      const r = out + WEAVE * Math.sin((leads - 1) * bights * t);
      const a = leads * t - (off * dx) / long / out;
      return [side * Math.sin(bights * t) + (off * du) / long, r * Math.cos(a), r * Math.sin(a)];
    });
  });
}

const head = (leads: number, bights: number, passes: number, core: number): Recipe => {
  const id = `turks-head.${leads}x${bights}.${passes}.${core}`;
  return {
    id,
    care: { edge: 0.4, polygons: passes > 1 ? 2 : 3 },
    problem: () => ({
      strands: turksHead(leads, bights, passes, core).map((points) => ({
        points,
        diameter: 1,
        ends: 'closed',
      })),
      rods: [{ y: 0, z: 0, radius: core / 2 }],
    }),
    read: (drawn) => ({
      [`${id}.cord`]: drawn.lengths.reduce((a, b) => a + b, 0),
      [`${id}.width`]: span(pointsOf(drawn).map(([x]) => x)) + 1,
    }),
  };
};

export const TURKS_HEADS: readonly Recipe[] = [
  head(3, 4, 1, 4),
  head(3, 4, 1, 8),
  head(3, 4, 2, 4),
  head(3, 4, 2, 8),
  head(3, 4, 3, 4),
  head(3, 4, 3, 8),
  head(3, 5, 1, 4),
  head(3, 7, 1, 8),
];
