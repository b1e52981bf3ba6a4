import type { Point } from '../base/point.js';

import type { LaidCrossing, TyingLayout } from './layout.js';
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
interface Clause extends Which {
  readonly over: boolean;
  /** Of the two legs of a bight, whether this one alone can be meant: the other lies behind it. */
  readonly nearer: boolean;
}

/** A move as it is told: what its end is led past, and how far round it turns before. */
interface Told {
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
function headingOf([dx, dy]: Point, [x, y]: Point, round: Tying['round']): Heading {
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

/** The map of what lies there before the first move. */
export function groundOf(strands: readonly TyingStrand[]): PlanarMap {
  const rim = strands
    .flatMap(({ way, end, foldOf }, i) => [
      ...(foldOf === undefined ? [{ place: [i, 'from'] as const, at: angleOf(way[0]!) }] : []),
      ...(end === null ? [{ place: [i, 'to'] as const, at: angleOf(way.at(-1)!) }] : []),
    ])
    .sort((a, b) => a.at - b.at);
  // Seen from what comes up in the middle, the others lie round it the other way.
  if (strands.some(({ heading }) => heading === 'outwards')) rim.reverse();
  return new PlanarMap(
    strands.map(({ name, heading, end, foldOf }) => ({
      name,
      heading,
      through: end === null,
      ...(foldOf === undefined ? {} : { foldOf }),
    })),
    rim.map(({ place }) => place),
  );
}

/** Clause by which a maker finds the stretch that is crossed: no more is told than it takes. */
function tellCrossing(
  map: PlanarMap,
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
    ...ORDINALS.map((_, place) => ({ place })),
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
  const twin = twinOf(name);
  const nearer =
    twin !== null &&
    !meant(map, strand, { ...enough, name: twin }).some(
      ({ edge, forward }) => sideOf(edge!, heading) === (forward ? 'left' : 'right'),
    );
  return { ...enough, over, nearer };
}

/**
 * Every move as it is told, worked out on the map alone: what can be reached, and what of it is meant.
 *
 * @throws RangeError where a strand is crossed that its end cannot reach
 */
function tell(layout: TyingLayout): {
  readonly told: readonly Told[];
  readonly map: PlanarMap;
} {
  const { tying, board, goes, crossings } = layout;
  const map = groundOf(tying.strands);
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
    const [start, stop] = [at(from), at(to)];
    const way: Point = [stop[0] - start[0], stop[1] - start[1]];
    // From rim to rim it goes far round as well: how near the middle it ends tells whether it goes in.
    const led =
      tying.round === 'rims' ? scaledTo(start, Math.hypot(...stop) - Math.hypot(...start)) : way;
    const heading = own[0]
      ? wayAt(own[0].late.along, own[0].at)
      : headingOf(led, start, tying.round);
    const strand = tying.strands[move.strand]!;
    const makes = move.makes ?? strand.name;
    const [name, backName] = move.bight === undefined ? [makes, makes] : legsOf(makes);
    const begin = (along: number, called: string, heads: Heading): void => {
      spans.close(move.strand, along);
      map.begin(move.strand, called, heads);
      spans.open(move.strand, along);
    };
    begin(from, name, heading);
    const out = move.bight === undefined ? own.length : own.length / 2;
    const tip = (from + to) / 2;
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
        clauses.push(tellCrossing(map, move.strand, dart, one.lateOver, way, again));
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
  return { told, map };
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

/** What the two legs of a bight are called: the one that is led out, and the one that comes back. */
export const legsOf = (bight: string): readonly [string, string] => [
  `${bight}’s first leg`,
  `${bight}’s second leg`,
];

/** The other leg of a bight; null for what is none. */
function twinOf(name: string): string | null {
  const leg = /^(.+)’s (first|second) leg$/.exec(name);
  return leg && legsOf(leg[1]!)[leg[2] === 'first' ? 1 : 0];
}

/** The map of a layout with all of its moves made. */
export const mapOf = (layout: TyingLayout): PlanarMap => tell(layout).map;

const WAYS: Readonly<Record<Heading, string>> = {
  right: 'to the right',
  left: 'to the left',
  up: 'up',
  down: 'down',
  inwards: 'inwards',
  outwards: 'outwards',
  clockwise: 'clockwise',
  anticlockwise: 'anticlockwise',
};
/** Ordinals of stretches along their strand. */
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'] as const;

const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;

/** A stretch by its name: a numbered one has no article. */
const named = (name: string): string => (/\d$/.test(name) ? name : `the ${name}`);

/** Where on a strand: what no word is needed for is left out. */
function tellWhere(where: Where | undefined): string {
  if (where === undefined || 'place' in where) return '';
  if ('again' in where) return where.again === 'on' ? ' further on' : ' further back';
  if ('within' in where) return ` within ${named(where.within)}`;
  return 'past' in where ? ` beyond ${named(where.past)}` : ` before ${named(where.short)}`;
}

function tellStretch({ name, from, where }: Clause, before: Clause | null): string {
  const reach = where && 'place' in where ? `the ${ORDINALS[where.place]!} reach of ` : '';
  const leg = before && twinOf(before.name) === name ? /(first|second) leg$/.exec(name)! : null;
  const short = leg ? `its ${leg[0]}` : name === before?.name ? 'it' : null;
  const what = short !== null && reach === '' ? short : `${reach}${named(name)}`;
  return `${what}${tellWhere(where)}${from === undefined ? '' : ` from its ${from}`}`;
}

/** Both legs of a bight that lie one after the other are told as one. */
function tellStretches(go: readonly Clause[], before: Clause | null): string[] {
  return go.flatMap((one, i) => {
    const [last, next] = [go[i - 1], go[i + 1]];
    if (last && bightOf(last, one) !== null) return [];
    const bight = next ? bightOf(one, next) : null;
    return [
      bight === null
        ? tellStretch(one, last ?? before)
        : `both legs of the ${bight}${tellWhere(one.where)}`,
    ];
  });
}

/** The bight whose two legs are told here; null where more has to be told of the further one, or other things. */
function bightOf(near: Clause, far: Clause): string | null {
  if (!near.nearer || near.from !== undefined || far.from !== undefined || far.where !== undefined)
    return null;
  const [a, b] = [near, far].map(({ name }) => /^(.+)’s (first|second) leg$/.exec(name));
  return a && b && a[1] === b[1] && a[2] !== b[2] ? a[1]! : null;
}

/** Stretches that are passed the same way in one go, and by numbers alone where they have such. */
function tellGo(go: readonly Clause[], before: Clause | null): string {
  const first = go[0]!;
  const way = first.heading === before?.heading ? '' : `${WAYS[first.heading]} `;
  const numbers = go.map(({ name, from, where }) =>
    from === undefined && where === undefined ? /^(\w+) (\d+)$/.exec(name) : null,
  );
  const what =
    go.length > 1 && numbers.every((one) => one !== null && one[1] === numbers[0]![1])
      ? `${numbers[0]![1]!}s ${listed(numbers.map((one) => one![2]!))}`
      : listed(tellStretches(go, before));
  return `${way}${first.over ? 'over' : 'under'} ${what}`;
}

function tellWay(clauses: readonly Clause[]): string {
  const goes: Clause[][] = [];
  for (const one of clauses) {
    const last = goes.at(-1)?.[0];
    if (last?.over === one.over && last.heading === one.heading) goes.at(-1)!.push(one);
    else goes.push([one]);
  }
  return goes.map((go, i) => tellGo(go, goes[i - 1]?.at(-1) ?? null)).join(', then ');
}

/** A turn by more than this before the first crossing is told, in radians. */
const TURNS = 2;

function verbOf({ verb }: Lead, clauses: readonly Clause[]): string {
  if (verb !== undefined) return verb;
  if (clauses.length === 0) return 'lead';
  if (clauses.every(({ over }) => over)) return 'lay';
  return clauses.every(({ over }) => !over) ? 'pass' : 'lead';
}

const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1);

function tellMove({ move, end, clauses, goesOn, heading, turned }: Told, about: boolean): string {
  const verb = verbOf(move, clauses);
  const round = turned > 0 ? 'anticlockwise' : 'clockwise';
  const way = clauses.length === 0 ? WAYS[heading] : tellWay(clauses);
  const what = move.bight === undefined ? `the ${end}` : `a bight of the ${end}`;
  // What is wound goes round in any case, a bight lies as it comes, and round a middle the way itself says so.
  const bends =
    !about &&
    Math.abs(turned) > TURNS &&
    clauses.length > 0 &&
    move.verb !== 'wind' &&
    move.bight === undefined;
  const led = `${verb} ${what} ${bends ? `round ${round}, ` : ''}${way}`;
  const made =
    move.makes === undefined
      ? capital(led)
      : `${goesOn ? 'Go on with' : 'Make'} ${named(move.makes)}: ${led}`;
  const comes = move.bight === undefined ? '' : `, end on the ${move.bight}`;
  const hangs = move.hangs === true ? ', and let it hang' : '';
  return `${made}${comes}${hangs}${move.hold === undefined ? '' : `, while the other hand holds ${move.hold}`}.`;
}

const COMES: Readonly<Record<Heading, string>> = {
  right: 'from the left',
  left: 'from the right',
  up: 'from the bottom',
  down: 'from the top',
  inwards: 'from outside',
  outwards: 'from inside',
  clockwise: '',
  anticlockwise: '',
};
const GOES: Partial<Record<Heading, string>> = {
  right: 'to the right',
  left: 'to the left',
  up: 'to the top',
  down: 'to the bottom',
};

/** Anticlockwise from the right, from 0 to a whole turn. */
const angleAbout = ([x, y]: Point): number => (Math.atan2(y, x) + 2 * Math.PI) % (2 * Math.PI);

/** Between which of what runs through a fold lies; nothing where it lies beside all of it. */
function betweenOf(strands: readonly TyingStrand[], { way }: TyingStrand): string {
  const beside = strands
    .filter(({ end, heading }) => end === null && heading === 'down')
    .sort((a, b) => a.way[0]![0] - b.way[0]![0]);
  const right = beside.findIndex((one) => one.way[0]![0] > way[0]![0]);
  return right > 0 ? `, between the ${beside[right - 1]!.name} and the ${beside[right]!.name}` : '';
}

/** What lies there, in the order in which it lies side by side. */
function tellGround({ strands }: Tying): string[] {
  const folded = (strand: number): boolean => strands.some(({ foldOf }) => foldOf === strand);
  const groups = [
    { order: 'from top to bottom', of: ['right', 'left'], by: (p: Point) => -p[1] },
    { order: 'from left to right', of: ['up', 'down'], by: (p: Point) => p[0] },
    { order: 'anticlockwise', of: ['inwards', 'outwards'], by: angleAbout },
  ];
  const folds = strands.flatMap((half) => {
    if (half.foldOf === undefined) return [];
    const other = strands[half.foldOf]!;
    const [x, y] = half.way[0]!;
    const place = Math.abs(x) < Math.abs(y) ? (y > 0 ? 'top' : 'bottom') : x > 0 ? 'right' : 'left';
    const points = [other, half].map(({ end, heading }) => `the ${end!} ${WAYS[heading]}`);
    return [
      `Lay the fold of the cord at the ${place}${betweenOf(strands, half)}: ${listed(points)}.`,
    ];
  });
  const lying = groups.flatMap(({ order, of, by }) => {
    const own = strands
      .filter(
        ({ heading, foldOf }, i) => of.includes(heading) && foldOf === undefined && !folded(i),
      )
      .sort((a, b) => by(a.way[0]!) - by(b.way[0]!));
    if (own.length === 0) return [];
    const [first] = own;
    if (own.length > 1 && own.every(({ heading }) => heading === first!.heading)) {
      const named = (some: readonly TyingStrand[]): string =>
        listed(some.map(({ name }) => `the ${name}`));
      const on = own.filter(({ end }) => end === null);
      const through =
        on.length === 0 ? '' : `; ${named(on)} ${on.length > 1 ? 'run' : 'runs'} through`;
      return [`Lay out side by side ${COMES[first!.heading]}, ${order}: ${named(own)}${through}.`];
    }
    const each = own.map(
      ({ name, heading, end }) =>
        `the ${name} ${COMES[heading]}${end === null ? ` ${GOES[heading]!}` : ''}`,
    );
    return [
      each.length === 1
        ? `Lay out ${each[0]!}.`
        : `Lay out side by side, ${order}: ${listed(each)}.`,
    ];
  });
  return [...lying, ...folds];
}

/** How a knot is tied, in sentences: what lies there, each move, and how it is drawn up. */
export interface Telling {
  readonly ground: readonly string[];
  readonly moves: readonly string[];
  readonly drawUp: readonly string[];
}

/**
 * The words of a tying: a sentence a move, from the move alone.
 *
 * @throws RangeError where a strand is crossed that its end cannot reach
 */
export const wordsOf = (layout: TyingLayout): Telling => ({
  ground: tellGround(layout.tying),
  moves: tell(layout).told.map((one) => tellMove(one, layout.tying.round === 'middle')),
  drawUp: layout.tying.drawUp,
});
