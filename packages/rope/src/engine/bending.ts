import { HELD, type Laid } from './laid.js';

const { max, min, sqrt } = Math;

/** Share of what bent back before that a round begins with. */
const WARM = 0.6;
/** A bend pushes by no more than so many diameters in a round: contacts that are not yet seen must hold. */
const MAX_PUSH = 0.1;

/**
 * Largest second difference at a corner between edges a and b on a circle of a radius: what they bend by, and what they
 * differ by in length, square to each other.
 */
function limit(a: number, b: number, radius: number): number {
  const bend = ((a + b) / 2) ** 2 / radius;
  return sqrt(bend * bend + (a - b) * (a - b));
}

/**
 * The tightest bend: at a corner the second difference of equal edges e on a circle of radius R is e^2 / R, and may
 * not be more. What is missing is taken from the corner and its neighbours, never less than nothing.
 */
export class Bending {
  private readonly press: Float64Array;

  constructor(private readonly laid: Laid) {
    this.press = new Float64Array(laid.slots);
  }

  warm(): void {
    this.each(true);
  }

  sweep(): void {
    this.each(false);
  }

  private each(warm: boolean): void {
    const { laid, press } = this;
    const { x, kind } = laid;
    for (let s = 0; s < laid.strands; s++) {
      const radius = laid.radius[s]! * laid.thickness;
      for (let i = laid.first[s]!; i < laid.first[s]! + laid.points[s]!; i++) {
        if (kind[i] === HELD || (warm && press[i] === 0)) continue;
        const k = 3 * i;
        const ax = x[k]! - x[k - 3]!;
        const ay = x[k + 1]! - x[k - 2]!;
        const az = x[k + 2]! - x[k - 1]!;
        const bx = x[k + 3]! - x[k]!;
        const by = x[k + 4]! - x[k + 1]!;
        const bz = x[k + 5]! - x[k + 2]!;
        const ux = bx - ax;
        const uy = by - ay;
        const uz = bz - az;
        const bow = sqrt(ux * ux + uy * uy + uz * uz);
        let more: number;
        if (warm) {
          more = press[i]! * WARM;
          press[i] = more;
        } else {
          const give = 4 + (kind[i - 1] === HELD ? 0 : 1) + (kind[i + 1] === HELD ? 0 : 1);
          const most = limit(
            sqrt(ax * ax + ay * ay + az * az),
            sqrt(bx * bx + by * by + bz * bz),
            radius,
          );
          const now = min(
            MAX_PUSH * laid.diameter[s]! * laid.thickness,
            max(0, press[i]! + (bow - most) / give),
          );
          more = now - press[i]!;
          press[i] = now;
        }
        if (more === 0 || bow < 1e-12) continue;
        const f = more / bow;
        laid.push(i - 1, -f * ux, -f * uy, -f * uz);
        laid.push(i, 2 * f * ux, 2 * f * uy, 2 * f * uz);
        laid.push(i + 1, -f * ux, -f * uy, -f * uz);
      }
    }
  }

  /** Sum of what bends back times how it bows along an axis: against the push of contacts on a shift. */
  pullAlong(ax: number, ay: number, az: number): number {
    const { laid, press } = this;
    const { x } = laid;
    let sum = 0;
    for (let i = 0; i < press.length; i++) {
      if (press[i]! <= 0) continue;
      const k = 3 * i;
      const ux = x[k - 3]! - 2 * x[k]! + x[k + 3]!;
      const uy = x[k - 2]! - 2 * x[k + 1]! + x[k + 4]!;
      const uz = x[k - 1]! - 2 * x[k + 2]! + x[k + 5]!;
      const along = ux * ax + uy * ay + uz * az;
      sum += (press[i]! * along * along) / (sqrt(ux * ux + uy * uy + uz * uz) + 1e-12);
    }
    return sum;
  }

  /** Tightest bend of all over its limit: 1 at the limit, more beyond it. */
  tightest(): number {
    const { laid } = this;
    const { x, kind } = laid;
    let most = 0;
    for (let s = 0; s < laid.strands; s++) {
      for (let i = laid.first[s]!; i < laid.first[s]! + laid.points[s]!; i++) {
        if (kind[i] === HELD) continue;
        let bow = 0;
        let a = 0;
        let b = 0;
        for (let k = 3 * i; k < 3 * i + 3; k++) {
          bow += (x[k - 3]! - 2 * x[k]! + x[k + 3]!) ** 2;
          a += (x[k]! - x[k - 3]!) ** 2;
          b += (x[k + 3]! - x[k]!) ** 2;
        }
        most = max(most, sqrt(bow) / limit(sqrt(a), sqrt(b), laid.radius[s]! * laid.thickness));
      }
    }
    return most;
  }
}
