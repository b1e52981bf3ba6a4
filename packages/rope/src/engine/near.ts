import { PER_IMAGE } from './images.js';
import type { Laid } from './laid.js';

const { PI, abs, ceil, max, min, sqrt } = Math;

/** Edges in a block: blocks that are far apart are not looked into. */
const BLOCK = 8;

/**
 * Pairs of edges near enough to come to touch soon, each with how hard they pressed on each other when the list was
 * made before. Pairs come in an order that is always the same, so that both lists are gone through side by side.
 */
export class NearPairs {
  count = 0;
  /** Slots where the two edges begin, and the image that the second stands for. */
  a = new Int32Array(1024);
  b = new Int32Array(1024);
  image = new Int32Array(1024);
  /** Edges from the first to the second along one rope, going on through cells; NaN on unlike ropes. */
  apart = new Float64Array(1024);
  press = new Float64Array(1024);
  private keys = new Float64Array(1024);
  private oldKeys = new Float64Array(1024);
  private oldPress = new Float64Array(1024);
  /** Slots where an edge begins, strand after strand. */
  private readonly starts: Int32Array;
  private readonly middles: Float64Array;
  private readonly balls: Float64Array;
  private readonly at: Float64Array;
  /** Edges from the beginning of a strand to that of another one's image along the rope, or NaN. */
  private readonly ways: Float64Array;

  /** @param skin further than contact, in the unit of the points, that a pair may be apart */
  constructor(
    private readonly laid: Laid,
    private readonly skin: number,
  ) {
    const starts: number[] = [];
    for (let s = 0; s < laid.strands; s++) {
      for (let q = 0; q < laid.edges[s]!; q++) starts.push(laid.first[s]! + q);
    }
    this.starts = Int32Array.from(starts);
    this.middles = new Float64Array(3 * starts.length);
    this.balls = new Float64Array(4 * ceil(starts.length / BLOCK));
    this.at = new Float64Array(laid.x.length);
    this.ways = ways(laid);
  }

  /** Whether something moved so far that a pair may be missing. */
  get stale(): boolean {
    const { x } = this.laid;
    const far = (0.45 * this.skin) ** 2;
    for (let i = 0; i < x.length; i += 3) {
      const u = x[i]! - this.at[i]!;
      const v = x[i + 1]! - this.at[i + 1]!;
      const w = x[i + 2]! - this.at[i + 2]!;
      if (u * u + v * v + w * w > far) return true;
    }
    return false;
  }

  find(): void {
    const { laid, starts, middles } = this;
    [this.keys, this.oldKeys] = [this.oldKeys, this.keys];
    [this.press, this.oldPress] = [this.oldPress, this.press];
    const before = this.count;
    this.count = 0;
    this.at.set(laid.x);
    let [longest, thickest] = [0, 0];
    for (let s = 0; s < laid.strands; s++) thickest = max(thickest, laid.diameter[s]!);
    for (let e = 0; e < starts.length; e++) {
      const i = 3 * starts[e]!;
      let sum = 0;
      for (let k = 0; k < 3; k++) {
        middles[3 * e + k] = (laid.x[i + k]! + laid.x[i + 3 + k]!) / 2;
        sum += (laid.x[i + 3 + k]! - laid.x[i + k]!) ** 2;
      }
      longest = max(longest, sum);
    }
    longest = sqrt(longest);
    this.wrap();
    const blocks = this.balls.length / 4;
    const m = laid.images.numbers;
    let old = 0;
    for (let p = 0; p < blocks; p++) {
      for (let image = 0; image < laid.images.count; image++) {
        const o = PER_IMAGE * image;
        for (let q = image === 0 ? p : 0; q < blocks; q++) {
          if (!this.meet(p, q, o, thickest + this.skin + longest)) continue;
          for (let e = BLOCK * p; e < min(starts.length, BLOCK * (p + 1)); e++) {
            const i = starts[e]!;
            const si = laid.strandOf[i]!;
            const low = image === 0 && q === p ? e + 1 : BLOCK * q;
            for (let f = low; f < min(starts.length, BLOCK * (q + 1)); f++) {
              const j = starts[f]!;
              const sj = laid.strandOf[j]!;
              const reach = (laid.diameter[si]! + laid.diameter[sj]!) / 2 + this.skin + longest;
              let far = 0;
              for (let k = 0; k < 3; k++) {
                const there =
                  m[o + 3 * k]! * middles[3 * f]! +
                  m[o + 3 * k + 1]! * middles[3 * f + 1]! +
                  m[o + 3 * k + 2]! * middles[3 * f + 2]! +
                  m[o + 9 + k]!;
                far += (there - middles[3 * e + k]!) ** 2;
              }
              if (far > reach * reach) continue;
              const apart = this.along(si, sj, image, i, j);
              const edges = abs(apart);
              if (
                edges < 2 ||
                (edges + 1) * laid.edge[si]! < (PI / 2) * laid.diameter[si]! * laid.thickness
              ) {
                continue;
              }
              const key =
                ((p * laid.images.count + image) * blocks + q) * BLOCK * BLOCK +
                (e % BLOCK) * BLOCK +
                (f % BLOCK);
              while (old < before && this.oldKeys[old]! < key) old++;
              const press = old < before && this.oldKeys[old] === key ? this.oldPress[old]! : 0;
              this.add(i, j, image, apart, key, press);
            }
          }
        }
      }
    }
  }

  /** Edges from one to another along one rope, less than 0 where that lies behind; NaN on unlike ropes. */
  along(si: number, sj: number, image: number, i: number, j: number): number {
    const { laid } = this;
    const way = this.ways[(image * laid.strands + si) * laid.strands + sj]!;
    const apart = way + (j - laid.first[sj]!) - (i - laid.first[si]!);
    if (laid.problem.strands[si]!.ends !== 'closed') return apart;
    const round = laid.edges[si]!;
    return apart > round / 2 ? apart - round : apart < -round / 2 ? apart + round : apart;
  }

  private add(
    i: number,
    j: number,
    image: number,
    apart: number,
    key: number,
    press: number,
  ): void {
    const n = this.count;
    if (n === this.a.length) this.grow();
    if (this.keys.length < this.a.length) this.keys = larger(this.keys, this.a.length);
    if (this.press.length < this.a.length) this.press = larger(this.press, this.a.length);
    this.a[n] = i;
    this.b[n] = j;
    this.image[n] = image;
    this.apart[n] = apart;
    this.keys[n] = key;
    this.press[n] = press;
    this.count = n + 1;
  }

  private grow(): void {
    const n = 2 * this.a.length;
    const ints = (from: Int32Array): Int32Array<ArrayBuffer> => {
      const out = new Int32Array(n);
      out.set(from);
      return out;
    };
    [this.a, this.b, this.image] = [ints(this.a), ints(this.b), ints(this.image)];
    this.apart = larger(this.apart, n);
  }

  /** A ball round the middles of every block. */
  private wrap(): void {
    const { middles, balls } = this;
    const edges = this.starts.length;
    for (let p = 0; 4 * p < balls.length; p++) {
      const [from, to] = [BLOCK * p, min(edges, BLOCK * (p + 1))];
      for (let k = 0; k < 3; k++) {
        let sum = 0;
        for (let e = from; e < to; e++) sum += middles[3 * e + k]!;
        balls[4 * p + k] = sum / (to - from);
      }
      let far = 0;
      for (let e = from; e < to; e++) {
        let sum = 0;
        for (let k = 0; k < 3; k++) sum += (middles[3 * e + k]! - balls[4 * p + k]!) ** 2;
        far = max(far, sum);
      }
      balls[4 * p + 3] = sqrt(far);
    }
  }

  /** Whether edges of two blocks, the second as an image, can be within reach. */
  private meet(p: number, q: number, o: number, reach: number): boolean {
    const { balls } = this;
    const m = this.laid.images.numbers;
    let far = 0;
    for (let k = 0; k < 3; k++) {
      const there =
        m[o + 3 * k]! * balls[4 * q]! +
        m[o + 3 * k + 1]! * balls[4 * q + 1]! +
        m[o + 3 * k + 2]! * balls[4 * q + 2]! +
        m[o + 9 + k]!;
      far += (there - balls[4 * p + k]!) ** 2;
    }
    const most = reach + balls[4 * p + 3]! + balls[4 * q + 3]!;
    return far <= most * most;
  }
}

function larger(from: Float64Array, n: number): Float64Array<ArrayBuffer> {
  const out = new Float64Array(n);
  out.set(from);
  return out;
}

/** See `NearPairs.ways`: every strand is followed on through the cells as far as images reach. */
function ways({ problem, strands, images, edges }: Laid): Float64Array {
  const out = new Float64Array(images.count * strands * strands).fill(NaN);
  const at = (image: number, from: number, to: number): number =>
    (image * strands + from) * strands + to;
  for (let s = 0; s < strands; s++) {
    out[at(0, s, s)] = 0;
    let [strand, power, far] = [s, 0, 0];
    for (let step = 0; step < 8 * strands; step++) {
      const { ends } = problem.strands[strand]!;
      if (typeof ends !== 'object') break;
      far += edges[strand]!;
      power += ends.after;
      strand = ends.joins;
      const image = images.find(power);
      if (image !== undefined && image < images.count) {
        const k = at(image, s, strand);
        if (Number.isNaN(out[k]!)) out[k] = far;
      }
      // The other way round: from there this strand lies so many cells back.
      const back = images.find(-power);
      if (back !== undefined && back < images.count) {
        const k = at(back, strand, s);
        if (Number.isNaN(out[k]!)) out[k] = -far;
      }
    }
  }
  return out;
}
