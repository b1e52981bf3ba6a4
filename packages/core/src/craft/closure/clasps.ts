import { stopperSource } from '../knot/source.js';
import {
  plainClosure,
  type Check,
  type ClosureBase,
  type ClosureEntry,
  type ClosureKind,
  type ClosureSite,
  type ClosureState,
  type NoMeasures,
} from '../../base/kind/closure-kind.js';
import { COLOUR_FIELD, nameField, type Field } from '../../base/kind/field.js';
import type { PartStep } from '../../base/kind/part-kind.js';
import type { Point, Primitive } from '../../base/kind/primitive.js';
import { KNOT_SPREAD, type Need, type Use } from '../../base/kind/reason.js';
import type { Run } from '../../base/kind/run.js';
import type { Tied } from '../../base/kind/step.js';
import { tiedIn } from '../knot/tied.js';
import { ellipse, plateOf, roundedBox } from '../knot/plate.js';
import { moved, straightRuns } from '../knot/stroke.js';
import { effectiveDiameter } from '../../base/material/cord.js';
import type { Advice } from '../../base/measure/advice.js';
import type { RoundPart } from '../../base/measure/ring.js';
import { cordNamed, listed, say, type Saying, term } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import { AT_END, AT_START, type Action } from '../../base/action/action.js';
import { CAUTIONS } from '../../base/kind/cautions.js';
import { cordsOf, helpThrough, outerEnds, startEnds } from '../part/ends.js';
import { bundleOfRuns, knotInRuns } from '../part/pick.js';
import { knotStrokes } from '../part/stopper-knot/drawing.js';
import { larksHeadCord } from './side-release-buckle/model.js';
import {
  EYE_FIELD,
  eyeAdvice,
  eyeOf,
  ringFor,
  throughEye,
  tiedRuns,
  WIRE,
  type JumpRing,
  type WithEye,
} from './eyes.js';
import { tiedStep, tryOn, useEach } from './uses.js';
import { workingEnds } from '../../base/kind/working-ends.js';

/**
 * Cord that ties one end of the piece to a ring: on a fold a lark's head, otherwise once through the
 * ring and an overhand knot round all cords.
 */
function tieUses(site: ClosureSite, side: 'start' | 'end'): Use[] {
  const folded = (run: Run): boolean => side === 'start' && run.folded;
  const loose = site.runs.filter((run) => !folded(run));
  const tied = tiedRuns(loose);
  const bundle = bundleOfRuns(tied);
  return [
    ...useEach(
      site.runs.filter(folded),
      {
        area: 'start',
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
        area: 'knot',
        code: 'knot.tie',
        label: 'Knot on the ring',
        detail: 'through the ring, and an overhand knot in these cords together',
        spread: KNOT_SPREAD,
        ...stopperSource('overhand', tied),
      },
      tied.length === 0 ? 0 : knotInRuns('overhand', tied).inKnot + Math.PI * (bundle + WIRE),
    ),
    ...workingEnds(tied, site, 'stopper'),
    ...workingEnds(
      loose.filter((run) => !tied.includes(run)),
      site,
      'half-knot',
    ),
  ];
}

/** A clasp that lies in the round: its length with its rings, how thick it is, and a chain. In mm. */
interface ClaspSize {
  readonly length: number;
  readonly thickness: number;
  /** Extra length at its longest, from a chain. */
  readonly extender?: number;
}

/** A rigid clasp as it goes round. */
export const claspRound = ({ length, thickness }: ClaspSize): RoundPart => ({
  kind: 'rigid',
  length,
  height: thickness / 2,
});

function claspStates(size: ClaspSize): ClosureState[] {
  const { extender = 0 } = size;
  const at = (id: string, label: string, more: readonly RoundPart[]): ClosureState => ({
    id,
    label,
    extra: [claspRound(size), ...more],
  });
  return extender > 0
    ? [
        at('shortest', 'First link', []),
        at('longest', 'Last link', [{ kind: 'flexible', length: extender, height: 1 }]),
      ]
    : [at('closed', 'Closed', [])];
}

/** Rigid parts of a closure seen from their edge, one after the other, about x = 0. */
export function edgeOfRigid(parts: readonly RoundPart[], colour: string): Primitive[] {
  const rigid = parts.filter((part) => part.kind === 'rigid');
  let x = -rigid.reduce((sum, part) => sum + part.length, 0) / 2;
  return rigid.map(({ length, height }, i) => {
    const box = roundedBox(x, -2 * height, length, 2 * height, height * 0.8);
    x += length;
    return plateOf('closure', `closed-clasp-${i}`, colour, [box]);
  });
}

/** A ring of wire with its cord's knot beside it; drawn to the left of x = 0 and turned by the caller. */
function drawRing(
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
  const size = knotInRuns('overhand', site.runs);
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

/** A hook as an outline from x along the piece. */
export const hookOutline = (x: number, length: number, width: number): Point[] => [
  [x, -width * 0.18],
  [x + length * 0.55, -width * 0.18],
  [x + length * 0.9, -width * 0.5],
  [x + length, 0],
  [x + length * 0.86, width * 0.5],
  [x + length * 0.5, width * 0.5],
  [x + length * 0.5, width * 0.24],
  [x + length * 0.8, width * 0.22],
  [x + length * 0.86, -width * 0.05],
  [x + length * 0.6, width * 0.1],
  [x, width * 0.18],
];

/** A clasp that is called by name and has a colour of its own. */
export interface TiedClasp extends ClosureBase, WithEye {
  readonly name: string;
  readonly colour: string;
}

/** What tells one tied clasp from another. */
interface TiedClaspSpec<C extends TiedClasp> {
  readonly entry: ClosureEntry;
  /** What it asks for besides name and colour. */
  readonly fields: readonly Field[];
  make(): C;
  size(clasp: C): ClaspSize;
  /** Whether the start is a loop of cord that the clasp closes on. */
  onLoop?(clasp: C): boolean;
  /** What is needed besides the clasp itself. */
  needs?(clasp: C, ring: JumpRing): Need[];
  advice?(clasp: C, site: ClosureSite): Advice[];
  /** Both halves, beyond the rings that the cords are tied to. */
  draw(clasp: C, length: number): readonly Primitive[];
  /** What each end is tied to: a thing among the needs, all of it or one of its halves. */
  halves(clasp: C, ring: JumpRing): { readonly start: Held; readonly end: Held };
  /** What is hung on before an end is tied, and tried when both are. */
  before?(
    clasp: C,
    ring: JumpRing,
  ): { readonly start?: readonly PartStep[]; readonly end?: readonly PartStep[] };
  readonly after?: readonly PartStep[];
  readonly extends?: Saying;
  readonly ruleOfThumb?: ClosureKind<C>['ruleOfThumb'];
  /** What must hold when it is done. */
  readonly stays: readonly Saying[];
  readonly checks: readonly Check[];
  readonly mistakes: readonly string[];
}

/** What an end is tied to. */
interface Held {
  /** What it is called: 'the ring'. */
  readonly name: string;
  /** Its name among the needs, where the knot is what takes it, and the share of it. */
  readonly finding?: string;
  readonly share?: number;
}

/** How the runs at one side are tied to what they hold: folds by a hitch, cut ends by a knot. */
function tieActions(
  site: ClosureSite,
  side: 'start' | 'end',
  { finding, share }: Held,
  eye: number,
): Action[] {
  const place = side === 'start' ? AT_START : AT_END;
  const folds = side === 'start' ? site.runs.filter((run) => run.folded) : [];
  const loose = tiedRuns(site.runs.filter((run) => !folds.includes(run)));
  const to = finding === undefined ? {} : { to: finding, share: share ?? 1 };
  const hitch: Action = {
    do: 'tie',
    place,
    knot: { form: 'larks-head', bar: WIRE },
    by: outerEnds(folds),
    mm: 0,
    ...to,
  };
  const knot: Action = {
    do: 'tie',
    place,
    knot: { form: 'ring-knot', bar: WIRE },
    by: side === 'start' ? startEnds(loose) : outerEnds(loose),
    mm: 0,
    ...helpThrough(eye, cordsOf(loose)),
    ...(folds.length > 0 ? {} : to),
  };
  return [...(folds.length > 0 ? [hitch] : []), ...(loose.length > 0 ? [knot] : [])];
}

/** Some of the cords by their numbers, each once. */
const cordsNamed = (runs: readonly Run[]): Saying =>
  listed(
    runs
      .filter((run, i) => runs.findIndex((own) => own.strand === run.strand) === i)
      .map((run) => say`${run.folded ? 'both halves of ' : ''}${cordNamed(run)}`),
  );

/** How one cord is tied to a ring, and how several are that are led as one: a stopper slips out of a ring. */
export function tiedToRing(
  runs: readonly Run[],
  to: string,
  first: Side,
  all: readonly Run[] = runs,
): ToRing {
  const single = runs.length === 1;
  return {
    text: single
      ? 'Lead the cord through twice, so that no edge wears one turn through, and tie it round itself.'
      : say`Lead ${runs.length === all.length ? 'all cords' : cordsNamed(runs)} through ${to} together, and tie them as one round themselves, close to it.`,
    tied: [tiedIn(single ? 'anchor-bend' : 'ring-knot.1', [null, runs], first)],
  };
}

/** How folds are hitched to a ring. */
export const hitchedToRing = (runs: readonly Run[], to: string, first: Side): ToRing => ({
  text: say`Hitch the fold${runs.length > 1 ? 's' : ''} to ${to}, and pull the ${term('hitch')} snug.`,
  tied: [tiedIn('larks-head.ring.front', [null, runs[0], runs[0]], first)],
});

/** What is said of a knot on a ring, and how it is tied. */
interface ToRing {
  readonly text: Saying;
  readonly tied: readonly Tied[];
}

/** Steps that all tied clasps share. */
function tieSteps(
  site: ClosureSite,
  name: string,
  onLoop: boolean,
  halves: { readonly start: Held; readonly end: Held },
  eye: number,
  hands: Side,
): { readonly start: readonly PartStep[]; readonly end: readonly PartStep[] } {
  const { start: first, end: last } = halves;
  const begins = site.runs.every((run) => run.folded)
    ? hitchedToRing(site.runs, first.name, hands)
    : tiedToRing(tiedRuns(site.runs), first.name, hands, site.runs);
  const closes = tiedToRing(tiedRuns(site.runs), last.name, hands, site.runs);
  const start = tiedStep(
    `Tie the start to ${first.name}`,
    begins.text,
    begins.tied,
    tieActions(site, 'start', first, eye),
    CAUTIONS.metal,
  );
  return {
    start: onLoop ? [] : [start],
    end: [
      tryOn(
        'Try it on before the end is tied',
        `Lay it round the wearer and hold both ends where ${name} will sit: its place sets the size.`,
      ),
      tiedStep(
        `Tie the end to ${last.name}`,
        closes.text,
        closes.tied,
        tieActions(site, 'end', last, eye),
      ),
    ],
  };
}

/** A clasp tied on at both ends, or at the end only when the start is a loop of cord. */
export function tiedClasp<C extends TiedClasp>(spec: TiedClaspSpec<C>): ClosureKind<C, NoMeasures> {
  const onLoop = (clasp: C): boolean => spec.onLoop?.(clasp) ?? false;
  return {
    entry: spec.entry,
    fields: [nameField(), ...spec.fields, EYE_FIELD, COLOUR_FIELD],
    make: () => ({ eye: null, ...spec.make() }),
    aim: (clasp) => [claspRound(spec.size(clasp))],
    layOut(clasp, site) {
      const size = spec.size(clasp);
      const half = size.length / 2 + 4;
      return plainClosure(
        {},
        {
          states: claspStates(size),
          reach: { start: onLoop(clasp) ? 0 : half, end: half + (size.extender ?? 0) },
          uses: [...(onLoop(clasp) ? [] : tieUses(site, 'start')), ...tieUses(site, 'end')],
          passages: [
            {
              what: 'the eye of the clasp',
              hole: eyeOf(clasp, site),
              runs: throughEye(site.runs),
              ...(tiedRuns(site.runs).length === 1 ? { inTurn: true as const } : {}),
            },
          ],
          needs: [
            { id: clasp.name, label: clasp.name, count: 1 },
            ...(spec.needs?.(clasp, ringFor(site.runs)) ?? []),
          ],
          advice: [...eyeAdvice(clasp, site), ...(spec.advice?.(clasp, site) ?? [])],
        },
      );
    },
    draw(clasp, site, _layout, { length, done }) {
      const state = done ? 'laid' : 'planned';
      return [
        ...(onLoop(clasp) ? [] : drawRing(site, 'start', 0, clasp.colour, state)),
        ...drawRing(site, 'end', length, clasp.colour, state),
        ...spec.draw(clasp, length),
      ];
    },
    drawEdge: (clasp) => edgeOfRigid([claspRound(spec.size(clasp))], clasp.colour),
    steps(clasp, site, _layout, _length, first) {
      const ring = ringFor(site.runs);
      const { start, end } = tieSteps(
        site,
        'the clasp',
        onLoop(clasp),
        spec.halves(clasp, ring),
        eyeOf(clasp, site),
        first,
      );
      const [tried, ...tied] = end;
      const before = spec.before?.(clasp, ring) ?? {};
      return {
        start: [...(before.start ?? []), ...start],
        end: [tried!, ...(before.end ?? []), ...tied, ...(spec.after ?? [])],
      };
    },
    ...(spec.extends === undefined ? {} : { extends: spec.extends }),
    ...(spec.ruleOfThumb ? { ruleOfThumb: spec.ruleOfThumb } : {}),
    finish: () => ({ stays: spec.stays, checks: spec.checks }),
    mistakes: spec.mistakes,
  };
}
