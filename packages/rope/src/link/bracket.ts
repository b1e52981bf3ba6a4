import type { LinkCrossing, LinkDiagram } from './diagram.js';
import { writhe } from './diagram.js';
import { minus, plus, power, times } from './modulo.js';

/** Which open ends are joined to which, by their edges; and the sums of what led there, by value of the variable. */
interface State {
  readonly joined: ReadonlyMap<number, number>;
  readonly values: readonly number[];
}

/** Joins two ends. @returns whether that closes a ring */
function join(joined: Map<number, number>, a: number, b: number): boolean {
  const [far, other] = [joined.get(a), joined.get(b)];
  if (far === b || (a === b && far === undefined)) {
    joined.delete(a);
    joined.delete(b);
    return true;
  }
  joined.delete(a);
  joined.delete(b);
  const [from, to] = [far ?? a, other ?? b];
  joined.set(from, to);
  joined.set(to, from);
  return false;
}

const keyOf = (joined: ReadonlyMap<number, number>): string =>
  [...joined.entries()]
    .filter(([a, b]) => a < b)
    .sort(([a], [b]) => a - b)
    .flat()
    .join(' ');

/** The crossings in an order in which few ends are open at a time: next comes what most open ends lead to. */
function inOrder(crossings: readonly LinkCrossing[]): LinkCrossing[] {
  const left = new Set(crossings);
  const open = new Set<number>();
  const order: LinkCrossing[] = [];
  while (left.size > 0) {
    let best: LinkCrossing | null = null;
    let most = -1;
    for (const one of left) {
      const leads = one.edges.filter((edge) => open.has(edge)).length;
      if (leads > most) [best, most] = [one, leads];
    }
    left.delete(best!);
    order.push(best!);
    for (const edge of best!.edges) if (!open.delete(edge)) open.add(edge);
  }
  return order;
}

/**
 * The Kauffman bracket of a diagram at some values of its variable, modulo the prime; 1 for a plain ring.
 *
 * Each crossing is opened both ways, `<X> = A <)(> + 1/A <=>`, and each ring that closes counts `d = -A^2 - 1/A^2`.
 * Crossings are taken in one after the other, and what has the same ends joined is added up at once: with n open ends
 * there are at most Catalan(n / 2) of those, instead of 2 to the number of crossings (L. H. Kauffman, State models and
 * the Jones polynomial, Topology 26, 1987). What is joined does not depend on the values: they go along together.
 *
 * @param points none of them 0 modulo the prime
 */
export function bracketsAt({ crossings, apart }: LinkDiagram, points: readonly number[]): number[] {
  const inverses = points.map((a) => power(a, -1));
  const ring = points.map((a, i) => minus(plus(times(a, a), times(inverses[i]!, inverses[i]!))));
  let states = new Map<string, State>([['', { joined: new Map(), values: points.map(() => 1) }]]);
  for (const { edges } of inOrder(crossings)) {
    const [w, x, y, z] = edges;
    const next = new Map<string, State>();
    for (const { joined, values } of states.values()) {
      for (const [weights, pairs] of [
        [points, [w, x, y, z]],
        [inverses, [w, z, x, y]],
      ] as const) {
        const after = new Map(joined);
        const rings =
          Number(join(after, pairs[0], pairs[1])) + Number(join(after, pairs[2], pairs[3]));
        const key = keyOf(after);
        const there = next.get(key);
        next.set(key, {
          joined: after,
          values: values.map((value, i) => {
            const more = times(times(value, weights[i]!), power(ring[i]!, rings));
            return there ? plus(there.values[i]!, more) : more;
          }),
        });
      }
    }
    states = next;
  }
  // Everything is joined now: one state is left. One of its rings is not counted.
  return states.get('')!.values.map((value, i) => times(value, power(ring[i]!, apart - 1)));
}

/**
 * Values of the variable at which brackets are compared. Two polynomials of some dozens of terms that differ agree at
 * all of them by an accident of one in 10^29.
 */
export const POINTS = [3, 5_051, 977_003, 44_000_021] as const;

/**
 * The Jones polynomial of a link at those points: `(-A^3)^(-writhe) <D>` with `t = A^-4`. It is the same for all
 * diagrams of a link, and another for most that are mirror images of each other.
 */
export function jones(diagram: LinkDiagram): number[] {
  const brackets = bracketsAt(diagram, POINTS);
  return POINTS.map((a, i) => times(power(minus(power(a, 3)), -writhe(diagram)), brackets[i]!));
}
