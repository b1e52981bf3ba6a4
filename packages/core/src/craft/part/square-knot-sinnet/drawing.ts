import type { CoreBundle } from '@coiled-strand/rope';
import type { CordStroke, Point, Point3, Primitive } from '../../../base/kind/primitive.js';
import type { Side } from '../../../base/measure/side.js';
import type { DrawOptions, PartLayout } from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import { effectiveDiameter } from '../../../base/material/cord.js';

import { strokeOf } from '../../knot/stroke.js';
import { halfKnotCurve, placed, type HalfKnotCurve } from './curve.js';
import { ratioOf, type SinnetForm, type SinnetSetting } from './model.js';

/** What of a layout the drawing needs. */
export type SinnetShape = Pick<PartLayout, 'units' | 'pitch' | 'width' | 'length'>;

interface Geometry {
  readonly form: SinnetForm;
  /** Effective working-cord diameter in mm: the unit of the curve. */
  readonly unit: number;
  readonly curve: HalfKnotCurve;
}

function geometryOf(setting: SinnetSetting, layout: SinnetShape, bundle: CoreBundle): Geometry {
  const unit = effectiveDiameter(setting.working[0].cord);
  const ratio = ratioOf(setting);
  const { form } = setting;
  return {
    form,
    unit,
    curve: cached(form, bundle, ratio, layout.pitch / unit, setting.core.length, setting.packed),
  };
}

// The curve is found by bisection; while an end is dragged the same few pitches come again and again.
const curves = new Map<string, HalfKnotCurve>();
function cached(...setting: Parameters<typeof halfKnotCurve>): HalfKnotCurve {
  const key = setting.map((own) => (typeof own === 'number' ? own.toFixed(4) : own)).join(' ');
  let curve = curves.get(key);
  if (!curve) {
    if (curves.size > 500) curves.clear();
    curve = halfKnotCurve(...setting);
    curves.set(key, curve);
  }
  return curve;
}

/** A stretch of a curve, moved along the work by `dx` working-cord diameters. */
interface Stretch {
  readonly line: readonly Point3[];
  readonly dx: number;
}
interface Faces {
  readonly front: Stretch[];
  readonly back: Stretch[];
}

/** Stretches of a curve on one face of the work, cut where it passes through the core's plane. */
function faces(curve: readonly Point3[]): Faces {
  const front: Stretch[] = [];
  const back: Stretch[] = [];
  let run: Point3[] = [];
  let facing = (curve[0]?.[2] ?? 0) >= 0;
  const close = (): void => {
    if (run.length > 1) (facing ? front : back).push({ line: run, dx: 0 });
  };
  for (const point of curve) {
    const now = point[2] >= 0;
    if (now !== facing) {
      // Both runs share the point of passage, so that the cord has no gap.
      run.push(point);
      close();
      run = [run.at(-2) ?? point];
      facing = now;
    }
    run.push(point);
  }
  close();
  return { front, back };
}

type Layers = Record<'frontCord' | 'backCord', Faces>;

const along = (stretches: readonly Stretch[], dx: number): Stretch[] =>
  stretches.map(({ line, dx: old }) => ({ line, dx: old + dx }));

/** @param last the unit after which no other follows: its cords end at the edge, as tails */
function layersOf(geometry: Geometry, units: readonly number[], last: number): Layers {
  const { form, curve } = geometry;
  const { pitch, turn } = curve;
  const layers: Layers = {
    frontCord: { front: [], back: [] },
    backCord: { front: [], back: [] },
  };
  for (const [name, line] of [
    ['frontCord', curve.front],
    ['backCord', curve.back],
  ] as const) {
    const place = (at: number): Point3[] => placed(line, form, at, pitch, turn);
    // Flat half knots come again every second one: they are split once and moved along.
    const pair = form === 'flat' ? [faces(place(0)), faces(place(1))] : null;
    const facesAt = (unit: number): Faces => {
      const again = pair?.[unit % 2];
      if (again && unit !== 0 && unit !== last) {
        const dx = (unit - (unit % 2)) * pitch;
        return { front: along(again.front, dx), back: along(again.back, dx) };
      }
      const whole = place(unit);
      const half = Math.floor(whole.length / 2);
      const shown = unit === last ? whole.slice(0, half + 1) : whole;
      // Before the first crossing the cords come in from the edges, as from a half knot before it.
      return faces([...(unit === 0 ? place(-1).slice(half, -1) : []), ...shown]);
    };
    for (const unit of units) {
      const { front, back } = facesAt(unit);
      layers[name].front.push(...front);
      layers[name].back.push(...back);
    }
  }
  return layers;
}

/** Curve in cord diameters -> lines on the bench in mm; the first crossing lies half a pitch in. */
const project = (
  stretches: readonly Stretch[],
  unit: number,
  pitch: number,
  firstSide: Side,
): Point[][] => {
  // Seen on the bench the work grows to the right, so the maker's left edge is the upper one.
  const flip = firstSide === 'left' ? 1 : -1;
  return stretches.map(({ line, dx }) =>
    line.map((at): Point => [(at[0] + dx + pitch / 2) * unit, at[1] * unit * flip]),
  );
};

/** Parallel straight cores from one end of the part to the other. */
function coreStrokes(setting: SinnetSetting, part: string, length: number): CordStroke[] {
  const { core } = setting;
  return core.map((lead, i) => {
    const y = (i - (core.length - 1) / 2) * effectiveDiameter(lead.cord);
    return strokeOf(
      lead,
      `${part}-core-${i}`,
      part,
      [
        [
          [0, y],
          [length, y],
        ],
      ],
      'laid',
    );
  });
}

const range = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from) }, (_, i) => from + i);

/** Painter's order of a run of half knots: far sides, core between, near crossings, near bumps. */
function knots(
  setting: SinnetSetting,
  geometry: Geometry,
  part: string,
  units: readonly number[],
  last: number,
  firstSide: Side,
  state: CordStroke['state'],
): { readonly below: CordStroke[]; readonly above: CordStroke[] } {
  if (units.length === 0) return { below: [], above: [] };
  const [front, back] = setting.working;
  const layers = layersOf(geometry, units, last);
  const lay = (lead: Run, name: string, stretches: readonly Stretch[]): CordStroke =>
    strokeOf(
      lead,
      `${part}-${name}-${state}`,
      part,
      project(stretches, geometry.unit, geometry.curve.pitch, firstSide),
      state,
    );
  return {
    below: [
      lay(front, 'front-far', layers.frontCord.back),
      lay(back, 'back-far', layers.backCord.back),
    ],
    above: [
      lay(front, 'front-near', layers.frontCord.front),
      lay(back, 'back-near', layers.backCord.front),
    ],
  };
}

export function drawSinnet(
  setting: SinnetSetting,
  layout: SinnetShape,
  bundle: CoreBundle,
  options: DrawOptions,
): readonly Primitive[] {
  const geometry = geometryOf(setting, layout, bundle);
  const { part, done, firstSide } = options;
  const last = layout.units - 1;
  const tied = knots(setting, geometry, part, range(0, done), last, firstSide, 'laid');
  const ahead = knots(
    setting,
    geometry,
    part,
    range(done, layout.units),
    last,
    firstSide,
    'planned',
  );
  return [
    ...ahead.below,
    ...tied.below,
    ...coreStrokes(setting, part, layout.length),
    ...ahead.above,
    ...tied.above,
  ];
}
