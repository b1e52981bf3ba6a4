import type { Repeat } from './problem.js';

const AXES = { x: 0, y: 1, z: 2 } as const;
/** Numbers of an image: nine of its matrix, three of how far it is moved. */
export const PER_IMAGE = 12;

/**
 * Images of a cell: every one is the cell turned or mirrored by a matrix and then moved. The first is the cell itself.
 * An image is found by how often each repeat is carried out.
 */
export class Images {
  readonly count: number;
  /** Matrix by rows and then the move, for each image. */
  readonly numbers: Float64Array;
  readonly shifts: Float64Array;
  readonly axes: Float64Array;
  private readonly powers: readonly (readonly [number, number])[];

  /**
   * @param reach cells each way that a cord may touch, by repeat
   * @param after cells further on that a strand goes on in, at most, along the first repeat
   */
  constructor(
    private readonly repeats: readonly Repeat[],
    readonly reach: readonly number[],
    after: number,
  ) {
    const [one, two] = [reach[0] ?? 0, reach[1] ?? 0];
    const powers: [number, number][] = [[0, 0]];
    // Half of them: what touches the one image is touched by the cell from its opposite.
    for (let p = 0; p <= one; p++) {
      for (let q = p === 0 ? 1 : -two; q <= two; q++) powers.push([p, q]);
    }
    this.count = powers.length;
    // The others are only for the ends of strands that go on there.
    for (let p = one + 1; p <= after; p++) powers.push([p, 0]);
    for (let p = 1; p <= Math.max(one, after); p++) powers.push([-p, 0]);
    this.powers = powers;
    this.shifts = Float64Array.from(repeats, ({ shift }) => shift);
    this.axes = new Float64Array(3 * repeats.length);
    repeats.forEach(({ axis }, i) => (this.axes[3 * i + AXES[axis]] = 1));
    this.numbers = new Float64Array(PER_IMAGE * powers.length);
    powers.forEach(([p], i) => this.numbers.set(matrix(repeats[0], p), PER_IMAGE * i));
    this.place();
  }

  /** Where an image is among the numbers; undefined for one out of reach. */
  find(power: number, second = 0): number | undefined {
    const i = this.powers.findIndex(([p, q]) => p === power && q === second);
    return i < 0 ? undefined : i;
  }

  powerOf(image: number): readonly [number, number] {
    return this.powers[image]!;
  }

  /** Moves the images to where the shifts say. */
  place(): void {
    this.powers.forEach((powers, i) => {
      for (let k = 0; k < 3; k++) {
        let move = 0;
        for (let r = 0; r < this.repeats.length; r++) {
          move += powers[r as 0 | 1] * this.shifts[r]! * this.axes[3 * r + k]!;
        }
        this.numbers[PER_IMAGE * i + 9 + k] = move;
      }
    });
  }
}

/** Matrix by rows of a repeat carried out so often. */
function matrix(repeat: Repeat | undefined, times: number): number[] {
  const m = [1, 0, 0, 0, 1, 0, 0, 0, 1];
  if (!repeat) return m;
  if (repeat.mirror && times % 2 !== 0) {
    const k = AXES[repeat.mirror];
    m[4 * k] = -1;
  }
  if (repeat.turn) {
    const axis = AXES[repeat.axis];
    const [u, v] = [(axis + 1) % 3, (axis + 2) % 3];
    const [c, s] = [Math.cos(repeat.turn * times), Math.sin(repeat.turn * times)];
    [m[3 * u + u], m[3 * u + v], m[3 * v + u], m[3 * v + v]] = [c, -s, s, c];
  }
  return m;
}
