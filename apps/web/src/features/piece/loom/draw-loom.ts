import {
  flossKnotAt,
  flossLane,
  orderAfter,
  pathOf,
  wrapsOf,
  type Point,
  type Run,
  type Simulation,
} from '@coiled-strand/core';
import { HEADS, middleOf, pointOf, type KnotPlace, type LoomView } from './view';

/** What is drawn on the loom. */
export interface LoomScene {
  readonly view: LoomView;
  readonly sim: Simulation;
  /** Runs at their places from the left. */
  readonly runs: readonly Run[];
  /** Pixels that the band is moved to the left. */
  readonly scroll: number;
  readonly width: number;
  /** The knot that keys change, while the loom has the focus. */
  readonly cursor: KnotPlace | null;
  /** The strand that is shown alone, by its place at the start. */
  readonly shown: number | null;
  /** Whether the way of every strand is drawn over the knots. */
  readonly lanes: boolean;
  readonly ink: string;
  /** What the band lies on. */
  readonly ground: string;
  readonly mark: string;
}

/** Below this size of a thread both wraps of a knot are drawn as one. */
const WRAPS_FROM = 7;
/** How much of their colour the rows behind the repeat keep, and strands beside the one shown alone. */
const AFTERWARDS = 0.42;
const OTHERS = 0.25;

function trace(path: Path2D, line: readonly Point[], dx: number, dy: number): void {
  line.forEach(([x, y], i) =>
    i === 0 ? path.moveTo(x + dx, y + dy) : path.lineTo(x + dx, y + dy),
  );
}

/** Draws what of the band is in sight: only that, so that its length does not matter. */
export function drawLoom(ctx: CanvasRenderingContext2D, scene: LoomScene): void {
  const { view, sim, runs, scroll, width } = scene;
  const { lattice } = view;
  const [dx, dy] = [HEADS - scroll, middleOf(view)];
  const from = Math.max(0, Math.floor(scroll / lattice.along) - 2);
  const to = Math.min(sim.rows, Math.ceil((scroll + width - HEADS) / lattice.along) + 1);
  ctx.clearRect(0, 0, width, view.height);
  ctx.lineCap = 'round';
  ctx.lineJoin = 'round';
  ctx.save();
  ctx.beginPath();
  ctx.rect(HEADS, 0, width - HEADS, view.height);
  ctx.clip();

  // What follows the repeat is drawn paler: it cannot be changed there.
  band(ctx, scene, from, Math.min(to, view.rows), 1);
  if (to > view.rows) band(ctx, scene, Math.max(from, view.rows), to, AFTERWARDS);
  if (scene.lanes) runs.forEach((_, s) => way(ctx, scene, s, from, to, dx, dy, 1.2, 0.5));
  if (scene.shown !== null) way(ctx, scene, scene.shown, from, to, dx, dy, 3, 1);
  if (scene.cursor) cursor(ctx, scene, scene.cursor);
  ctx.restore();
  heads(ctx, scene);
}

/** The strands and knots of some rows. */
function band(
  ctx: CanvasRenderingContext2D,
  scene: LoomScene,
  from: number,
  to: number,
  keep: number,
): void {
  const { view, sim, runs, scroll, shown } = scene;
  const { lattice, strands, lay } = view;
  const [dx, dy] = [HEADS - scroll, middleOf(view)];
  const bare = runs.map(() => new Path2D());
  for (let r = from; r < to; r++) {
    const order = orderAfter(sim, r);
    for (let p = 0; p < strands; p++) {
      const y = flossLane(p, strands, lattice.across);
      trace(
        bare[order[p]!]!,
        [
          [r * lattice.along, y],
          [(r + 1) * lattice.along, y],
        ],
        dx,
        dy,
      );
    }
  }
  const wraps = lattice.d >= WRAPS_FROM ? 2 : 1;
  const knots = runs.map(() => new Path2D());
  for (const knot of sim.knots) {
    const path = knots[knot.worker];
    if (knot.row < from || knot.row >= to || !path) continue;
    const at = flossKnotAt(knot, strands, lattice, lay);
    for (const line of wrapsOf(at, knot.crossing, lattice, lay, wraps)) trace(path, line, dx, dy);
  }
  for (const [paths, width] of [
    [bare, 0.9],
    [knots, wraps === 2 ? 1.25 : 2.2],
  ] as const) {
    runs.forEach((run, s) => {
      const alone = shown === null || shown === s ? 1 : OTHERS;
      stroke(ctx, paths[s]!, run.cord.colour.hex, lattice.d * width, scene, keep * alone);
    });
  }
}

/** A colour as it is seen through a haze: opaque, so that what crosses does not show through. */
const hazy = (colour: string, keep: number, ground: string): string =>
  keep === 1 ? colour : `color-mix(in oklab, ${colour} ${Math.round(keep * 100)}%, ${ground})`;

/** A cord with an edge, so that neighbours of one colour stay apart. */
function stroke(
  ctx: CanvasRenderingContext2D,
  path: Path2D,
  colour: string,
  width: number,
  { ink, ground }: Pick<LoomScene, 'ink' | 'ground'>,
  keep = 1,
): void {
  ctx.strokeStyle = hazy(`color-mix(in oklab, ${ink} 55%, ${colour})`, keep, ground);
  ctx.lineWidth = width + 1.4;
  ctx.stroke(path);
  ctx.strokeStyle = hazy(colour, keep, ground);
  ctx.lineWidth = width;
  ctx.stroke(path);
}

/** The way of one strand through the band, over the knots. */
function way(
  ctx: CanvasRenderingContext2D,
  { view, sim, mark }: LoomScene,
  strand: number,
  from: number,
  to: number,
  dx: number,
  dy: number,
  width: number,
  alpha: number,
): void {
  const { lattice, strands } = view;
  const places = pathOf(sim, strand).slice(from, to + 1);
  const path = new Path2D();
  trace(
    path,
    places.map((p, i): Point => [
      (from + i) * lattice.along,
      flossLane(p, strands, lattice.across),
    ]),
    dx,
    dy,
  );
  ctx.globalAlpha = alpha;
  ctx.strokeStyle = mark;
  ctx.lineWidth = width;
  ctx.stroke(path);
  ctx.globalAlpha = 1;
}

function cursor(
  ctx: CanvasRenderingContext2D,
  { view, scroll, mark }: LoomScene,
  at: KnotPlace,
): void {
  const [x, y] = pointOf(view, at);
  const { along, across } = view.lattice;
  ctx.strokeStyle = mark;
  ctx.lineWidth = 2.5;
  ctx.beginPath();
  if (view.lay === 'leader') {
    ctx.rect(x - scroll - along / 2, y - across / 2, along, across);
  } else {
    ctx.moveTo(x - scroll - along, y);
    ctx.lineTo(x - scroll, y - across);
    ctx.lineTo(x - scroll + along, y);
    ctx.lineTo(x - scroll, y + across);
    ctx.closePath();
  }
  ctx.stroke();
}

/** The strands in their order at the left, each with its number and colour. */
function heads(ctx: CanvasRenderingContext2D, scene: LoomScene): void {
  const { view, runs, shown, ink, mark } = scene;
  const { lattice, strands } = view;
  const size = Math.min(15, Math.max(9, lattice.across * 0.75));
  ctx.font = `600 ${size}px 'Rosario Variable', sans-serif`;
  ctx.textBaseline = 'middle';
  ctx.textAlign = 'right';
  runs.forEach((run, p) => {
    const y = middleOf(view) + flossLane(p, strands, lattice.across);
    const path = new Path2D();
    path.moveTo(26, y);
    path.lineTo(HEADS + 2, y);
    stroke(ctx, path, run.cord.colour.hex, Math.max(4, lattice.d * 0.9), scene);
    ctx.fillStyle = shown === p ? mark : ink;
    ctx.fillText(String(run.strand), 18, y + 0.5);
  });
}
