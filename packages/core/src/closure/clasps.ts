import type { ClosureLayout, ClosureSite, ClosureState } from '../kind/closure-kind.js';
import { plainClosure } from '../kind/closure-kind.js';
import type { PartStep } from '../kind/part-kind.js';
import type { Point, Primitive } from '../kind/primitive.js';
import { KNOT_SPREAD, type Need, type Use } from '../kind/reason.js';
import type { Run } from '../kind/run.js';
import { ellipse, plateOf } from '../knot/plate.js';
import { stopper } from '../knot/stopper.js';
import { moved, straightRuns } from '../knot/stroke.js';
import { effectiveDiameter, workingTail } from '../material/cord.js';
import { PRACTICE_FACTOR } from '../material/practice.js';
import type { Advice } from '../measure/advice.js';
import { bundleOfRuns } from '../part/pick.js';
import { knotStrokes } from '../part/stopper-knot/drawing.js';
import { larksHeadCord } from './side-release-buckle/model.js';
import { once } from './steps.js';
import { endTails, useEach } from './tails.js';

/** Wire in mm of the rings that cords are tied to. Assumed: about 1 mm (18 gauge). */
const WIRE = 1;
/** Inside in mm of a ring of 5 mm made of that wire. */
const RING_INSIDE = 3;

/** Cords that tied are done with their last knot; what lies straight is tied to the ring. */
function tiedRuns(runs: readonly Run[]): readonly Run[] {
  const straight = runs.filter((run) => run.role !== 'working');
  return straight.length > 0 ? straight : runs;
}

/**
 * Cord that ties one end of the piece to a ring: on a fold a lark's head, otherwise once through the
 * ring and an overhand knot round all cords.
 */
export function tieUses(site: ClosureSite, side: 'start' | 'end'): Use[] {
  const folded = (run: Run): boolean => side === 'start' && run.folded;
  const loose = site.runs.filter((run) => !folded(run));
  const tied = tiedRuns(loose);
  const bundle = bundleOfRuns(tied);
  return [
    ...useEach(
      site.runs.filter(folded),
      {
        code: 'start.hitch',
        label: 'Hitch on the ring',
        detail: 'half of a lark’s head on its wire',
        assumed: true,
      },
      (run) => larksHeadCord(WIRE, effectiveDiameter(run.cord)) / 2,
    ),
    ...useEach(
      tied,
      {
        code: 'knot.tie',
        label: 'Knot on the ring',
        detail: 'through the ring, and an overhand knot in these cords together',
        spread: KNOT_SPREAD,
        assumed: tied.length > 1,
      },
      tied.length === 0 ? 0 : stopper('overhand', bundle).inKnot + Math.PI * (bundle + WIRE),
    ),
    ...useEach(
      tied,
      {
        code: 'end.tie',
        label: 'Ends to tie the ring with',
        detail: 'one small knot; trimmed afterwards',
      },
      (run) => (workingTail(run.cord) / 2) * (0.5 + 0.5 * PRACTICE_FACTOR[site.practice]),
    ),
    ...endTails(
      loose.filter((run) => !tied.includes(run)),
      site,
    ),
  ];
}

/** Whether a loop of cord at the start takes the clasp's place there. */
export const startsWithLoop = (site: ClosureSite): boolean => site.firstKind === 'loop';

interface ClaspSpec {
  /** What the clasp adds to the way round, closed, with the rings it is tied to, in mm. */
  readonly length: number;
  readonly thickness: number;
  /** Extra length in mm at its longest, from a chain. */
  readonly extender: number;
  /** Whether the start is a loop of cord that the clasp closes on. */
  readonly onLoop: boolean;
  readonly needs: readonly Need[];
  readonly advice: readonly Advice[];
}

export function claspStates(
  spec: Pick<ClaspSpec, 'length' | 'thickness' | 'extender'>,
): ClosureState[] {
  const at = (id: string, label: string, more: number): ClosureState => ({
    id,
    label,
    extra: [
      { kind: 'rigid', length: spec.length, height: spec.thickness / 2 },
      ...(more > 0 ? [{ kind: 'flexible' as const, length: more, height: 1 }] : []),
    ],
  });
  return spec.extender > 0
    ? [at('shortest', 'First link', 0), at('longest', 'Last link', spec.extender)]
    : [at('closed', 'Closed', 0)];
}

/** A clasp tied on at both ends, or at the end only when the start is a loop of cord. */
export function tiedClasp(site: ClosureSite, spec: ClaspSpec): ClosureLayout {
  const half = spec.length / 2 + 4;
  return plainClosure({
    states: claspStates(spec),
    reach: { start: spec.onLoop ? 0 : half, end: half + spec.extender },
    uses: [...(spec.onLoop ? [] : tieUses(site, 'start')), ...tieUses(site, 'end')],
    passages: [{ what: 'the ring', hole: RING_INSIDE, runs: tiedRuns(site.runs) }],
    needs: spec.needs,
    advice: spec.advice,
  });
}

/** A ring of wire with its cord's knot beside it; drawn to the left of x = 0 and turned by the caller. */
export function drawRing(
  site: ClosureSite,
  side: 'start' | 'end',
  at: number,
  colour: string,
  state: 'laid' | 'planned',
): Primitive[] {
  const s = side === 'start' ? -1 : 1;
  const r = 2.6;
  const reach = 2.5;
  const knot = knotStrokes('overhand', site.runs, `closure-tie-${side}`, 'closure', 0, 0, state);
  const size = stopper('overhand', bundleOfRuns(site.runs));
  const shift = side === 'start' ? at : at - size.length;
  return [
    ...straightRuns(
      site.runs,
      `closure-${side}`,
      Math.min(at, at + s * reach),
      Math.max(at, at + s * reach),
      state,
    ),
    ...moved([...knot.below, ...knot.above], shift),
    plateOf('closure', `ring-${side}`, colour, [
      ellipse(at + s * (reach + r * 0.6), 0, r),
      ellipse(at + s * (reach + r * 0.6), 0, r - WIRE),
    ]),
  ];
}

/** A chain of small links lying out from x along s. */
export const drawChain = (x: number, s: 1 | -1, length: number, colour: string): Primitive[] => {
  const link = 4;
  return Array.from({ length: Math.max(0, Math.floor(length / link)) }, (_, i) => {
    const cx = x + s * (i + 0.5) * link;
    const outline = (k: number): Point[] => ellipse(cx, 0, (link / 2 + 0.5) * k, 1.6 * k);
    return plateOf('closure', `link-${i}`, colour, [outline(1), outline(0.55)]);
  });
};

/** Steps that all tied clasps share. */
export function tieSteps(
  site: ClosureSite,
  name: string,
  onLoop: boolean,
): { readonly start: readonly PartStep[]; readonly end: readonly PartStep[] } {
  const fold = site.runs.every((run) => run.folded);
  return {
    start: onLoop
      ? []
      : [
          once(
            `Tie the start to ${name}`,
            fold
              ? 'Push the folds through the ring, pass all ends through them and pull the hitch snug.'
              : 'Pass the cords through the ring and tie one knot in all of them, close to it.',
          ),
        ],
    end: [
      once(
        'Try it on before the end is tied',
        `Hold it closed where ${name} will sit. Its place sets the size.`,
      ),
      once(
        `Tie the end to ${name}`,
        'Pass the cords through the ring and tie one knot in all of them, close to it; pull each end by itself.',
      ),
    ],
  };
}
