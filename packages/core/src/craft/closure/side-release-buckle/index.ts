import type { RuleOfThumb } from '../../../base/kind/rule-of-thumb.js';
import {
  plainClosure,
  type ClosureKind,
  type NoMeasures,
} from '../../../base/kind/closure-kind.js';
import { COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { PRACTICE, needOf, type Use } from '../../../base/kind/reason.js';
import { CORD_KIND_FACTS, effectiveDiameter } from '../../../base/material/cord.js';
import type { Advice } from '../../../base/measure/advice.js';
import { checkPlausible, type PlausibleLimits } from '../../../base/measure/girth.js';
import { AT_START, type Action, type ActionOf } from '../../../base/action/action.js';
import { ENDS_COOL, GLUE_CURES } from '../../../base/kind/waits.js';
import { legsOf, outerEnds, startEnds, waxOff } from '../../part/ends.js';
import { tiedIn } from '../../knot/tied.js';
import { check, singleStep, tiedStep, useEach } from '../uses.js';
import { edgeOfRigid } from '../clasps.js';
import { bucklePlates, drawTurns } from './drawing.js';
import { buckleWidth, halfLengths, larksHeadCord, turnCord, type BuckleClosure } from './model.js';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { cordNamed, laid, say, size, term } from '../../../base/measure/saying.js';

export type { BuckleClosure } from './model.js';

/** Limits in mm for the measures of a buckle, to catch slips of unit. */
const LIMITS: Readonly<Record<'slot' | 'barToBar' | 'thickness' | 'bar', PlausibleLimits>> = {
  slot: { possible: [3, 60], usual: [8, 30] },
  barToBar: { possible: [8, 120], usual: [18, 70] },
  thickness: { possible: [2, 30], usual: [5, 15] },
  bar: { possible: [0.8, 8], usual: [1.5, 5] },
};
const NAMES = {
  slot: 'A slot',
  barToBar: 'A buckle length',
  thickness: 'A buckle thickness',
  bar: 'A bar',
} as const;

/** Length in mm of core end turned back and hidden beside the core. Common practice, about an inch. */
const BURIED_CORE_END = 30;
/** Cord lost in mm on each side of a fused or sewn joint. Common practice, no source. */
const JOINT = 10;
/** End in mm to pull a core straight by. Common practice, no source. */
const GRIP = 50;

type Site = Parameters<ClosureKind['layOut']>[1];
const coresOf = (site: Site) => site.runs.filter((run) => run.role !== 'working');
/** Strands that run as core and come back working. */
const turnedStrands = (site: Site): Set<number> => new Set(site.turned);

function uses(buckle: BuckleClosure, site: Site): Use[] {
  const cores = coresOf(site);
  const turned = turnedStrands(site);
  const own = cores.filter((run) => !turned.has(run.strand));
  const joined = cores.filter((run) => !run.folded && turned.has(run.strand));
  return [
    ...useEach(
      cores,
      {
        area: 'start',
        code: 'start.hitch',
        label: 'Starting hitch',
        detail:
          'half of a lark’s head on the first buckle half: once round the bar, and half the bight',
        assumed: true,
      },
      (run) => larksHeadCord(buckle.bar, effectiveDiameter(run.cord)) / 2,
    ),
    ...useEach(
      cores,
      {
        area: 'closure',
        code: 'closure.turn',
        label: 'Turn through the second half',
        detail: 'half a turn round its bar',
      },
      (run) => turnCord(buckle.bar, effectiveDiameter(run.cord)),
    ),
    ...useEach(
      joined,
      {
        area: 'start',
        code: 'start.joint',
        label: 'Joint',
        detail: 'lost where the two cords are fused or sewn end to end',
        assumed: true,
      },
      JOINT,
    ),
    ...useEach(
      own,
      {
        area: 'closure',
        code: 'closure.buried',
        label: 'Turned-back ends',
        detail: 'laid back along the core and hidden under the first half knots',
        ...PRACTICE,
      },
      BURIED_CORE_END,
    ),
    ...useEach(
      own,
      {
        area: 'end',
        code: 'end.grip',
        label: 'Ends to hold',
        detail: 'to pull the core straight by; trimmed before the first knots cover them',
        ...PRACTICE,
      },
      GRIP,
    ),
  ];
}

function adviceOf(buckle: BuckleClosure, site: Site): Advice[] {
  const cores = coresOf(site);
  const legs = cores.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);
  const advice: (Advice | null)[] = (Object.keys(LIMITS) as (keyof typeof LIMITS)[]).map((key) =>
    checkPlausible(buckle[key], LIMITS[key], NAMES[key], key, size),
  );
  if (cores.length < 2) {
    advice.push({
      code: 'buckle.cores',
      severity: 'error',
      message: 'A buckle is hitched on a fold: two core runs must reach it.',
      remedy: 'Fold the core strand, or let a folded strand run out and back.',
      path: 'type',
    });
  }
  const flat = cores.filter((run) => !run.folded && !turnedStrands(site).has(run.strand));
  const halves = cores.filter((run) => !run.folded && turnedStrands(site).has(run.strand));
  if (flat.length > 0 || (halves.length !== 0 && halves.length !== 2)) {
    advice.push({
      code: 'buckle.fold',
      severity: 'error',
      message:
        flat.length > 0
          ? say`A buckle is hitched on a fold, but ${cordNamed(flat[0]!)} is single.`
          : `Two cords are joined end to end for the hitch; here there ${halves.length === 1 ? 'is one' : `are ${halves.length}`}.`,
      remedy: 'Fold the cord, or join two that run out and come back.',
      path: 'type',
    });
  }
  if (legs > buckle.slot) {
    advice.push({
      code: 'buckle.slot',
      severity: 'error',
      message: say`Cords side by side take ${size(legs)}; the buckle’s slot is ${size(buckle.slot)} wide.`,
      remedy: say`Take a buckle with a slot of ${size(Math.ceil(legs))} or more, or thinner cord.`,
      path: 'slot',
    });
  }
  if (site.width > buckleWidth(buckle) * 1.6) {
    advice.push({
      code: 'buckle.narrow',
      severity: 'note',
      message: say`The band is ${size(site.width)} wide and stands out beside a buckle of ${size(buckleWidth(buckle))}.`,
      remedy: 'A buckle of the next size sits flush.',
      path: 'slot',
    });
  }
  const joined = [...turnedStrands(site)].map(
    (strand) => cores.find((run) => run.strand === strand && !run.folded)?.cord.diameter,
  );
  const [a, b] = joined;
  if (a !== undefined && b !== undefined && Math.abs(a - b) > 0.15 * a) {
    advice.push({
      code: 'cords.unequal',
      severity: 'warning',
      message: say`The joined cords are ${size(a)} and ${size(b)} thick; the knots will lean to one side.`,
      remedy: 'Take two cords of the same diameter, or give the core a cord of its own.',
      path: 'type',
    });
  }
  if (site.child) {
    advice.push({
      code: 'closure.firm',
      severity: 'note',
      message: 'For a child: a firm buckle does not open under a pull.',
      remedy: 'A breakaway clasp gives way.',
      path: 'type',
    });
  }
  return advice.filter((item) => item !== null);
}

/**
 * The trade's rule for a cobra bracelet: a foot of cord per inch of knotted length, and a foot to a
 * foot and a half on top. Common practice, no source; shown only for comparison.
 *
 * @param knotted knotted length in mm
 * @example cobraRule(203.2).low // 2743.2
 */
export function cobraRule(knotted: number): RuleOfThumb {
  const length = knotted / MM_PER_UNIT.in;
  return {
    label: 'A foot per inch, and 1 to 1½ ft more',
    low: (length + 1) * MM_PER_UNIT.ft,
    high: (length + 1.5) * MM_PER_UNIT.ft,
  };
}

export const sideReleaseBuckle: ClosureKind<BuckleClosure, NoMeasures> = {
  entry: {
    type: 'side-release-buckle',
    label: 'Side-release buckle',
    blurb: 'Two halves that click; the cord hitched to one and run through the other.',
    goodFor:
      'Work bands of thick cord that are put on and off with one hand. It is the widest of all closures, and stiff.',
    opens: true,
    setsCore: true,
    trials: ['faces'],
  },
  fields: [
    nameField(),
    sizeField('barToBar', 'Bar to bar, closed', 1, 300),
    sizeField('slot', 'Slot width', 1, 200),
    sizeField('thickness', 'Thickness', 0.5, 100),
    sizeField('bar', 'Bar, across', 0.3, 30),
    COLOUR_FIELD,
  ],
  make: () => ({
    type: 'side-release-buckle',
    name: 'Buckle, 16 mm slot',
    slot: 16,
    barToBar: 34,
    thickness: 9.5,
    bar: 3,
    colour: '#2b3136',
  }),
  aim: (buckle) => [{ kind: 'rigid', length: buckle.barToBar, height: buckle.thickness / 2 }],
  layOut(buckle, site) {
    const { socket, prongs } = halfLengths(buckle);
    return plainClosure(
      {},
      {
        states: [{ id: 'closed', label: 'Closed', extra: sideReleaseBuckle.aim(buckle, site) }],
        reach: { start: socket, end: prongs },
        uses: uses(buckle, site),
        needs: [needOf(buckle.name)],
        advice: adviceOf(buckle, site),
      },
    );
  },
  draw: (buckle, site, _layout, options) => drawTurns(buckle, site, options),
  drawBelow: (buckle, { length }) => bucklePlates(buckle, length),
  steps(buckle, site, _layout, length, first) {
    const turned = turnedStrands(site);
    const cores = coresOf(site);
    const joined = cores.filter((run) => !run.folded && turned.has(run.strand));
    const own = cores.filter((run) => !turned.has(run.strand));
    const ownCore = own.length > 0;
    const tie = (knot: ActionOf<'tie'>['knot']): Action => ({
      do: 'tie',
      place: AT_START,
      knot,
      by: outerEnds(cores),
      mm: 0,
      to: buckle.name,
      share: 0.5,
    });
    const wax = waxOff(startEnds(joined), site.runs);
    const joining = (by: 'flame' | 'glue'): Action[] => [
      ...(by === 'glue' ? wax.actions : []),
      { do: 'join', ends: startEnds(joined), by, mm: JOINT },
      {
        do: 'wait',
        for: by === 'flame' ? 'melt' : 'glue',
        minutes: (by === 'flame' ? ENDS_COOL : GLUE_CURES).minutes,
      },
      { do: 'test', what: 'holds' },
    ];
    const melts = cores.every((run) => CORD_KIND_FACTS[run.cord.kind].ends === 'melts');
    const join = melts
      ? singleStep(
          'Join the two cords end to end',
          'Melt both ends in a flame, press them together and roll them on metal while they are soft. Let the joint cool, then pull hard at it.',
          joining('flame'),
          CAUTIONS.flame,
        )
      : singleStep(
          'Join the two cords end to end',
          `${wax.text}Glue both ends together on a short overlap, press them for a minute and let the joint cure. Then pull hard at it.`,
          joining('glue'),
          CAUTIONS.glue,
        );
    return {
      start: [
        ...(joined.length > 0 ? [join] : []),
        tiedStep(
          say`${term('hitch', 'Hitch')} the fold to the first half`,
          say`Pull ${ownCore ? say`the fold of the ${term('core')} cord` : 'it'} snug on the bar of one buckle half. Both halves of the buckle must face the same way.`,
          [tiedIn('larks-head.bar.front', [null, cores[0], cores[0]], first)],
          [tie({ form: 'larks-head', bar: buckle.bar })],
        ),
        tiedStep(
          'Run both ends through the other half',
          'Both ends go round the bar side by side, as one. Click the halves together once: both must face the same way. The knots begin at this half.',
          [tiedIn('bar-turn', [null, cores[0]], first)],
          [tie({ form: 'bar-turn', bar: buckle.bar }), { do: 'test', what: 'faces' }],
        ),
        singleStep(
          say`Set the ${term('core')} to ${laid(length)}`,
          say`From bar to bar ${laid(length)}, both runs equally tight. Knots need room: closed on the wearer it must hang loose. If not, set it anew.`,
          [
            { do: 'set', legs: legsOf(cores), mm: length },
            { do: 'try-on', how: 'laid' },
          ],
        ),
        ...(ownCore
          ? [
              singleStep(
                'Lay the core ends back along the core',
                say`Turn both core ends back flat beside the core, pull it straight by them, and cut them ${laid(BURIED_CORE_END)} from the bar. ${term('half knot', 'Half knots')} will cover them.`,
                [
                  {
                    do: 'turn-back',
                    ends: outerEnds(own),
                    along: legsOf(own),
                    mm: BURIED_CORE_END,
                  },
                  { do: 'trim', ends: outerEnds(own) },
                ],
                CAUTIONS.blade,
              ),
            ]
          : []),
      ],
      end: [],
    };
  },
  drawEdge: (buckle, site) => edgeOfRigid(sideReleaseBuckle.aim(buckle, site), buckle.colour),
  buries: (_buckle, legs) =>
    legs.some(([first, second]) => first === 'core' && second !== undefined) ? BURIED_CORE_END : 0,
  // A foot of cord per inch of knotted length, and 1 to 1.5 ft more. Common practice, no source.
  ruleOfThumb: (_buckle, { overCore, length }) => (overCore ? cobraRule(length) : null),
  finish: () => ({
    stays: ['the core, and the hitch at the first half', 'the bars of cord round the second half'],
    checks: [
      check('Both halves face the same way and click shut'),
      check('Pull hard at the closed buckle three times', 'Neither half creeps out of its cord.'),
    ],
  }),
  mistakes: [
    'The two halves face opposite ways: look before the hitch is pulled tight.',
    'The core is set slack, and the band comes out longer than planned.',
    'The core runs are trimmed instead of the working ends.',
  ],
};
