import type { Run } from '../kind/run.js';
import type { Caution, Look, Step } from '../kind/step.js';
import { CAUTIONS } from '../kind/cautions.js';
import { formatLength } from '../measure/format-length.js';
import { roundUpToStep } from '../measure/round.js';
import { mm, speak } from '../measure/speak.js';
import { atPlaces } from '../part/floss/model.js';
import type { Piece } from '../piece/piece.js';
import { sitesOf } from '../piece/sites.js';
import type { Plan } from '../plan/plan-types.js';
import type { MakerHabits } from './habits.js';
import { endsOf } from './rest.js';

/** A step that is done once. */
export const onceStep = (
  stage: Step['stage'],
  id: string,
  title: string,
  text: string,
  look: Look,
  cautions: readonly Caution[] = [],
): Step => ({ id, stage, title, text, units: 1, look, cautions });

/** Measuring and cutting, every cord with its mark. */
export function cutSteps(plan: Plan, habits: MakerHabits): Step[] {
  const long = (length: number): string =>
    formatLength(length, habits.cordUnit, { denominator: 8 });
  const mark = (cut: number, fold: number | null): string =>
    fold === null
      ? '.'
      : Math.abs(fold - cut / 2) < 0.5
        ? `, and mark the middle at ${long(fold)}.`
        : `, and mark the fold at ${long(fold)} from one end; that end is the shorter half.`;
  return [
    ...plan.strands.map((s): Step => {
      const look: Look = { kind: 'cord', strand: s.number };
      return s.given
        ? onceStep(
            'prepare',
            `cut-${s.number}`,
            'Have the endless loop ready',
            `${s.cord.name}. Lay it flat and unturned, and mark its middle with a thread.`,
            look,
          )
        : onceStep(
            'prepare',
            `cut-${s.number}`,
            `Cut cord ${s.number}: ${long(s.cut)}`,
            `${s.role}, ${s.cord.name}. Measure twice, laid straight and not stretched${mark(s.cut, s.fold)}`,
            look,
            [CAUTIONS.blade],
          );
    }),
    ...plan.auxiliary.map((a, index) =>
      onceStep(
        'prepare',
        `cut-aux-${index + 1}`,
        `Cut ${a.label.toLowerCase()}: ${long(a.cut)}`,
        `${a.cord ? a.cord.name : 'Any thin strong thread'}. Lay it aside until it is needed.`,
        { kind: 'auxiliary', index },
        [CAUTIONS.blade],
      ),
    ),
  ];
}

/** `1 slate, 2 orange, 3 orange`: strands by their places from the left. */
export const tellOrder = (runs: readonly Run[]): string =>
  runs.map((run, place) => `${place + 1} ${run.cord.colour.name} (cord ${run.strand})`).join(', ');

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
  const band = piece.parts.findIndex((part) => part.kind === 'knotted-floss');
  const part = piece.parts[band];
  const runs =
    part?.kind === 'knotted-floss' ? atPlaces(part, sites[band]!) : (sites[0]?.runs ?? []);
  return runs.filter((run) => !run.laidIn);
}

/**
 * Where no closure holds the cords at the start they are gathered, in order, and fixed to the board.
 *
 * @param held whether the closure has steps of its own at the start
 */
export function anchorSteps(piece: Piece, plan: Plan, held: boolean, habits: MakerHabits): Step[] {
  const runs = runsAtStart(piece);
  if (held || runs.length === 0) return [];
  const free = freeLengthAtStart(piece, plan);
  const folded = runs.every((run) => run.folded);
  const order =
    runs.length >= ORDERED_FROM ? ` Lay them side by side from the left: ${tellOrder(runs)}.` : '';
  const text = `${
    folded
      ? 'Begin at the folds.'
      : free > 0
        ? `Leave ${mm(free)} of each free at the start, for the closure and the fingers.`
        : 'Begin at the ends.'
  }${order} Hold them with a clip or a strip of tape on the board, the work coming towards you, and check that none is twisted round another.`;
  return [
    onceStep(
      'prepare',
      'anchor',
      runs.length > 1 ? 'Gather the cords and fix them' : 'Fix the cord',
      speak(text, habits.unit),
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
