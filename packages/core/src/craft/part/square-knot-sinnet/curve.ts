import { bundleShape, type CoreBundle, catmullRom, polylineLength } from '@coiled-strand/rope';
import type { Point3 } from '../../../base/kind/primitive.js';

import { whereFalling } from '../../../base/measure/root.js';
import { crossSection, halfKnotCord, spiral, type SinnetForm } from './model.js';

/**
 * The centreline of a working cord in space, and everything that follows from it.
 *
 * Axes: x along the work, y across it to the right of the maker, z towards the viewer; unit: one
 * working-cord diameter. In half knot k the front cord crosses over the core from one edge to the
 * other, dives under the other cord's bump, turns behind the edge and comes back for half knot k + 1.
 * The back cord is the same curve turned half round the core, which is why both use the same length.
 */
export interface HalfKnotCurve {
  /** Centreline of the front and the back cord over half knot 0, from crossing to crossing. */
  readonly front: readonly Point3[];
  readonly back: readonly Point3[];
  /** Both lengths together: equals the model's cord per half knot. */
  readonly length: number;
  readonly pitch: number;
  /** Angle in radians by which each half knot is turned about the core against the one before. */
  readonly turn: number;
}

/** Points per span: a bend of the cord is drawn by about a dozen. */
const SAMPLES = 6;

interface Shape {
  readonly halfCore: number;
  readonly front: number;
  readonly edge: number;
  readonly pitch: number;
}

/** Way points of one cord from its front crossing at x = 0 to the next at x = pitch, by the right. */
function waypoints(form: SinnetForm, shape: Shape, slack: number): Point3[] {
  const { halfCore, front, edge, pitch } = shape;
  const slant = 0.5 * slack;
  const gate = halfCore + 0.75;
  // Flat work turns behind the edge and crosses in front again; a spiral's cord comes to the front
  // edge as a bump and goes on behind the core: front and back change places at every half knot.
  const side = form === 'flat' ? -1 : 1;
  const next = form === 'flat' ? 1 : -1;
  return [
    [0, 0, front],
    [-0.8 * slant, 0.9 * halfCore, 0.98 * front],
    [-slant, gate, 0],
    [0.5 * pitch, edge, side * slack],
    [pitch + slant, gate, 0],
    [pitch + 0.8 * slant, 0.9 * halfCore, 0.98 * front * next],
  ];
}

const rotate = (points: readonly Point3[], angle: number, perX: number): Point3[] =>
  points.map(([x, y, z]) => {
    const a = angle + perX * x;
    return [x, y * Math.cos(a) - z * Math.sin(a), y * Math.sin(a) + z * Math.cos(a)];
  });

const shift = (
  points: readonly Point3[],
  dx: number,
  mirrorY: boolean,
  mirrorZ: boolean,
): Point3[] => points.map(([x, y, z]) => [x + dx, mirrorY ? -y : y, mirrorZ ? -z : z]);

/** One cord over one half knot, as a smooth curve that joins its own continuation on both sides. */
function cordCurve(form: SinnetForm, shape: Shape, slack: number): Point3[] {
  const cell = waypoints(form, shape, slack);
  // Flat: the next half knot is this one mirrored left to right. Spiral: turned half round the core.
  const flip = form === 'spiral';
  const before = shift(cell, -shape.pitch, true, flip);
  const after = shift(cell, shape.pitch, true, flip);
  return catmullRom([before.at(-1)!, ...cell, after[0]!, after[1]!], SAMPLES);
}

/**
 * The curve of one half knot at a pitch, its slack chosen so that the curve is exactly as long as the
 * model says: the curve that is drawn is the curve that is measured.
 *
 * @param pitch finished length per half knot in working-cord diameters, > 0
 * @param cores number of cores, read only for a round bundle
 * @param packed see `halfKnotCord`
 * @returns lengths in working-cord diameters
 */
export function halfKnotCurve(
  form: SinnetForm,
  bundle: CoreBundle,
  ratio: number,
  pitch: number,
  cores = 1,
  packed = pitch,
): HalfKnotCurve {
  const core = bundleShape(bundle, ratio, cores);
  const { width } = crossSection(form, bundle, ratio, cores);
  const shape: Shape = {
    halfCore: core.width / 2,
    front: core.thickness / 2 + 0.5,
    edge: (width - 1) / 2,
    pitch,
  };
  const turn = form === 'spiral' ? (2 * Math.PI) / spiral(bundle, ratio, cores).unitsPerTurn : 0;
  const cord = (slack: number): Point3[] => rotate(cordCurve(form, shape, slack), 0, turn / pitch);
  const want = halfKnotCord(form, bundle, ratio, pitch, cores, packed) / 2;
  // More slack slants the crossings and lifts the edges: longer, steadily, and nearly in a straight line.
  const tooShort = (slack: number): number => want - polylineLength(cord(slack));
  const front = cord(whereFalling(tooShort, 0.05, 4, 1e-9));
  // Half a turn about the core maps the front cord onto the back cord.
  const back = front.map(([x, y, z]): Point3 => [x, -y, -z]);
  return { front, back, length: 2 * polylineLength(front), pitch, turn };
}

/** The curve of half knot `unit` (from 0), placed along the work. */
export function placed(
  curve: readonly Point3[],
  form: SinnetForm,
  unit: number,
  pitch: number,
  turn: number,
): Point3[] {
  if (form === 'flat') return shift(curve, unit * pitch, unit % 2 !== 0, false);
  // Half a turn about the core per half knot (the cords change places) on top of the slow spiral.
  return rotate(curve, unit * (Math.PI + turn), 0).map(([x, y, z]) => [x + unit * pitch, y, z]);
}
