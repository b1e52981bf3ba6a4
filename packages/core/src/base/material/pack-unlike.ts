/** A circle laid in the hole, the hole's middle at 0, 0. */
interface Laid {
  readonly x: number;
  readonly y: number;
  readonly r: number;
}

const TOUCHING = 1e-9;
/** As near as a hole is found, in its diameter. */
const NEAR = 1e-4;
/** Of more circles than these the area decides: they lie like equal ones. */
const MAX_CIRCLES = 12;
/** Share of a hole that many circles fill. Assumed, as for many alike. */
const DENSITY = 0.75;

const apart = (a: Laid, b: Laid): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Both points that lie at distances p and q from two points. */
function atDistances(a: Laid, p: number, b: Laid, q: number): readonly [number, number][] {
  const d = apart(a, b);
  if (d < TOUCHING || d > p + q || d < Math.abs(p - q)) return [];
  const along = (p * p - q * q + d * d) / (2 * d);
  const across = Math.sqrt(Math.max(0, p * p - along * along));
  const [ux, uy] = [(b.x - a.x) / d, (b.y - a.y) / d];
  const [x, y] = [a.x + along * ux, a.y + along * uy];
  return [
    [x - across * uy, y + across * ux],
    [x + across * uy, y - across * ux],
  ];
}

/** Whether circles can be laid one by one in a hole of radius R, each in the corner that it fits best. */
function fits(radii: readonly number[], R: number): boolean {
  const hole: Laid = { x: 0, y: 0, r: R };
  const laid: Laid[] = [];
  for (const r of radii) {
    if (r > R + TOUCHING) return false;
    if (laid.length === 0) {
      laid.push({ x: r - R, y: 0, r });
      continue;
    }
    // Corners: between the wall and one that is laid, or between two that are.
    const corners = laid.flatMap((a, i) => [
      ...atDistances(a, a.r + r, hole, R - r),
      ...laid.slice(i + 1).flatMap((b) => atDistances(a, a.r + r, b, b.r + r)),
    ]);
    let best: Laid | null = null;
    let bestRoom = Number.POSITIVE_INFINITY;
    for (const [x, y] of corners) {
      const own = { x, y, r };
      if (Math.hypot(x, y) > R - r + 1e-7) continue;
      if (laid.some((other) => apart(own, other) < other.r + r - 1e-7)) continue;
      // The corner that leaves least room round it: sum of what lies between it and all others.
      const room =
        R - r - Math.hypot(x, y) + laid.reduce((sum, o) => sum + apart(own, o) - o.r - r, 0);
      if (room < bestRoom) [best, bestRoom] = [own, room];
    }
    // Two that lie across a hole of just their width leave no corner to a wall: opposite the first.
    if (!best && laid.length === 1 && laid[0]!.r + r <= R + TOUCHING) {
      best = { x: R - r, y: 0, r };
    }
    if (!best) return false;
    laid.push(best);
  }
  return true;
}

const found = new Map<string, number>();
/** Answers that are kept; a piece has few kinds of bundles. */
const KEPT = 500;

/**
 * Diameter of a round hole that holds circles of unlike diameters: they are laid one by one, the largest
 * first, each in the corner between two others or one and the wall where it leaves least room. For three it
 * is the smallest such hole; for more that, or a few per cent more.
 *
 * @param diameters the largest first, at least two, each > 0
 * @example packUnlike([3, 0.5]) // 3.5
 */
export function packUnlike(diameters: readonly number[]): number {
  const key = diameters.join();
  const known = found.get(key);
  if (known !== undefined) return known;
  const radii = diameters.map((d) => d / 2);
  const area = Math.sqrt(radii.reduce((sum, r) => sum + r * r, 0));
  let low = Math.max(radii[0]! + radii[1]!, area);
  let high = radii.reduce((sum, r) => sum + r, 0);
  if (radii.length > MAX_CIRCLES) high = low = Math.max(low, area / Math.sqrt(DENSITY));
  else if (fits(radii, low)) high = low;
  while (high - low > NEAR * low) {
    const middle = (low + high) / 2;
    if (fits(radii, middle)) high = middle;
    else low = middle;
  }
  if (found.size >= KEPT) found.clear();
  found.set(key, 2 * high);
  return 2 * high;
}
