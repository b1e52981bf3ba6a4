import { stopperSource } from '../knot/source.js';
import { knotInRuns } from '../part/pick.js';
import type { ClosureSite, ClosureState } from '../../base/kind/closure-kind.js';
import type { Primitive } from '../../base/kind/primitive.js';
import { PRACTICE, KNOT_SPREAD, type Use } from '../../base/kind/reason.js';
import { loopCord } from '../knot/loop.js';
import { flipped, moved, straightRuns } from '../knot/stroke.js';
import { CORD_KIND_FACTS, effectiveDiameter } from '../../base/material/cord.js';
import { laid, say, type Saying } from '../../base/measure/saying.js';
import { EYE_LIES, eyeStrokes } from '../part/loop/drawing.js';
import { knotStrokes } from '../part/stopper-knot/drawing.js';
import { closureAt, type ActionOf } from '../../base/action/action.js';
import { outerEnds, startEnds } from '../part/ends.js';
import { useEach } from './uses.js';
import { workingEnds } from '../../base/kind/working-ends.js';
import type { Measures } from '../../base/kind/closure-kind.js';

/** End in mm of a single cord's loop, turned back below its knot. */
const TURNED_BACK = 40;

/** How far round inside a loop is tied, in mm. */
export interface LoopMeasures extends Measures {
  readonly perimeter: number;
}

export interface LoopEnd {
  /** Inner perimeter in mm as it is tied: tight, since it loosens. */
  readonly perimeter: number;
  /** How far the loop lies out when it is closed: half its way round. */
  readonly reach: number;
  /** Length in mm of one knot that shuts a loop. */
  readonly knot: number;
  readonly uses: readonly Use[];
  /** Whether it is made of the folds of the strands, or of one cord turned back. */
  readonly of: 'fold' | 'turned-end' | 'both-cords';
  /** How it is tied. */
  readonly tie: ActionOf<'tie'>;
}

/** How much a loop of these cords gives. */
const stretchOf = (site: ClosureSite): number =>
  Math.max(...site.runs.map((run) => CORD_KIND_FACTS[run.cord.kind].stretch));

/**
 * A loop at one end of the piece: of the folds, of two or more cords between knots, or of a single
 * cord turned back. Tied at the tight limit times (1 - stretch), since it loosens with wear.
 *
 * @param needed inner perimeter in mm that lets its counterpart pass
 * @param side where it lies
 * @param loops how many in a row
 */
export function loopEnd(
  site: ClosureSite,
  needed: number,
  side: 'start' | 'end',
  loops: number,
): LoopEnd {
  const perimeter = needed * (1 - stretchOf(site));
  const atFold = side === 'start' && site.runs.some((run) => run.folded);
  // Beside folds a single cord goes no way round: its end is caught in their knot.
  const caught = atFold ? site.runs.filter((run) => !run.folded) : [];
  const single = !atFold && site.runs.length === 1;
  // A single cord comes back beside itself, so that the knot is tied in it twice over.
  const knot = knotInRuns('overhand', single ? [...site.runs, ...site.runs] : site.runs);
  // Cords in parallel shut each loop with a knot behind it; folds and a turned end need none there.
  const parallel = !atFold && !single;
  const knots = parallel ? loops : loops - (atFold || single ? 0 : 1);
  const of = atFold ? 'fold' : single ? 'turned-end' : 'both-cords';
  const round = (d: number): number => loopCord(perimeter, d) * (single ? 1 : 0.5);
  return {
    perimeter,
    reach: perimeter / 2,
    knot: knot.length,
    of,
    tie: {
      do: 'tie',
      place: closureAt(side),
      knot: { form: 'loop', perimeter, of, knots: Math.max(1, knots), loops },
      by:
        side === 'end'
          ? outerEnds(site.runs)
          : [...outerEnds(site.runs.filter((run) => run.folded)), ...startEnds(site.runs)],
      mm: 0,
    },
    uses: [
      ...workingEnds(caught, site, 'stopper'),
      ...useEach(
        site.runs.filter((run) => !caught.includes(run)),
        {
          area: 'closure',
          code: 'closure.loop',
          label: single ? 'Loop' : 'Half of the loop',
          detail: 'the way round inside, and π × the cord along its middle',
        },
        (run) => loops * round(effectiveDiameter(run.cord)),
      ),
      ...useEach(
        site.runs,
        {
          area: 'knot',
          code: 'knot.loop',
          label: 'Knots that shut the loop',
          detail: 'overhand, in all cords together',
          ...stopperSource('overhand', site.runs),
          spread: KNOT_SPREAD,
        },
        Math.max(1, knots) * knot.inKnot * (single ? 2 : 1),
      ),
      ...(single
        ? useEach(
            site.runs,
            {
              area: 'end',
              code: 'end.turned-back',
              label: 'End of the loop',
              detail: 'left below the knot, trimmed afterwards',
              ...PRACTICE,
            },
            TURNED_BACK,
          )
        : side === 'end' || parallel
          ? workingEnds(site.runs, site, 'stopper')
          : []),
    ],
  };
}

/** How a loop is made, so that it is so far round inside. */
export function tellLoop({ of, perimeter }: LoopEnd, loops: number): Saying {
  const p = laid(perimeter);
  switch (of) {
    case 'fold':
      return say`Clip all folds side by side and tie one knot across all cords: the loop is ${p} round inside.`;
    case 'turned-end':
      return say`Turn the end back and tie one knot in both together: the loop is ${p} round inside${loops === 2 ? '. Tie the second right behind it' : ''}.`;
    case 'both-cords':
      return say`Tie one knot in all cords ${laid(perimeter / 2)} on, for a loop ${p} round inside${loops === 2 ? '; the second right behind it' : ''}.`;
  }
}

/** One circumference for each loop; the first loop lies next to the work. */
export function loopStates(
  site: ClosureSite,
  loop: LoopEnd,
  loops: number,
  rest: number,
): ClosureState[] {
  const height = Math.max(...site.runs.map((run) => effectiveDiameter(run.cord))) / 2;
  return Array.from({ length: loops }, (_, i) => ({
    id: `loop-${i + 1}`,
    label: loops === 1 ? 'Closed' : i === 0 ? 'First loop' : 'Second loop',
    extra: [
      {
        kind: 'flexible' as const,
        length: (i + 1) * (loop.reach + loop.knot) + rest,
        height,
      },
    ],
  }));
}

/** The loop or loops lying out from the end of the work. */
export function drawLoops(
  site: ClosureSite,
  loop: LoopEnd,
  loops: number,
  side: 'start' | 'end',
  length: number,
  state: 'laid' | 'planned',
): Primitive[] {
  const shapes: Primitive[] = [];
  let x = 0;
  for (let i = 0; i < loops; i++) {
    // Outwards from the work: a knot, then the eye; drawn to the left and turned round for the end.
    const knot = knotStrokes('overhand', site.runs, `closure-loop-${i}`, 'closure', 0, 0, state);
    const at = x - loop.knot;
    shapes.push(
      ...moved(eyeStrokes(site.runs, loop.perimeter, `closure-${i}`, 'closure', state), at),
      ...moved(knot.below, at),
      // A second loop hangs from the far end of the first.
      ...straightRuns(
        site.runs,
        `closure-${i}`,
        at,
        i === 0 ? x : x + loop.reach * (1 - EYE_LIES),
        state,
      ),
      ...moved(knot.above, at),
    );
    x = at - loop.reach;
  }
  return side === 'start' ? shapes : moved(flipped(shapes), length);
}

/** What a closure with loops lays out on the side of the loops. */
export const loopReach = (loop: LoopEnd, loops: number): number => loops * (loop.reach + loop.knot);
