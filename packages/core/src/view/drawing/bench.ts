import { memoize, smoothLine } from '@coiled-strand/rope';
import { closureKind } from '../../craft/closure/registry.js';
import type { PartLayout, PartSite } from '../../base/kind/part-kind.js';
import type { Bounds, CordStroke, Drawing, Point, Primitive } from '../../base/kind/primitive.js';

import type { Side } from '../../base/measure/side.js';

import { moved, strokeOf } from '../../craft/knot/stroke.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import { partKind, type Part } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { endInWork } from '../../piece/ends-in-work.js';
import { runsEndingByKnots, runsOf, tiedSpan } from '../../piece/runs.js';
import { placedClosure, placedParts, type PlacedPart } from '../../plan/placed-parts.js';
import type { Plan } from '../../plan/plan-types.js';
import { boundsOf } from './bounds.js';

export interface BenchOptions {
  /** Units done so far, per part id and for `closure`; what is not named is drawn whole. */
  readonly done?: Readonly<Record<string, number>>;
  readonly firstSide: Side;
  /** Whether the tails that will be trimmed are drawn. */
  readonly tails: boolean;
}

/** The ends left after the last knot, laid back along the work at their true length. */
function tailStrokes(piece: Piece, plan: Plan): CordStroke[] {
  const span = tiedSpan(piece.parts);
  const last = span ? plan.parts[span[1]] : undefined;
  if (!last) return [];
  const end = last.start + last.layout.length;
  return runsEndingByKnots(runsOf(piece))
    .slice(0, 2)
    .map((run, i) => {
      const s = i === 0 ? -1 : 1;
      const d = effectiveDiameter(run.cord);
      const edge = (last.layout.width - d) / 2;
      const away = edge + d * 3.2;
      const bend = (Math.PI / 2) * (away - edge);
      const along = Math.max(0, endInWork(piece, run.cord) - bend);
      const line: Point[] = [
        [end - d, s * edge],
        [end - d * 0.2, s * (edge + 0.3 * (away - edge))],
        [end - d * 0.4, s * (edge + 0.8 * (away - edge))],
        [end - d * 1.6, s * away],
      ];
      return strokeOf(
        run,
        `tail-${i}`,
        last.id,
        [[...smoothLine(line, 4), [end - d * 1.6 - along, s * away]]],
        'tail',
        'round',
      );
    });
}

const drawn = memoize(
  (
    layout: PartLayout,
    part: Part,
    site: PartSite,
    done: number,
    firstSide: Side,
  ): readonly Primitive[] =>
    partKind(part.kind).draw(part, site, layout, { part: part.id, done, firstSide }),
);

/** A part by itself from x = 0, with so many of its units done; kept while it stays as it is. */
export const drawPart = (
  { part, site, layout }: Pick<PlacedPart, 'part' | 'site' | 'layout'>,
  done: number,
  firstSide: Side,
): readonly Primitive[] => drawn(layout, part, site, Math.min(done, layout.units), firstSide);

/** Shapes that are drawn together, moved along the bench by x mm. */
export interface BenchLayer {
  /** Id of the part; `below`, `tails` and `above` for the rest. */
  readonly key: string;
  readonly x: number;
  readonly shapes: readonly Primitive[];
}

/** The bench in layers, in painter’s order: a layer that did not change keeps its shapes. */
export interface BenchDrawing extends Drawing {
  readonly layers: readonly BenchLayer[];
}

/** The room that shapes take, in mm; kept, since most of them stay while one part is dragged. */
export const roomOf = memoize((shapes: readonly Primitive[]): Bounds | null =>
  shapes.length === 0 ? null : boundsOf(shapes),
);

/** The smallest rectangle round all layers, with a margin in mm. */
function boundsOfLayers(layers: readonly BenchLayer[], margin: number): Bounds {
  const rooms = layers.flatMap(({ x, shapes }) => {
    const room = roomOf(shapes);
    return room ? [{ ...room, x: room.x + x }] : [];
  });
  const [left, top] = [Math.min(...rooms.map((r) => r.x)), Math.min(...rooms.map((r) => r.y))];
  const right = Math.max(...rooms.map((r) => r.x + r.width));
  const bottom = Math.max(...rooms.map((r) => r.y + r.height));
  return {
    x: left - margin,
    y: top - margin,
    width: right - left + 2 * margin,
    height: bottom - top + 2 * margin,
  };
}

/**
 * The piece along the rule: nought where its parts begin, in mm, at true scale, its closure before
 * nought and after the last part.
 */
export function drawBench(piece: Piece, plan: Plan, options: BenchOptions): BenchDrawing {
  const { length } = plan.fit;
  const kind = closureKind(piece.closure.type);
  const around = {
    length,
    tails: options.tails,
    done: options.done === undefined || (options.done.closure ?? 1) > 0,
    firstSide: options.firstSide,
  };
  const layers: BenchLayer[] = [
    { key: 'below', x: 0, shapes: kind.drawBelow?.(piece.closure, around) ?? [] },
    { key: 'tails', x: 0, shapes: options.tails ? tailStrokes(piece, plan) : [] },
    ...placedParts(piece, plan).map((placed): BenchLayer => {
      const { id, start, layout } = placed;
      const done = options.done?.[id] ?? layout.units;
      return { key: id, x: start, shapes: drawPart(placed, done, options.firstSide) };
    }),
    {
      key: 'above',
      x: 0,
      shapes: kind.draw(piece.closure, placedClosure(piece, plan), plan.closure, around),
    },
  ];
  return {
    layers,
    bounds: boundsOfLayers(layers, 2),
    // Asked for by few; laying every shape in its place is work that the layers save.
    get shapes() {
      return layers.flatMap(({ x, shapes }) => moved(shapes, x));
    },
  };
}
