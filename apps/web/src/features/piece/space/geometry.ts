import {
  polylineLength,
  thinned,
  type SpaceBead,
  type SpaceCord,
  type SpacePlate,
} from '@coiled-strand/core';
import {
  BufferGeometry,
  CatmullRomCurve3,
  CylinderGeometry,
  Float32BufferAttribute,
  ShapeUtils,
  SphereGeometry,
  TorusGeometry,
  TubeGeometry,
  Vector2,
  Vector3,
} from 'three';

/** How finely a cord is drawn: sides of it, and steps along it for each of its diameters. */
export interface Fineness {
  readonly sides: number;
  readonly steps: number;
}
export const FINE: Fineness = { sides: 14, steps: 4 };
/** Where a cord is a few pixels thick nobody sees more. */
export const COARSE: Fineness = { sides: 6, steps: 2 };
/** While it changes many times a second: made anew each time. */
export const PASSING: Fineness = { sides: 10, steps: 3 };
/** Where it is hardly thicker than a line, and where it is one: no sides at all. */
export const FAR: Fineness = { sides: 4, steps: 1 };
export const THREAD: Fineness = { sides: 0, steps: 0 };

/** How far a cord that is a line or hardly more may be off, in its diameters: less than a pixel of the screen. */
const OFF = 0.3;

/** Some cords as lines from point to point; no more points than can be told apart, since each costs. */
export function threadsOf(cords: readonly SpaceCord[]): BufferGeometry {
  const places = cords.flatMap(({ line: whole, diameter }) => {
    const line = thinned(whole, OFF * diameter);
    return line.slice(1).flatMap((q, i) => [...line[i]!, ...q]);
  });
  return new BufferGeometry().setAttribute('position', new Float32BufferAttribute(places, 3));
}

/** More than this makes one cord too slow to draw. */
const MAX_STEPS = 6000;

/** A cord as a tube along its curve. */
export function tubeOf({ line, diameter }: SpaceCord, { sides, steps }: Fineness): TubeGeometry {
  const curve = new CatmullRomCurve3(
    line.map(([x, y, z]) => new Vector3(x, y, z)),
    false,
    'centripetal',
  );
  // Between two points that are far apart nothing bends: never more steps than it takes.
  const wanted = Math.min((steps * polylineLength(line)) / diameter, steps * 2 * line.length);
  // Length is looked up in a table as fine as the tube.
  const count = Math.min(MAX_STEPS, Math.max(2, Math.ceil(wanted)));
  curve.arcLengthDivisions = 2 * count;
  return new TubeGeometry(curve, count, diameter / 2, sides, false);
}

/** A bead as the solid that its shape is, one unit long and high, with so many sides about; its hole along x. */
export function beadOf({ shape, height, length }: SpaceBead, sides = FINE_BEAD): BufferGeometry {
  const across = Math.ceil(0.64 * sides);
  switch (shape) {
    case 'cube':
      return new CylinderGeometry(Math.SQRT1_2, Math.SQRT1_2, 1, 4)
        .rotateX(Math.PI / 4)
        .rotateZ(Math.PI / 2);
    case 'barrel':
    case 'disc':
      return new CylinderGeometry(0.5, 0.5, 1, sides).rotateZ(Math.PI / 2);
    case 'ring':
      return new TorusGeometry(
        0.5 * (1 - length / (height + length)),
        0.5 * (length / (height + length)),
        Math.max(5, Math.ceil(0.36 * sides)),
        sides,
      ).rotateY(Math.PI / 2);
    default:
      return new SphereGeometry(0.5, sides, across);
  }
}
/** Sides of a bead where it is seen close to, and where it is a few pixels large. */
const FINE_BEAD = 28;
export const COARSE_BEAD = 9;

/** How much larger than a unit a bead is along x, y and z. A ring is round about its hole. */
export const scaleOf = ({ shape, length, height }: SpaceBead): [number, number, number] => [
  shape === 'ring' ? height : length,
  height,
  height,
];

type Flat = readonly (readonly [number, number])[];

/** Whether a point lies within a closed outline. */
function within([x, y]: readonly [number, number], outline: Flat): boolean {
  let inside = false;
  outline.forEach(([x0, y0], i) => {
    const [x1, y1] = outline[(i + 1) % outline.length]!;
    if (y0 > y !== y1 > y && x < x0 + ((y - y0) / (y1 - y0)) * (x1 - x0)) inside = !inside;
  });
  return inside;
}

/** A plate as a solid: its outlines drawn out to its thickness, those inside others as holes (even-odd). */
export function solidOf({ outlines, thickness }: SpacePlate): BufferGeometry {
  const places: number[] = [];
  const z = thickness / 2;
  const about = outlines.map((one) =>
    outlines.filter((other) => other !== one && within(one[0]!, other)),
  );
  /** To the left as it is gone round, for an edge of something solid; to the right for a hole. */
  const round = (outline: Flat, left: boolean): Vector2[] => {
    const points = outline.map(([x, y]) => new Vector2(x, y));
    return ShapeUtils.isClockWise(points) === left ? points.reverse() : points;
  };
  const sides = (edge: readonly Vector2[]): void =>
    edge.forEach((p, i) => {
      const q = edge[(i + 1) % edge.length]!;
      places.push(p.x, p.y, -z, q.x, q.y, -z, q.x, q.y, z, p.x, p.y, -z, q.x, q.y, z, p.x, p.y, z);
    });
  outlines.forEach((outline, i) => {
    if (about[i]!.length % 2 === 1) return;
    const edge = round(outline, true);
    const holes = outlines.flatMap((other, j) =>
      about[j]!.length === about[i]!.length + 1 && about[j]!.includes(outline)
        ? [round(other, false)]
        : [],
    );
    const all = [edge, ...holes].flat();
    for (const [a, b, c] of ShapeUtils.triangulateShape(edge, holes)) {
      const [p, q, r] = [all[a!]!, all[b!]!, all[c!]!];
      places.push(p.x, p.y, z, q.x, q.y, z, r.x, r.y, z);
      places.push(r.x, r.y, -z, q.x, q.y, -z, p.x, p.y, -z);
    }
    sides(edge);
    holes.forEach(sides);
  });
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(places, 3));
  geometry.computeVertexNormals();
  return geometry;
}
