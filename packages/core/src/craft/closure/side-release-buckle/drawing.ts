import { smoothLine } from '@coiled-strand/rope';
import type { ClosureDraw, ClosureSite } from '../../../base/kind/closure-kind.js';
import type { CordStroke, Plate, Point, Primitive } from '../../../base/kind/primitive.js';
import type { Run } from '../../../base/kind/run.js';
import { plateOf, roundedBox } from '../../knot/plate.js';

import { strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { buckleWidth, halfLengths, type BuckleClosure } from './model.js';

/**
 * Both open halves on the bench: the socket's bar at x = 0 (body to the left), the pronged half's bar
 * at x = length (prongs to the right).
 */
export function bucklePlates(buckle: BuckleClosure, length: number): Plate[] {
  const w = buckleWidth(buckle);
  const { socket, prongs } = halfLengths(buckle);
  const { bar } = buckle;
  const plate = (key: string, outlines: Point[][], fill: Plate['fill'] = 'finding'): Plate =>
    plateOf('closure', key, buckle.colour, outlines, fill);
  const slot = (x: number): Point[] =>
    roundedBox(x, -buckle.slot / 2, bar * 1.6, buckle.slot, bar * 0.5);
  const mirror = (outline: Point[]): Point[] => outline.map(([x, y]): Point => [length - x, y]);

  const body = roundedBox(-socket, -w / 2, socket + bar / 2, w, w * 0.14);
  // Windows at the sides of the socket, where the prongs are squeezed.
  const window = (y: number): Point[] =>
    roundedBox(-socket * 0.82, y, socket * 0.36, w * 0.13, w * 0.05);
  const mouth = roundedBox(-socket, -w * 0.36, socket * 0.1, w * 0.72, 1);

  const shoulder = buckle.barToBar * 0.36;
  const tip = prongs;
  const arm = (s: 1 | -1): Point[] => [
    [-shoulder, s * w * 0.2],
    [-tip * 0.84, s * w * 0.22],
    [-tip, s * w * 0.3],
    [-tip * 0.96, s * w * 0.4],
    [-tip * 0.72, s * w * 0.5],
    [-tip * 0.62, s * w * 0.42],
    [-shoulder, s * w * 0.36],
  ];
  return [
    plate('socket', [body, slot(-bar / 2 - bar * 1.6), window(-w * 0.5), window(w * 0.37)]),
    plate('mouth', [mouth], 'finding-recess'),
    plate('tongue', [
      mirror([
        [-shoulder, -w * 0.07],
        [-tip * 0.8, -w * 0.05],
        [-tip * 0.8, w * 0.05],
        [-shoulder, w * 0.07],
      ]),
    ]),
    plate('arm-near', [mirror(arm(1))]),
    plate('arm-far', [mirror(arm(-1))]),
    plate('shoulder', [
      mirror(roundedBox(-shoulder, -w / 2, shoulder + bar / 2, w, w * 0.14)),
      mirror(slot(-bar / 2 - bar * 1.6)),
    ]),
  ];
}

/** Cords that go round a bar: the legs from the work over the bar and back. */
function turnStrokes(
  core: readonly Run[],
  bar: number,
  at: number,
  direction: 1 | -1,
): CordStroke[] {
  const d0 = effectiveDiameter(core[0]!.cord);
  const reach = bar / 2 + d0 / 2;
  return core.map((run, i) => {
    const y = (i - (core.length - 1) / 2) * effectiveDiameter(run.cord) * 1.08;
    return strokeOf(
      run,
      `closure-turn-${direction}-${i}`,
      'closure',
      [
        [
          [at + direction * reach, y],
          [at - direction * reach * 0.6, y],
        ],
      ],
      'laid',
      'round',
    );
  });
}

/** The bight of the lark's head, lying across both legs where they leave the bar. */
function hitchBight(core: readonly Run[], bar: number, at: number): CordStroke[] {
  const d = effectiveDiameter(core[0]!.cord);
  const x = at - bar / 2 - d * 0.6;
  const half = d * 1.35;
  const halves: readonly Point[][] = [
    [
      [x + d * 0.8, -half],
      [x + d * 0.1, -half * 0.95],
      [x - d * 0.1, -half * 0.4],
      [x, 0],
    ],
    [
      [x, 0],
      [x - d * 0.1, half * 0.4],
      [x + d * 0.1, half * 0.95],
      [x + d * 0.8, half],
    ],
  ];
  return halves.map((line, i) =>
    strokeOf(core[i] ?? core[0]!, `closure-bight-${i}`, 'closure', [smoothLine(line, 4)], 'laid'),
  );
}

/** The cords where they go over the bars; the halves themselves lie under them. */
export function drawTurns(
  buckle: BuckleClosure,
  site: ClosureSite,
  { length }: ClosureDraw,
): readonly Primitive[] {
  const core = site.runs.filter((run) => run.role !== 'working');
  if (core.length === 0) return [];
  return [
    ...turnStrokes(core, buckle.bar, 0, -1),
    ...turnStrokes(core, buckle.bar, length, 1),
    ...hitchBight(core, buckle.bar, length),
  ];
}
