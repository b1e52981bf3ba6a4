import type { Run } from '../kind/run.js';
import type { Caution, Look, Step } from '../kind/step.js';
import { CAUTIONS } from '../kind/cautions.js';
import { roundUpToStep } from '../measure/round.js';
import { partKind } from '../part/registry.js';
import type { Piece } from '../piece/piece.js';
import { sitesOf } from '../piece/sites.js';
import type { Plan, StrandPlan } from '../plan/plan-types.js';
import { endsOf } from './rest.js';
import {
  cordLength,
  cordNamed,
  inSentence,
  laid,
  listed,
  say,
  type Saying,
} from '../measure/saying.js';

/** A step that is done once. */
export const onceStep = (
  stage: Step['stage'],
  id: string,
  title: Saying,
  text: Saying,
  look: Look,
  cautions: readonly Caution[] = [],
): Step => ({ id, stage, title, text, units: 1, look, cautions });

/** Where a cord is marked for its fold. */
function markOf({ cut, fold }: Pick<StrandPlan, 'cut' | 'fold'>): Saying {
  if (fold === null) return '.';
  return Math.abs(fold - cut / 2) < 0.5
    ? say`, and mark the middle at ${cordLength(fold)}.`
    : say`, and mark the fold at ${cordLength(fold)} from one end; that end is the shorter half.`;
}

function cutStep(strand: StrandPlan): Step {
  const { number, cord, given, cut, role } = strand;
  const look: Look = { kind: 'cord', strand: number };
  return given
    ? onceStep(
        'prepare',
        `cut-${number}`,
        'Have the endless loop ready',
        `${cord.name}. Lay it flat and not twisted, and mark its middle with a thread.`,
        look,
      )
    : onceStep(
        'prepare',
        `cut-${number}`,
        say`Cut cord ${number}: ${cordLength(cut)}`,
        say`${role}, ${cord.name}. Measure twice, laid straight and not stretched${markOf(strand)}`,
        look,
        [CAUTIONS.blade],
      );
}

/** Measuring and cutting, every cord with its mark. */
export const cutSteps = (plan: Plan): Step[] => [
  ...plan.strands.map(cutStep),
  ...plan.auxiliary.map((a, index) =>
    onceStep(
      'prepare',
      `cut-aux-${index + 1}`,
      say`Cut ${inSentence(a.label)}: ${cordLength(a.cut)}`,
      `${a.cord ? a.cord.name : 'Any thin strong thread'}. Lay it aside until it is needed.`,
      { kind: 'auxiliary', index },
      [CAUTIONS.blade],
    ),
  ),
];

/** `1 cord 2 (slate), 2 cord 3 (orange)`: strands by their places from the left. */
const tellOrder = (runs: readonly Run[]): Saying =>
  listed(runs.map((run, place) => say`${place + 1} ${cordNamed(run)}`));

/** From so many cords on they are told by their places. */
const ORDERED_FROM = 2;

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

/** Cords that are there from the start, in the order that the work wants them in. */
function runsAtStart(piece: Piece): readonly Run[] {
  const sites = sitesOf(piece);
  const at = piece.parts.findIndex((part) => partKind(part.kind).order !== undefined);
  const part = piece.parts[at];
  const runs = part
    ? (partKind(part.kind).order?.(part, sites[at]!) ?? [])
    : (sites[0]?.runs ?? []);
  return runs.filter((run) => !run.laidIn);
}

/**
 * Where no closure holds the cords at the start they are gathered, in order, and fixed to the board.
 *
 * @param held whether the closure has steps of its own at the start
 */
export function anchorSteps(piece: Piece, plan: Plan, held: boolean): Step[] {
  const runs = runsAtStart(piece);
  if (held || runs.length === 0) return [];
  const free = freeLengthAtStart(piece, plan);
  const begin = runs.every((run) => run.folded)
    ? 'Begin at the folds.'
    : free > 0
      ? say`Leave ${laid(free)} of each free at the start, for the closure and the fingers.`
      : 'Begin at the ends.';
  const order =
    runs.length >= ORDERED_FROM
      ? say` Lay them side by side from the left: ${tellOrder(runs)}.`
      : '';
  return [
    onceStep(
      'prepare',
      'anchor',
      runs.length > 1 ? 'Gather the cords and fix them' : 'Fix the cord',
      say`${begin}${order} Hold them with a clip or a strip of tape on the board, the work coming towards you, and check that none is twisted round another.`,
      { kind: 'start' },
    ),
  ];
}

/** Working cords that begin in the work are laid in behind the core. */
export const layInSteps = (piece: Piece, part: string): Step[] =>
  piece.strands.flatMap((strand, i) =>
    strand.laidIn
      ? [
          onceStep(
            'tie',
            `lay-in-${i + 1}`,
            `Lay cord ${i + 1} in`,
            strand.legs.length > 1
              ? 'Put its middle behind the core, close to where the knots begin, one end to each side.'
              : 'Put its end beside the core, so that the first knots cover it.',
            { kind: 'lay-in', part, strand: i + 1 },
          ),
        ]
      : [],
  );
