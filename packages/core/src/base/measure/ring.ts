/**
 * Where on the body a rigid part lies: a wrist is not round. On an oval of 1.3 to 1 the flat side bends like a
 * circle 1.35 times as large, the narrow one like one of 0.76 (fitted to a taut string round an oval and a
 * bar of 20 to 40 mm).
 */
export const SITS = { flat: 1.35, narrow: 0.76, round: 1 } as const;
export type Sits = keyof typeof SITS;

/** One part of a closed piece on its way round the body. All lengths in mm. */
export interface RoundPart {
  readonly kind: 'flexible' | 'rigid' | 'beads';
  /** Length along the piece, > 0. */
  readonly length: number;
  /** Height of the neutral line above the skin, >= 0: half the thickness of work lying on it. */
  readonly height: number;
  /** For beads: how many equal ones share the length. 1 when left out. */
  readonly count?: number;
  /** For what is rigid: where it lies; on the flat side when left out. */
  readonly sits?: Sits;
}

/** On a body smaller than a bead the polygon degenerates: half a turn each is the most there is. */
const half = (pitch: number, line: number): number => Math.asin(Math.min(1, pitch / (2 * line)));

const pitchOf = ({ length, count = 1 }: RoundPart): number => length / count;

/**
 * Angle in radians that a part takes by itself on a round body of inner radius r, whatever lies beside it.
 *
 *     flexible: l / (r + h)
 *     rigid:    2 atan(l / (2 (r + h)))     it touches the body at its middle, a tangent on both sides
 *     n beads:  2 n asin(p / (2 (r + h)))   p = l / n; their centres are the corners of a polygon
 */
export function angleOf(part: RoundPart, r: number): number {
  const line = r + part.height;
  switch (part.kind) {
    case 'flexible':
      return part.length / line;
    case 'rigid':
      return 2 * Math.atan(part.length / (2 * line));
    case 'beads':
      return 2 * (part.count ?? 1) * half(pitchOf(part), line);
  }
}

/** Where cord leaves a bead or a bar: half its length from its middle, at its height. */
interface Mouth {
  readonly height: number;
  readonly reach: number;
  /** How much larger than the body the circle is that it lies on. */
  readonly bent: number;
  readonly bead: boolean;
}

const mouthOf = (part: RoundPart): Mouth => ({
  height: part.height,
  reach: pitchOf(part) / 2,
  bent: part.kind === 'rigid' ? SITS[part.sits ?? 'flat'] : 1,
  bead: part.kind === 'beads',
});

/** Distance of a mouth from the middle of the body; cord never lies deeper than on the body. */
const distance = ({ height, reach }: Mouth, r: number, line: number): number =>
  Math.max(line, Math.hypot(r + height, reach));

/** Straight cord from a mouth to where it touches the line it lies on. */
const tangent = (rho: number, line: number): number =>
  Math.sqrt(Math.max(0, rho * rho - line * line));

/** How much longer that is than the line itself: sqrt(rho^2 - Rc^2) - Rc acos(Rc / rho). */
const inTheAir = (rho: number, line: number): number =>
  tangent(rho, line) - line * Math.acos(Math.min(1, line / rho));

/** Angle from one mouth to another along a straight cord of a length (law of cosines). */
function straightAngle(length: number, a: number, b: number): number {
  const cos = (a * a + b * b - length * length) / (2 * a * b);
  return Math.acos(Math.min(1, Math.max(-1, cos)));
}

/**
 * What the mouths at both ends of a flexible stretch change of the angle that it takes lying on the body.
 *
 * From a mouth the cord runs straight, touches its line and follows it; where it is too short to touch, it runs
 * straight from mouth to mouth. Beads that all but touch are as far apart as beads that do.
 *
 * @param length of the stretch, and `lying`, the angle it would take along its line of radius r + height
 */
function fromMouths(
  [a, b]: readonly [Mouth, Mouth],
  length: number,
  height: number,
  lying: number,
  r: number,
): number {
  const line = r + height;
  const air = (mouth: Mouth): number => {
    const own = mouth.bent * r;
    return inTheAir(distance(mouth, own, own + height), own + height);
  };
  const [ra, rb] = [distance(a, r, line), distance(b, r, line)];
  let change = -(air(a) + air(b)) / line;
  if (length < tangent(ra, line) + tangent(rb, line)) {
    const touching = (length - inTheAir(ra, line) - inTheAir(rb, line)) / line;
    change += straightAngle(length, ra, rb) - touching;
  }
  const apart = (mouth: Mouth): number =>
    mouth.bead
      ? half(2 * mouth.reach, r + mouth.height) - Math.atan(mouth.reach / (r + mouth.height))
      : 0;
  return Math.max(change, apart(a) + apart(b) - lying);
}

/** Angle in radians that one end of a bead or a bar takes beyond its middle, beside cord or beside its like. */
function endAngle(part: RoundPart, r: number, besideHeight: number | null): number {
  const reach = pitchOf(part) / 2;
  if (besideHeight === null) {
    return part.kind === 'beads'
      ? half(2 * reach, r + part.height)
      : Math.atan(reach / (r + part.height));
  }
  if (part.kind === 'beads') return Math.atan(reach / (r + part.height));
  // As much of the body as it takes where it lies, on the round one.
  const own = SITS[part.sits ?? 'flat'] * r;
  return ((own + besideHeight) * Math.atan(reach / (own + part.height))) / (r + besideHeight);
}

/** A run of flexible parts between two that are not, by their places in the ring. */
export interface Stretch {
  readonly places: readonly number[];
  readonly before: number;
  readonly after: number;
}

/** Where the flexible runs of a ring lie: they stay where they are, however large the body and they themselves. */
export function stretchesOf(parts: readonly Pick<RoundPart, 'kind'>[]): Stretch[] {
  const n = parts.length;
  const firm = parts.flatMap((part, i) => (part.kind === 'flexible' ? [] : [i]));
  return firm.flatMap((from, k): Stretch[] => {
    const to = firm[(k + 1) % firm.length]!;
    const steps = (to - from + n) % n || n;
    const places = Array.from({ length: steps - 1 }, (_, s) => (from + 1 + s) % n);
    return places.length > 0 ? [{ places, before: from, after: to }] : [];
  });
}

/**
 * Angles in radians that the parts of a ring take on a round body of inner radius r, each with what its
 * neighbours make of it: a taut string round the body, the beads and the bars.
 *
 * With bead or bar of height h and length p, `rho^2 = (r + h)^2 + (p / 2)^2`, and cord on a line of radius Rc,
 * each place where cord leaves one takes `sqrt(rho^2 - Rc^2) - Rc acos(Rc / rho)` of it more than the line does.
 * A rigid part lies on a circle that bends like the side of the wrist it sits on.
 *
 * @param parts in the order in which they go round; the last lies beside the first
 * @param stretches of these parts, where they are asked for many a size
 */
export function ringAngles(
  parts: readonly RoundPart[],
  r: number,
  stretches: readonly Stretch[] = stretchesOf(parts),
): number[] {
  const angles = parts.map((part) => (part.kind === 'flexible' ? angleOf(part, r) : 0));
  const heightBefore = new Map<number, number>();
  const heightAfter = new Map<number, number>();
  for (const { places, before, after } of stretches) {
    const length = places.reduce((sum, i) => sum + parts[i]!.length, 0);
    const height =
      length > 0
        ? places.reduce((sum, i) => sum + parts[i]!.length * parts[i]!.height, 0) / length
        : parts[places[0]!]!.height;
    heightAfter.set(before, height);
    heightBefore.set(after, height);
    const lying = places.reduce((sum, i) => sum + angles[i]!, 0);
    const mouths = [mouthOf(parts[before]!), mouthOf(parts[after]!)] as const;
    const change = fromMouths(mouths, length, height, lying, r);
    for (const i of places) {
      angles[i]! += length > 0 ? (change * parts[i]!.length) / length : change / places.length;
    }
  }
  return parts.map((part, i) => {
    if (part.kind === 'flexible') return angles[i] ?? 0;
    const within = ((part.count ?? 1) - 1) * 2 * half(pitchOf(part), r + part.height);
    return (
      within +
      endAngle(part, r, heightBefore.get(i) ?? null) +
      endAngle(part, r, heightAfter.get(i) ?? null)
    );
  });
}
