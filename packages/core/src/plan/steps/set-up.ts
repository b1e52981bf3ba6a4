import type { Action, CordId, End, Leg, PointWay } from '../../base/action/action.js';
import { CAUTIONS } from '../../base/kind/cautions.js';
import type { Run } from '../../base/kind/run.js';
import type { Caution, Look, Step } from '../../base/kind/step.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { frays } from '../../base/material/ends.js';
import { roundUpToStep } from '../../base/measure/round.js';
import {
  cordLength,
  cordNamed,
  inSentence,
  join,
  laid,
  listed,
  onSide,
  say,
  type Saying,
  term,
} from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { legsOf } from '../../craft/part/ends.js';
import type { Piece } from '../../piece/piece.js';
import { lookalikes } from '../alike.js';
import { catchMark } from '../catch-mark.js';
import { endsOf } from '../end-lengths.js';
import type { PlacedPart } from '../placed-parts.js';
import type { AuxiliaryPlan, Plan, StrandPlan } from '../plan-types.js';

/** A step that is done once. */
export const onceStep = (
  stage: Step['stage'],
  id: string,
  title: Saying,
  text: Saying,
  look: Look,
  actions: readonly Action[],
  cautions: readonly Caution[] = [],
): Step => ({ id, stage, title, text, units: 1, look, actions, cautions });

/** As near in mm as a mark is the middle of its cord. */
const MIDDLE = 0.5;

/** Where a cord is marked, and what for. */
interface Mark {
  readonly mm: number;
  readonly for: 'fold' | 'catch';
}

function tellMark(cut: number, { mm, for: what }: Mark): Saying {
  if (Math.abs(mm - cut / 2) < MIDDLE) return say` Mark the middle at ${cordLength(mm)}.`;
  const name = what === 'fold' ? 'the fold' : 'the place that goes round the stone';
  const half = mm < cut / 2 ? 'shorter' : 'longer';
  return say` Mark ${name} at ${cordLength(mm)} from the end of the ${half} half.`;
}

/** A loop that is there already comes with its stitches, and with the beads that are on them. */
const loopsOf = ({ parts }: Plan, strand: number): Action[] =>
  parts
    .filter(({ layout }) =>
      layout.uses.some((use) => use.strand === strand && use.reason.given === true),
    )
    .map(({ id, layout }) => ({
      do: 'have',
      cord: strand,
      place: id,
      beads: layout.beads.map((bead) => bead.id),
    }));

/**
 * Whether the ends of a cord are molten as soon as they are cut: what frays is, unless it gets a point to be strung by.
 */
const sears = ({ ends }: Piece, cord: Cord | null, pointed: boolean): boolean =>
  cord !== null && !pointed && frays(cord.kind, ends);

const searing = (cord: CordId, seared: boolean): Action[] => (seared ? [{ do: 'sear', cord }] : []);

const givesWay = (cord: Cord | null): boolean =>
  cord !== null && CORD_KIND_FACTS[cord.kind].pulledOut === true;

const pullingOut = (id: CordId, cord: Cord | null): Action[] =>
  givesWay(cord) ? [{ do: 'pull-out', cord: id }] : [];

/** How a cord is measured; the first of them with all that there is to say. */
function tellMeasuring(cord: Cord, first: boolean): string {
  if (givesWay(cord)) {
    return first
      ? ' Pull it out firmly, hand over hand, then measure it twice, straight.'
      : ' Pull it out first.';
  }
  return first ? ' Measure twice, straight and not stretched.' : '';
}

/** Cords that look alike keep their numbers from here on, as the list, the steps and the drawing call them. */
const LABEL = ' Tape its number to it.';
const SEAR = ' Singe both ends.';

function cutStep(
  piece: Piece,
  plan: Plan,
  strand: StrandPlan,
  mark: Mark | null,
  pointed: boolean,
): Step {
  const { number, cord, given, cut, role } = strand;
  const seared = sears(piece, cord, pointed);
  const look: Look = { kind: 'cord', strand: number };
  const labelled = lookalikes(plan).has(number);
  const marked: Action[] = mark ? [{ do: 'mark', cord: number, mm: mark.mm }] : [];
  if (given) {
    return onceStep(
      'prepare',
      `cut-${number}`,
      'Have the endless loop ready',
      `${cord.name}. Lay it flat and not twisted, and mark its middle with a thread.`,
      look,
      [...loopsOf(plan, number), { do: 'mark', cord: number, mm: cut / 2 }],
    );
  }
  return onceStep(
    'prepare',
    `cut-${number}`,
    say`Cut ${cordNamed({ strand: number, cord })}: ${cordLength(cut)}`,
    say`${role}, ${cord.name}, ${cord.colour.name}.${tellMeasuring(cord, number === 1)}${mark ? tellMark(cut, mark) : ''}${seared ? SEAR : ''}${labelled ? LABEL : ''}`,
    look,
    [
      ...pullingOut(number, cord),
      { do: 'measure', cord: number, mm: cut },
      ...marked,
      { do: 'cut', cord: number },
      ...searing(number, seared),
      ...(labelled ? [{ do: 'label' as const, cord: number }] : []),
    ],
    [CAUTIONS.blade, ...(seared ? [CAUTIONS.flame] : [])],
  );
}

function cutOther(piece: Piece, own: AuxiliaryPlan, index: number): Step {
  const seared = sears(piece, own.cord, false);
  return onceStep(
    'prepare',
    `cut-aux-${index + 1}`,
    say`Cut ${own.cord ? 'the ' : 'a '}${inSentence(own.label)}: ${cordLength(own.cut)}`,
    `${own.cord ? `${own.cord.name}, ${own.cord.colour.name}` : 'Any thin strong thread'}.${own.cord ? tellMeasuring(own.cord, false) : ''} Lay it aside until it is needed.${seared ? SEAR : ''}`,
    { kind: 'auxiliary', index },
    [
      ...pullingOut(own.id, own.cord),
      { do: 'measure', cord: own.id, mm: own.cut },
      { do: 'cut', cord: own.id },
      ...searing(own.id, seared),
    ],
    [CAUTIONS.blade, ...(seared ? [CAUTIONS.flame] : [])],
  );
}

/** Where a cord is marked; null where it needs no mark. */
function markOf(piece: Piece, plan: Plan, { number, fold }: StrandPlan): Mark | null {
  if (fold !== null) return { mm: fold, for: 'fold' };
  const mm = catchMark(piece, plan, number);
  return mm === null ? null : { mm, for: 'catch' };
}

/**
 * Measuring and cutting, every cord with its mark.
 *
 * @param points ends that are pointed before they are strung
 */
export const cutSteps = (piece: Piece, plan: Plan, points: readonly Pointed[]): Step[] => [
  ...plan.strands.map((strand) =>
    cutStep(
      piece,
      plan,
      strand,
      markOf(piece, plan, strand),
      points.some(({ end }) => end.cord === strand.number),
    ),
  ),
  ...plan.auxiliary.map((own, i) => cutOther(piece, own, i)),
];

/** Cords that are folded are folded at their marks. */
export function foldSteps(plan: Plan): Step[] {
  const folded = plan.strands.filter(({ fold }) => fold !== null);
  if (folded.length === 0) return [];
  const [only] = folded;
  return [
    onceStep(
      'prepare',
      'fold',
      folded.length === 1 ? say`Fold ${cordNamed(named(only!))}` : 'Fold the cords at their marks',
      `Lay ${folded.length === 1 ? 'it double at the mark' : 'each double at its mark'} and run the halves through your fingers: they must not be twisted.`,
      { kind: 'start' },
      folded.map(({ number }) => ({ do: 'fold', cord: number })),
    ),
  ];
}
const named = ({ number, cord }: StrandPlan) => ({ strand: number, cord });

/** Free ends are told in steps of this, in mm, rounded up. */
const FREE_STEP = 5;

/**
 * How much of every cord stays free at the start, in mm: half of what its closure and the fingers take
 * of a cord that reaches both ends, since nothing but closures alike at both ends begins without steps
 * of its own. None of a cord that is folded there.
 */
export function freeLengthAtStart(piece: Piece, plan: Plan): number {
  const ends = endsOf(piece, plan);
  const each = piece.strands.flatMap(({ legs, laidIn }, i) =>
    legs.length === 1 && !laidIn ? [ends[i]!.end] : [],
  );
  const most = Math.max(0, ...each);
  return most > 0 ? roundUpToStep(most / 2, FREE_STEP) : 0;
}

/** `cord 2 (slate), cord 3 (orange)`: strands by their places from the side that is begun on. */
const tellOrder = (runs: readonly Run[]): Saying =>
  listed(runs.map((run) => say`${cordNamed(run)}`));

/** The runs of a part as it wants them side by side; null where it does not matter. */
export function orderFor(
  { part, kind, site, lies }: PlacedPart,
  first: Side,
): { readonly runs: readonly Run[]; readonly from: Side } | null {
  if (!kind.entry.lateral || lies !== undefined) return null;
  // A band is told from the left, whichever hand ties it; a plait from the side that is begun on.
  return kind.order
    ? { runs: kind.order(part, site), from: 'left' }
    : { runs: site.runs, from: first };
}

/** Cords are laid side by side in order. */
export const orderStep = (
  runs: readonly Run[],
  first: Side,
  again: boolean,
  stage: Step['stage'],
  id: string,
): Step =>
  onceStep(
    stage,
    id,
    again ? 'Sort the cords again' : 'Lay the cords in order',
    say`Side by side from the ${onSide(first)}: ${tellOrder(runs)}. None twisted round another.`,
    { kind: 'order' },
    [{ do: 'order', legs: legsOf(runs), from: first }],
  );

/** Where nothing else holds the work it is fixed to the board. */
export function anchorStep(piece: Piece, plan: Plan, legs: readonly Leg[]): Step {
  const free = freeLengthAtStart(piece, plan);
  const folds = piece.strands.filter(({ laidIn }) => !laidIn).every((s) => s.legs.length > 1);
  const begin = folds
    ? 'Begin at the folds.'
    : free > 0
      ? say`Leave ${laid(free)} of ${legs.length === 1 ? 'it' : 'each'} free at the start, for the closure and the fingers.`
      : 'Begin at the ends.';
  const one = legs.length === 1;
  return onceStep(
    'prepare',
    'anchor',
    one ? 'Fix the cord to the board' : 'Gather the cords and fix them to the board',
    say`${begin} Hold ${one ? 'it' : 'them'} with a clip or tape, the work coming towards you.`,
    { kind: 'start' },
    [{ do: 'anchor', legs }],
  );
}

/** What was taken off the board to be tried on goes back on to it. */
export const anchorAgainStep = (legs: readonly Leg[]): Step =>
  onceStep(
    'tie',
    'anchor-again',
    'Fix it to the board again',
    'With a clip or tape close to where you go on, the work coming towards you.',
    { kind: 'worn' },
    [{ do: 'anchor', legs }],
  );

export const releaseStep = (): Step =>
  onceStep(
    'tie',
    'release',
    'Take the work off the board',
    'Open the clip or lift the tape, and hold the work while you do.',
    { kind: 'worn' },
    [{ do: 'release' }],
  );

const POINTING: Readonly<Record<PointWay, string>> = {
  point: 'Cut leather slanting, a finger’s breadth long, so that it runs out to a point.',
  wax: 'Wax the end and twist it to a point, or wrap a turn of tape round it and cut that slanting.',
  needle: 'Thread a needle with it; for small holes twist a fine wire round its fold.',
};

/** An end that does not go through what it is strung on by itself, and how it gets a point. */
export interface Pointed {
  readonly end: End;
  readonly how: PointWay;
}

/** Ends that are to go through holes are made to. */
export function stiffenStep(points: readonly Pointed[]): Step {
  const ways = [...new Set(points.map(({ how }) => how))];
  return onceStep(
    'prepare',
    'stiffen',
    points.length === 1
      ? 'Make a point on the end for stringing'
      : 'Make points on the ends for stringing',
    join(...ways.map((how) => say`${POINTING[how]} `), 'It is trimmed away at the end.'),
    { kind: 'start' },
    ways.map((how) => ({
      do: 'stiffen',
      ends: points.flatMap((own) => (own.how === how ? [own.end] : [])),
      how,
    })),
    [CAUTIONS.needle],
  );
}

/** Working cords that begin in the work are laid in behind the core. */
export const layInSteps = (piece: Piece, part: string): Step[] =>
  piece.strands.flatMap((strand, i) =>
    strand.laidIn
      ? [
          onceStep(
            'tie',
            `lay-in-${i + 1}`,
            say`Lay ${cordNamed({ strand: i + 1, cord: strand.cord })} in`,
            strand.legs.length > 1
              ? say`Put its middle behind the ${term('core')}, close to where the knots begin, one end to each side.`
              : say`Put its end beside the ${term('core')}, so that the first knots cover it.`,
            { kind: 'lay-in', part, strand: i + 1 },
            [{ do: 'lay-in', cord: i + 1, place: part }],
          ),
        ]
      : [],
  );
