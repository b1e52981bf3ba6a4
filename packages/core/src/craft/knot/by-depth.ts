import { subdivided } from '@coiled-strand/rope';
import type { CordStroke, Point, Point3 } from '../../base/kind/primitive.js';
import { effectiveDiameter } from '../../base/material/cord.js';

import { strokeOf, type Drawn } from './stroke.js';

/** A cord in space, in mm: y downwards, z towards the viewer. */
export interface Stretch {
  readonly run: Drawn;
  readonly line: readonly Point3[];
  readonly state: CordStroke['state'];
}

/** Cords that touch lie this far apart in depth at least where one goes over the other, in diameters. */
const LAYER = 0.4;
/** Edges are no longer than this, in diameters, so that each lies in a layer of its own. */
const EDGE = 0.3;

/**
 * Cords in space seen from above: strokes from the lowest layer to the highest, so that what lies over is drawn over
 * what lies under.
 *
 * @param key begins the keys of the strokes
 * @param edge longest edge in diameters: longer where all is seen from further away
 */
export function byDepth(
  cords: readonly Stretch[],
  key: string,
  part: string,
  edge = EDGE,
): CordStroke[] {
  const thick = Math.max(0.05, ...cords.map(({ run }) => effectiveDiameter(run.cord)));
  const lines = cords.map(({ line }) => subdivided(line, edge * thick));
  const layerOf = ([, , a]: Point3, [, , b]: Point3): number =>
    Math.floor((a + b) / 2 / (LAYER * thick));
  const found = new Map<number, CordStroke[]>();
  lines.forEach((line, n) => {
    const { run, state } = cords[n]!;
    const pieces = new Map<number, Point[][]>();
    let last: number | null = null;
    for (let i = 0; i + 1 < line.length; i++) {
      const [p, q] = [line[i]!, line[i + 1]!];
      const layer = layerOf(p, q);
      const own = pieces.get(layer) ?? [];
      pieces.set(layer, own);
      // A stretch begins one edge early and ends one late, so that no seam shows.
      if (layer !== last) own.push([...(i > 0 ? [flat(line[i - 1]!)] : []), flat(p)]);
      own.at(-1)!.push(flat(q));
      if (last !== null && layer !== last) pieces.get(last)!.at(-1)!.push(flat(q));
      last = layer;
    }
    for (const [layer, own] of pieces) {
      const strokes = found.get(layer) ?? [];
      found.set(layer, strokes);
      strokes.push(strokeOf(run, `${key}-${n}-${layer}`, part, own, state));
    }
  });
  const caps = lines.flatMap((line, n) => {
    const { run, state } = cords[n]!;
    return [line[0], line.at(-1)].flatMap((end, which) =>
      end
        ? [
            {
              layer: Math.floor(end[2] / (LAYER * thick)),
              stroke: strokeOf(
                run,
                `${key}-${n}-end-${which}`,
                part,
                [[flat(end), flat(end)]],
                state,
                'round',
              ),
            },
          ]
        : [],
    );
  });
  // Only the ends of a cord are round: where it goes on in the next layer no seam may show.
  for (const { layer, stroke } of caps) found.set(layer, [stroke, ...(found.get(layer) ?? [])]);
  return [...found].sort(([a], [b]) => a - b).flatMap(([, strokes]) => strokes);
}

const flat = ([x, y]: Point3): Point => [x, y];
