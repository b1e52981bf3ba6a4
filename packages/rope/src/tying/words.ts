import type { Point } from '../base/point.js';

import type { TyingLayout } from './layout.js';
import { ORDINALS } from './ordinals.js';
import type { Heading, Where } from './planar-map.js';
import { nameOf, type Names } from './names.js';
import { tell, type Clause, type Told } from './telling.js';
import type { Lead, Tying, TyingStrand } from './tying.js';

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

const listed = (all: readonly string[]): string =>
  all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} and ${all.at(-1)!}`;

/** Where on a strand: what no word is needed for is left out. */
function tellWhere(names: Names, where: Where | undefined): string {
  if (where === undefined || 'place' in where) return '';
  if ('again' in where) return where.again === 'on' ? ' further on' : ' further back';
  if ('within' in where) return ` within ${names.told(where.within)}`;
  return 'past' in where
    ? ` beyond ${names.told(where.past)}`
    : ` before ${names.told(where.short)}`;
}

function tellStretch(names: Names, { name, from, where }: Clause, before: Clause | null): string {
  const reach = where && 'place' in where ? `the ${ORDINALS[where.place]!} reach of ` : '';
  const leg = names.leg(name);
  const short =
    leg && leg.twin === before?.name ? `its ${leg.which} leg` : name === before?.name ? 'it' : null;
  const what = short !== null && reach === '' ? short : `${reach}${names.told(name)}`;
  return `${what}${tellWhere(names, where)}${from === undefined ? '' : ` from its ${from}`}`;
}

/** Both legs of a bight that lie one after the other are told as one. */
function tellStretches(names: Names, go: readonly Clause[], before: Clause | null): string[] {
  return go.flatMap((one, i) => {
    const [last, next] = [go[i - 1], go[i + 1]];
    if (last && bightOf(names, last, one) !== null) return [];
    const bight = next ? bightOf(names, one, next) : null;
    return [
      bight === null
        ? tellStretch(names, one, last ?? before)
        : `both legs of the ${bight}${tellWhere(names, one.where)}`,
    ];
  });
}

/** The bight whose two legs are told here; null where more has to be told of the further one, or other things. */
function bightOf(names: Names, near: Clause, far: Clause): string | null {
  if (!near.nearer || near.from !== undefined || far.from !== undefined || far.where !== undefined)
    return null;
  const leg = names.leg(near.name);
  return leg?.twin === far.name ? leg.bight : null;
}

/** Stretches that are passed the same way in one go, and by numbers alone where they have such. */
function tellGo(names: Names, go: readonly Clause[], before: Clause | null): string {
  const first = go[0]!;
  const way = first.heading === before?.heading ? '' : `${WAYS[first.heading]} `;
  const numbers = go.map(({ name, from, where }) =>
    from === undefined && where === undefined ? names.numbered(name) : null,
  );
  const what =
    go.length > 1 && numbers.every((one) => one !== null && one.of === numbers[0]!.of)
      ? `${numbers[0]!.of}s ${listed(numbers.map((one) => String(one!.number)))}`
      : listed(tellStretches(names, go, before));
  return `${way}${first.over ? 'over' : 'under'} ${what}`;
}

function tellWay(names: Names, clauses: readonly Clause[]): string {
  const goes: Clause[][] = [];
  for (const one of clauses) {
    const last = goes.at(-1)?.[0];
    if (last?.over === one.over && last.heading === one.heading) goes.at(-1)!.push(one);
    else goes.push([one]);
  }
  return goes.map((go, i) => tellGo(names, go, goes[i - 1]?.at(-1) ?? null)).join(', then ');
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

function tellMove(
  tying: Tying,
  names: Names,
  { move, end, clauses, goesOn, heading, turned }: Told,
): string {
  const about = tying.round === 'middle';
  const verb = verbOf(move, clauses);
  const round = turned > 0 ? 'anticlockwise' : 'clockwise';
  const way = clauses.length === 0 ? WAYS[heading] : tellWay(names, clauses);
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
      : `${goesOn ? 'Go on with' : 'Make'} ${names.told(nameOf(tying, move))}: ${led}`;
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

/** What no words tell is looked at. */
const seenOnly = ({ tying, goes }: TyingLayout): Telling => ({
  ground: tellGround(tying),
  moves: goes.map(({ move }, i) => {
    const end = tying.strands[move.strand]!.end!;
    return `Move ${i + 1}: lead the ${end} on as the picture shows.`;
  }),
  drawUp: tying.drawUp,
});

/**
 * The words of a tying: a sentence a move, from the move alone.
 *
 * @throws RangeError where a strand is crossed that its end cannot reach
 */
export function wordsOf(layout: TyingLayout): Telling {
  const { tying } = layout;
  if (tying.seenOnly) return seenOnly(layout);
  const { told, names } = tell(layout);
  return {
    ground: tellGround(tying),
    moves: told.map((one) => tellMove(tying, names, one)),
    drawUp: tying.drawUp,
  };
}
