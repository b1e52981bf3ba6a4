import type { Point } from '../base/point.js';

import type { LaidCrossing, TyingLayout } from './layout.js';
import { legsOf, nameOf, Names } from './names.js';
import {
  boundsOf,
  meant,
  PlanarMap,
  sideOf,
  type Dart,
  type Edge,
  type Heading,
  type Where,
  type Which,
} from './planar-map.js';
import type { Lead, Tying, TyingStrand } from './tying.js';

/** What is passed on the way, as it is told. */
export interface Clause extends Which {
  readonly over: boolean;
  /** Of the two legs of a bight, whether this one alone can be meant: the other lies behind it. */
  readonly nearer: boolean;
}

/** A move as it is told: what its end is led past, and how far round it turns before. */
export interface Told {
  readonly move: Lead;
  readonly end: string;
  readonly clauses: readonly Clause[];
  /** Whether it goes on with a stretch that was begun before. */
  readonly goesOn: boolean;
  readonly heading: Heading;
  /** In radians, anticlockwise. */
  readonly turned: number;
}

const STRAIGHT = ['right', 'up', 'left', 'down'] as const;

const ABOUT = ['outwards', 'anticlockwise', 'inwards', 'clockwise'] as const;

/** The nearest of four ways to that of a line; of a Turk's head, whether it goes to the inner rim or to the outer. */
export function headingOf([dx, dy]: Point, [x, y]: Point, round?: Tying['round']): Heading {
  const [out, along] = [dx * x + dy * y, dy * x - dx * y];
  if (round === 'rims') return out < 0 ? 'inwards' : 'outwards';
  const [u, v] = round === 'middle' ? [out, along] : [dx, dy];
  const quarter = (Math.round(Math.atan2(v, u) / (Math.PI / 2)) + 4) % 4;
  return (round === 'middle' ? ABOUT : STRAIGHT)[quarter]!;
}

/** A way outwards from the middle, or inwards where it is below 0. */
const scaledTo = ([x, y]: Point, by: number): Point => [x * by, y * by];

/** How far a line turns between two places, anticlockwise, in radians. */
function turningOf(line: readonly Point[], from: number, to: number): number {
  let sum = 0;
  for (let i = Math.max(1, Math.ceil(from)); i < Math.min(line.length - 1, to); i++) {
    const [a, b, c] = [line[i - 1]!, line[i]!, line[i + 1]!];
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
    sum += Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
  }
  return sum;
}

const angleOf = ([x, y]: Point): number => Math.atan2(y, x);

/** A place at the rim: where a strand comes in there, or goes out. */
export type RimPlace = readonly [strand: number, which: 'from' | 'to'];

/** What lies round the rim, anticlockwise. */
export const rimOf = (strands: readonly TyingStrand[]): RimPlace[] =>
  strands
    .flatMap(({ way, end, foldOf }, i) => [
      ...(foldOf === undefined ? [{ place: [i, 'from'] as const, at: angleOf(way[0]!) }] : []),
      ...(end === null ? [{ place: [i, 'to'] as const, at: angleOf(way.at(-1)!) }] : []),
    ])
    .sort((a, b) => a.at - b.at)
    .map(({ place }) => place);

/** The map of what lies there before the first move. */
function groundOf(strands: readonly TyingStrand[]): PlanarMap {
  const rim = rimOf(strands);
  // Seen from what comes up in the middle, the others lie round it the other way.
  if (strands.some(({ heading }) => heading === 'outwards')) rim.reverse();
  return new PlanarMap(
    strands.map(({ name, heading, end, foldOf }) => ({
      name,
      heading,
      through: end === null,
      ...(foldOf === undefined ? {} : { foldOf }),
    })),
    rim,
  );
}

/** Stretches of one name along a strand that are told by their number. */
export const PLACES = 6;

/** Clause by which a maker finds the stretch that is crossed: no more is told than it takes. */
function tellCrossing(
  map: PlanarMap,
  names: Names,
  strand: number,
  dart: Dart,
  over: boolean,
  heading: Heading,
  again: boolean,
): Clause {
  const name = dart.edge!.name;
  const from = dart.forward ? ('left' as const) : ('right' as const);
  const [past, short] = boundsOf(dart.edge!);
  const wheres: (Where | undefined)[] = [
    undefined,
    ...(again ? [{ again: 'on' } as const, { again: 'back' } as const] : []),
    ...(past === null ? [] : [{ past }]),
    ...(short === null ? [] : [{ short }]),
    ...(past === null ? [] : [{ within: past }]),
    ...Array.from({ length: PLACES }, (_, place) => ({ place })),
  ];
  const ways = [undefined, from].flatMap((side) =>
    wheres.map((where): Which => ({
      name,
      heading,
      ...(side === undefined ? {} : { from: side }),
      ...(where === undefined ? {} : { where }),
    })),
  );
  const enough = ways.find((which) => {
    const [one, ...others] = meant(map, strand, which);
    return others.length === 0 && one?.edge === dart.edge && one.forward === dart.forward;
  });
  if (!enough) throw new RangeError(`nothing tells which stretch of the ${name} is meant`);
  const leg = names.leg(name);
  const nearer =
    leg !== null &&
    !meant(map, strand, { ...enough, name: leg.twin }).some(
      ({ edge, forward }) => sideOf(edge!, heading) === (forward ? 'left' : 'right'),
    );
  return { ...enough, over, nearer };
}

/**
 * Every move as it is told, worked out on the map alone: what can be reached, and what of it is meant.
 *
 * @throws RangeError where a strand is crossed that its end cannot reach
 */
export function tell(layout: TyingLayout): {
  readonly told: readonly Told[];
  readonly map: PlanarMap;
  readonly names: Names;
} {
  const { tying, board, goes, crossings } = layout;
  const map = groundOf(tying.strands);
  const names = new Names(tying);
  const spans = new Spans(map, tying.strands.length);
  const told = goes.map(({ move, from, to, goesOn }, m): Told => {
    const line = board.cords[move.strand]!;
    const own = crossings.filter(({ go }) => go === m);
    const wayAt = (along: number, at: Point): Heading => {
      const i = Math.min(line.length - 2, Math.floor(along));
      const [p, q] = [line[i]!, line[i + 1]!];
      return headingOf([q[0] - p[0], q[1] - p[1]], at, tying.round);
    };
    const at = (along: number): Point => line[Math.min(line.length - 1, Math.round(along))]!;
    // A bight goes where its tip does.
    const tip = (from + to) / 2;
    const [start, stop] = [at(from), at(move.bight === undefined ? to : tip)];
    const way: Point = [stop[0] - start[0], stop[1] - start[1]];
    // From rim to rim it goes far round as well: how near the middle it ends tells whether it goes in.
    const led =
      tying.round === 'rims' ? scaledTo(start, Math.hypot(...stop) - Math.hypot(...start)) : way;
    const heading = own[0]
      ? wayAt(own[0].late.along, own[0].at)
      : headingOf(led, start, tying.round);
    const strand = tying.strands[move.strand]!;
    const makes = nameOf(tying, move);
    const [name, backName] = move.bight === undefined ? [makes, makes] : legsOf(makes);
    const begin = (along: number, called: string, heads: Heading): void => {
      spans.close(move.strand, along);
      map.begin(move.strand, called, heads);
      spans.open(move.strand, along);
    };
    begin(from, name, heading);
    const out = move.bight === undefined ? own.length : own.length / 2;
    const turnBack = (): void => begin(tip, backName, wayAt(to - 1, stop));
    const clauses: Clause[] = [];
    own.forEach((one, n) => {
      if (n === out) turnBack();
      const way = wayAt(one.late.along, one.at);
      const target = spans.at(one.early);
      const dart: Dart = { edge: target, forward: one.side === -1 };
      const reached = map
        .around(move.strand)
        .some(({ edge, forward }) => edge === target && forward === dart.forward);
      if (!reached) {
        throw new RangeError(`move ${m + 1} of ${tying.id} cannot reach the ${target.name}`);
      }
      // How a bight comes back is told by how it goes out.
      if (n < out) {
        const again = clauses.at(-1)?.name === target.name;
        clauses.push(tellCrossing(map, names, move.strand, dart, one.lateOver, way, again));
      }
      const heads = move.hangs === true && n === own.length - 1 ? 'down' : way;
      spans.cross(
        one,
        map.cross(move.strand, dart, one.lateOver, n < out ? name : backName, heads),
      );
    });
    if (move.bight !== undefined && own.length === 0) turnBack();
    const turned = turningOf(line, from, own[0]?.late.along ?? to);
    return { move, end: strand.end!, clauses, goesOn, heading, turned };
  });
  return { told, map, names };
}

/** Where the stretches on a map lie along the lines of a layout. */
class Spans {
  readonly #map: PlanarMap;
  readonly #spans = new Map<Edge, readonly [from: number, to: number]>();

  constructor(map: PlanarMap, strands: number) {
    this.#map = map;
    for (let strand = 0; strand < strands; strand++) this.open(strand, 0);
  }

  /** The last stretch of a strand, from here on. */
  open(strand: number, from: number): void {
    this.#spans.set(this.#last(strand), [from, Infinity]);
  }

  close(strand: number, to: number): void {
    const last = this.#last(strand);
    this.#spans.set(last, [this.#spans.get(last)![0], to]);
  }

  at({ cord, along }: LaidCrossing['early']): Edge {
    return this.#map.edgesOf(cord).find((edge) => {
      const [low, high] = this.#spans.get(edge)!;
      return low <= along && along < high;
    })!;
  }

  /** A stretch was crossed, and is two now. */
  cross({ early, late }: LaidCrossing, [first, second]: readonly [Edge, Edge]): void {
    const all = this.#map.edgesOf(early.cord);
    const [before, after] = [all[all.indexOf(first) - 1], all[all.indexOf(second) + 1]];
    const low = before ? this.#spans.get(before)![1] : 0;
    // What is crossed by its own end is crossed there.
    const ended = early.cord === late.cord && all.at(-2) === second;
    const high = ended ? late.along : after ? this.#spans.get(after)![0] : Infinity;
    this.#spans.set(first, [low, early.along]);
    this.#spans.set(second, [early.along, high]);
    const own = this.#map.edgesOf(late.cord);
    if (!ended) this.#endAt(own.at(-2)!, late.along);
    this.open(late.cord, late.along);
  }

  #endAt(edge: Edge, to: number): void {
    this.#spans.set(edge, [this.#spans.get(edge)![0], to]);
  }

  #last(strand: number): Edge {
    return this.#map.edgesOf(strand).at(-1)!;
  }
}

/** The map of a layout with all of its moves made. */
export const mapOf = (layout: TyingLayout): PlanarMap => tell(layout).map;
