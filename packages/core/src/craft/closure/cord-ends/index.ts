import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
  type NoMeasures,
} from '../../../base/kind/closure-kind.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { choiceField, COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import { needOf, type Need } from '../../../base/kind/reason.js';
import { GLUE_CURES } from '../../../base/kind/waits.js';
import { ellipse, plateOf, roundedBox } from '../../knot/plate.js';
import { straightRuns } from '../../knot/stroke.js';
import type { Advice } from '../../../base/measure/advice.js';
import type { RoundPart } from '../../../base/measure/ring.js';
import { say, size, term } from '../../../base/measure/saying.js';
import { claspRound, edgeOfRigid, hookOutline } from '../clasps.js';
import { ringNeed, USUAL_RING } from '../eyes.js';
import { AT_END, type Action } from '../../../base/action/action.js';
import { outerEnds, startEnds, waxOff } from '../../part/ends.js';
import { foldAdvice, socketUses } from '../sockets.js';
import { check, singleStep, tryOn } from '../uses.js';

/** Caps glued or crimped on both ends, with a clasp between them. */
export interface CordEnds extends ClosureBase {
  readonly type: 'cord-ends';
  readonly name: string;
  readonly by: 'glue' | 'crimp';
  /** Length of one cap in mm with its eye, how deep the cord goes in, and how wide it is inside. */
  readonly length: number;
  readonly socket: number;
  readonly bore: number;
  readonly clasp: 'hook-and-ring' | 'lobster' | 'toggle' | 'magnet';
  /** Length of the clasp in mm when shut, with its rings. */
  readonly claspLength: number;
  readonly colour: string;
}

const CLASPS = {
  'hook-and-ring': 'Hook and ring',
  lobster: 'Lobster clasp',
  toggle: 'Toggle',
  magnet: 'Magnet clasp',
} as const;

/** What is crimped and what is glued on are different things to buy. */
const endsNeed = ({ name, by, bore }: CordEnds): Need => {
  const id = `${name} to ${by === 'glue' ? 'glue on' : 'crimp'}`;
  return { id, label: say`${id}, ${size(bore)} inside`, count: 2 };
};

/** Which half goes to which end. */
const HALVES_OF: Readonly<Record<Exclude<CordEnds['clasp'], 'magnet'>, string>> = {
  'hook-and-ring': 'the ring at the start and the hook at the end',
  lobster: 'a ring alone at the start and the lobster at the end',
  toggle: 'the ring at the start and the bar at the end',
};

/** The clasp is rigid; the caps lie on as the cord does. */
const roundOf = (ends: CordEnds, site: ClosureSite): RoundPart[] => [
  claspRound({ length: ends.claspLength, thickness: 4 }),
  {
    kind: 'rigid',
    length: 2 * (ends.length - ends.socket),
    height: Math.max(site.thickness, ends.bore) / 2,
  },
];

function adviceOf(ends: CordEnds, site: ClosureSite): Advice[] {
  if (ends.clasp === 'magnet' && site.child) {
    return [
      {
        code: 'cord-ends.magnet',
        severity: 'error',
        message:
          'A magnet clasp is not for a child: two swallowed magnets can clamp the gut together, which is an emergency.',
        remedy:
          'Choose a hook and ring, a lobster, or a breakaway clasp that is sold for children.',
        path: 'clasp',
      },
    ];
  }
  const across = Math.ceil(site.thickness * 10) / 10;
  // What is as thick as it is, as a crocheted chain, does not go in as its one cord.
  if ((site.first?.solid || site.last?.solid) && site.thickness > ends.bore + 0.05) {
    return [
      {
        code: 'cord-ends.chain',
        severity: 'warning',
        message: say`The chain is ${size(site.thickness)} thick; the ends take ${size(ends.bore)}.`,
        remedy: say`Take ends of ${size(across)} inside, or work the last stitches tighter.`,
        path: 'bore',
        fix: { label: say`Ends of ${size(across)} inside`, path: 'bore', value: across },
      },
    ];
  }
  if (ends.socket >= ends.length) {
    return [
      {
        code: 'cord-ends.socket',
        severity: 'error',
        message: say`The cord cannot go ${size(ends.socket)} into an end of ${size(ends.length)}.`,
        remedy: 'Measure how deep the socket is.',
        path: 'socket',
      },
    ];
  }
  return foldAdvice(site, 'cord-ends.fold', 'End caps and crimp ends take');
}

export const cordEnds: ClosureKind<CordEnds, NoMeasures> = {
  entry: {
    type: 'cord-ends',
    label: 'End caps or crimp ends',
    blurb: 'A glued cap or a crimp on each end, with any clasp between.',
    goodFor:
      'Cords that are too thick or too many to tie to a clasp. Glue holds only what is clean and fits.',
    opens: true,
    trials: ['faces'],
  },
  fields: [
    nameField('End caps or crimp ends'),
    choiceField('by', 'Held by', { crimp: 'Crimping', glue: 'Glue' }),
    sizeField('length', 'Length of one', 2, 60),
    sizeField('socket', 'Cord goes in', 1, 50),
    sizeField('bore', 'Inside', 0.5, 40),
    choiceField('clasp', 'Clasp', CLASPS),
    sizeField('claspLength', 'Clasp with its rings', 1, 100),
    COLOUR_FIELD,
  ],
  make: (cord) => ({
    type: 'cord-ends',
    name: 'Cord end',
    by: 'crimp',
    length: 10,
    socket: 6,
    bore: Number((cord.diameter + 0.3).toFixed(1)),
    clasp: 'hook-and-ring',
    claspLength: 20,
    colour: '#a9adb0',
  }),
  aim: roundOf,
  layOut(ends, site) {
    const out = ends.length - ends.socket;
    return plainClosure(
      {},
      {
        states: [{ id: 'closed', label: 'Closed', extra: roundOf(ends, site) }],
        reach: { start: out + ends.claspLength * 0.4, end: out + ends.claspLength * 0.8 },
        uses: socketUses(site, ends.socket, {
          code: 'closure.socket',
          label: 'Inside the ends',
          where: '',
        }),
        passages: [{ what: ends.name, hole: ends.bore, runs: site.runs, blind: true }],
        needs: [
          endsNeed(ends),
          needOf(CLASPS[ends.clasp]),
          ...(ends.clasp === 'magnet' ? [] : [ringNeed(2)]),
        ],
        advice: adviceOf(ends, site),
      },
    );
  },
  draw(ends, site, _layout, { length, done }) {
    const w = ends.bore + 1.4;
    const out = ends.length - ends.socket;
    const clasp = ends.claspLength;
    const right = length + out;
    const plate = (key: string, ...outlines: Point[][]): Primitive =>
      plateOf('closure', key, ends.colour, outlines);
    const cap = (x: number): Point[] => roundedBox(x, -w / 2, ends.length, w, 1);
    const HALVES: Readonly<Record<CordEnds['clasp'], () => Primitive>> = {
      toggle: () => plate('bar', roundedBox(right + 5, -clasp * 0.5, 2.5, clasp, 1.2)),
      magnet: () => plate('magnet', roundedBox(right, -w / 2, clasp / 2, w, 1)),
      'hook-and-ring': () => plate('hook', hookOutline(right + 4, clasp * 0.62, clasp * 0.34)),
      lobster: () => plate('hook', hookOutline(right + 4, clasp * 0.62, clasp * 0.34)),
    };
    const eye = -out - clasp * 0.18;
    return [
      ...straightRuns(site.runs, 'closure-in', -1, 1, done ? 'laid' : 'planned'),
      plate('cap-start', cap(-out)),
      plate('cap-end', cap(length - ends.socket)),
      plate('eye-start', ellipse(eye, 0, clasp * 0.2), ellipse(eye, 0, clasp * 0.13)),
      plate('eye-end', ellipse(right + 2, 0, 2.6), ellipse(right + 2, 0, 1.6)),
      HALVES[ends.clasp](),
    ];
  },
  drawEdge: (ends, site) => edgeOfRigid(roundOf(ends, site), ends.colour),
  steps(ends, site) {
    const sides = [startEnds(site.runs), outerEnds(site.runs)];
    const all = sides.flat();
    const wax = waxOff(all, site.runs);
    const set = (by: 'cap' | 'crimp'): Action[] =>
      sides.map((own) => ({ do: by, finding: endsNeed(ends).id, ends: own, mm: ends.socket }));
    return {
      start: [],
      end: [
        tryOn(
          'Try on before the ends are set',
          'Push both ends on dry, hold the clasp between them and close it round the wearer. Mark each cord where it is plain, beyond the work.',
        ),
        singleStep(
          'Cut the ends to length',
          say`Cut each cord at its mark, square and clean. The end takes ${size(ends.socket)} of cord.`,
          [{ do: 'trim', ends: all, leaves: ends.socket }],
          CAUTIONS.blade,
        ),
        ends.by === 'glue'
          ? singleStep(
              'Glue both end caps on',
              say`${wax.text}Roughen the cord and the inside of the cap, ${size(ends.socket)} deep. A little glue on both, push in, both eyes the same way, hold for a minute.`,
              [
                ...wax.actions,
                ...set('cap'),
                { do: 'test', what: 'faces' },
                { do: 'press', ends: all },
                { do: 'wait', for: 'glue', minutes: GLUE_CURES.minutes },
              ],
              CAUTIONS.glue,
            )
          : singleStep(
              'Crimp both ends on',
              say`Push the cord ${size(ends.socket)} in and press the ${term('crimp end')} shut with flat pliers, one side after the other, both eyes the same way. Pull at it firmly.`,
              [...set('crimp'), { do: 'test', what: 'faces' }],
              CAUTIONS.metal,
            ),
        ...(ends.clasp === 'magnet'
          ? [
              singleStep(
                'Put the magnet clasp between the ends',
                'Hang one half in the eye of each end. The halves pull at each other only one way round: try before you close the eyes.',
                [{ do: 'put-on', finding: CLASPS.magnet, place: AT_END, on: [], mm: 0 }],
                CAUTIONS.magnet,
              ),
            ]
          : [
              singleStep(
                'Hang the clasp',
                say`Open both ${term('jump ring', 'jump rings')} sideways. Hang ${HALVES_OF[ends.clasp]}. Close both without a gap, splits to the skin.`,
                [
                  { do: 'open', finding: USUAL_RING.id },
                  { do: 'hang', finding: CLASPS[ends.clasp], in: USUAL_RING.id },
                  { do: 'close', finding: USUAL_RING.id, count: 2, split: 'skin' },
                ],
                CAUTIONS.metal,
              ),
            ]),
      ],
    };
  },
  finish: () => ({
    stays: ['the cord inside the ends'],
    checks: [
      check('Pull at both ends', 'No cord moves in its socket.'),
      check('No glue shows outside, and no crimp has a sharp edge'),
    ],
  }),
  mistakes: [
    'The ends are set before trying on: from then on the length is fixed.',
    'A mark falls on knots or stitches, and the cut goes through them: undo them to before it, and mark anew.',
    'Too much glue: it is pushed out and shows. A drop inside, none outside.',
    'A crimp is pressed only once, in the middle, and lets go.',
  ],
};
