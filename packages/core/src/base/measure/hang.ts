import { whereFalling } from './root.js';

/**
 * The part of a necklace that hangs down at the front, between the two sides of the neck: a level span, as the
 * shoulders hold it. Distances along it are in mm from its lowest point, to the right of it > 0.
 */
export interface Front {
  /** From the sides of the neck down to the lowest point, in mm. */
  readonly sag: number;
  /** Place in mm: to the right of the lowest point, and above it. */
  readonly at: (along: number) => readonly [number, number];
}

const STRAIGHT: Front = { sag: 0, at: (along) => [along, 0] };

/** Far finer than a cord. */
const FINE = 1e-12;

/**
 * A line that hangs by its own weight, which is the same all along: a catenary. With its parameter a and u = span / 2a
 * its length is 2a sinh u, and it sags a (cosh u − 1). (Any textbook of statics; from memory.)
 *
 * @param span between its ends, in mm, > 0
 * @param length in mm; one that is no longer than the span lies straight
 * @example hangsByItself(100, 200).sag.toFixed(1) // '79.6'
 */
export function hangsByItself(span: number, length: number): Front {
  if (length <= span * (1 + 1e-9)) return STRAIGHT;
  const u = whereFalling((x) => length / span - Math.sinh(x) / x, 1e-6, 50, FINE);
  const a = span / (2 * u);
  return {
    sag: a * (Math.cosh(u) - 1),
    at: (along) => [a * Math.asinh(along / a), Math.hypot(a, along) - a],
  };
}

/** Radius in mm that a cord bends in where something heavy hangs from it. Assumed. */
const BEND = 6;

/**
 * A light line with something heavy at its middle: straight on both sides, round a small bend below. But for the bend
 * one of 100 mm over a span of 60 mm is two triangles of 3, 4 and 5, and sags 40 mm.
 *
 * @param span between its ends, in mm, > 0
 * @param length in mm; one that is no longer than the span lies straight
 * @example hangsWithWeight(60, 100).sag.toFixed(0) // '39'
 */
export function hangsWithWeight(span: number, length: number): Front {
  const half = length / 2;
  if (length <= span * (1 + 1e-9)) return STRAIGHT;
  const bend = Math.min(BEND, half / Math.PI);
  const reach = (angle: number): number =>
    bend * Math.sin(angle) + (half - bend * angle) * Math.cos(angle);
  const angle = whereFalling((x) => reach(x) - span / 2, 0, Math.PI / 2, FINE);
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const at = (along: number): readonly [number, number] => {
    const side = Math.sign(along);
    const far = Math.abs(along);
    if (far <= bend * angle) {
      return [side * bend * Math.sin(far / bend), bend * (1 - Math.cos(far / bend))];
    }
    const straight = far - bend * angle;
    return [side * (bend * sin + straight * cos), bend * (1 - cos) + straight * sin];
  };
  return { sag: at(half)[1], at };
}

/** How a necklace lies. Lengths in mm. */
export interface Hang {
  /** Radius of the neck, which is taken as round. */
  readonly neck: number;
  /** Along the piece at the front, from one side of the neck to the other. */
  readonly front: number;
  readonly line: Front;
  /** How far below the sides of the neck its hollow lies. */
  readonly hollow: number;
  /** From the hollow of the neck down to the lowest point of the line. */
  readonly drop: number;
}

/**
 * How a closed necklace lies on a neck: its back half goes round the neck, the rest hangs at the front. One that is
 * as long as the neck lies in its hollow, which tells how far that is below the sides. A model of our own, without
 * shoulders and chest, which carry a longer one a little further out and higher: assumed.
 *
 * @param girth of the neck in mm, > 0
 * @param length inner circumference of the necklace in mm; a shorter one than the neck counts as one that just fits
 * @param heavy whether something hangs from its middle
 * @example hangOf(360, 360, true).drop // 0
 * @example Math.round(hangOf(360, 460, true).drop) // 58
 */
export function hangOf(girth: number, length: number, heavy: boolean): Hang {
  const neck = girth / (2 * Math.PI);
  const behind = Math.PI * neck;
  const hang = heavy ? hangsWithWeight : hangsByItself;
  const front = Math.max(girth, length) - behind;
  const line = hang(2 * neck, front);
  const hollow = hang(2 * neck, girth - behind).sag;
  return { neck, front, line, hollow, drop: line.sag - hollow };
}
