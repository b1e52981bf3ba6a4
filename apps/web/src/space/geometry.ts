import { polylineLength, thinned, type SpaceBead, type SpaceCord } from '@coiled-strand/core';
import {
  BufferGeometry,
  CatmullRomCurve3,
  CylinderGeometry,
  Float32BufferAttribute,
  SphereGeometry,
  TorusGeometry,
  TubeGeometry,
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
const MOST_STEPS = 6000;

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
  const count = Math.min(MOST_STEPS, Math.max(2, Math.ceil(wanted)));
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
