import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../kind/closure-kind.js';
import { CAUTIONS } from '../../kind/cautions.js';
import { ellipse, plateOf, roundedBox } from '../../knot/plate.js';
import { straightRuns } from '../../knot/stroke.js';
import { claspStates } from '../clasps.js';
import { hookOutline } from '../hook-and-ring/index.js';
import { GLUE_CURES } from '../../kind/waits.js';
import { once } from '../steps.js';
import { mm, useEach } from '../tails.js';

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

const alongOf = (ends: CordEnds): number => 2 * (ends.length - ends.socket) + ends.claspLength;
/** The clasp is rigid; the caps lie on as the cord does. */
const extra = (ends: CordEnds, site: ClosureSite) => [
  ...claspStates({ length: ends.claspLength, thickness: 4, extender: 0 })[0]!.extra,
  {
    kind: 'rigid' as const,
    length: 2 * (ends.length - ends.socket),
    height: Math.max(site.thickness, ends.bore) / 2,
  },
];

export const cordEnds: ClosureKind<CordEnds> = {
  entry: {
    type: 'cord-ends',
    label: 'Crimped or glued cord ends',
    blurb: 'A cap on each end, with any clasp between.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Cord ends' },
    {
      type: 'choice',
      key: 'by',
      label: 'Held by',
      choices: [
        { id: 'crimp', label: 'Crimping' },
        { id: 'glue', label: 'Glue' },
      ],
    },
    { type: 'length', key: 'length', label: 'Length of one', min: 2, max: 60, small: true },
    { type: 'length', key: 'socket', label: 'Cord goes in', min: 1, max: 50, small: true },
    { type: 'length', key: 'bore', label: 'Inside', min: 0.5, max: 40, small: true },
    {
      type: 'choice',
      key: 'clasp',
      label: 'Clasp',
      choices: Object.entries(CLASPS).map(([id, label]) => ({ id, label })),
    },
    {
      type: 'length',
      key: 'claspLength',
      label: 'Clasp with its rings',
      min: 1,
      max: 100,
      small: true,
    },
    { type: 'colour', key: 'colour', label: 'Colour' },
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
  aim: extra,
  layOut(ends, site) {
    return plainClosure({
      states: [{ id: 'closed', label: 'Closed', extra: extra(ends, site) }],
      reach: {
        start: ends.length - ends.socket + ends.claspLength * 0.4,
        end: ends.length - ends.socket + ends.claspLength * 0.8,
      },
      uses: ['start', 'end'].flatMap(() =>
        useEach(
          site.runs,
          {
            code: 'closure.socket',
            label: 'Inside the cord ends',
            detail: `${mm(ends.socket)} in each of the two`,
          },
          ends.socket,
        ),
      ),
      passages: [{ what: ends.name, hole: ends.bore, runs: site.runs }],
      needs: [
        { label: ends.name, count: 2 },
        { label: CLASPS[ends.clasp], count: 1 },
        { label: 'Ring, 5 mm', count: ends.clasp === 'magnet' ? 0 : 2 },
      ].filter((need) => need.count > 0),
      advice:
        // A crocheted chain goes in as thick as it is, not as its one cord.
        [site.firstKind, site.lastKind].includes('chain-cord') && site.thickness > ends.bore + 0.05
          ? [
              {
                code: 'cord-ends.chain',
                severity: 'warning',
                message: `The chain is ${mm(site.thickness)} thick; the ends take ${mm(ends.bore)}.`,
                remedy: `Take cord ends of ${mm(Math.ceil(site.thickness * 10) / 10)} inside, or work the last stitches tighter.`,
                path: 'bore',
                fix: {
                  label: `Ends of ${mm(Math.ceil(site.thickness * 10) / 10)} inside`,
                  path: 'bore',
                  value: Math.ceil(site.thickness * 10) / 10,
                },
              },
            ]
          : ends.socket >= ends.length
            ? [
                {
                  code: 'cord-ends.socket',
                  severity: 'error',
                  message: `The cord cannot go ${mm(ends.socket)} into an end of ${mm(ends.length)}.`,
                  remedy: 'Measure how deep the socket is.',
                  path: 'socket',
                },
              ]
            : site.runs.some((run) => run.folded)
              ? [
                  {
                    code: 'cord-ends.fold',
                    severity: 'error',
                    message: 'Cord ends take cut ends; here a strand is folded at the start.',
                    remedy: 'Use the strands single.',
                    path: 'type',
                  },
                ]
              : [],
      measures: { along: alongOf(ends) },
    });
  },
  draw(ends, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const w = ends.bore + 1.4;
    const out = ends.length - ends.socket;
    const cap = (x: number): readonly (readonly [number, number])[] =>
      roundedBox(x, -w / 2, ends.length, w, 1);
    const clasp = ends.claspLength;
    const right = length + out;
    return [
      ...straightRuns(site.runs, 'closure-in', -1, 1, state),
      plateOf('closure', 'cap-start', ends.colour, [cap(-out)]),
      plateOf('closure', 'cap-end', ends.colour, [cap(length - ends.socket)]),
      plateOf('closure', 'eye-start', ends.colour, [
        ellipse(-out - clasp * 0.18, 0, clasp * 0.2),
        ellipse(-out - clasp * 0.18, 0, clasp * 0.13),
      ]),
      plateOf('closure', 'eye-end', ends.colour, [
        ellipse(right + 2, 0, 2.6),
        ellipse(right + 2, 0, 1.6),
      ]),
      ends.clasp === 'toggle'
        ? plateOf('closure', 'bar', ends.colour, [
            roundedBox(right + 5, -clasp * 0.5, 2.5, clasp, 1.2),
          ])
        : ends.clasp === 'magnet'
          ? plateOf('closure', 'magnet', ends.colour, [roundedBox(right, -w / 2, clasp / 2, w, 1)])
          : plateOf('closure', 'hook', ends.colour, [
              hookOutline(right + 4, clasp * 0.62, clasp * 0.34),
            ]),
    ];
  },
  steps: (ends) => ({
    start: [],
    end: [
      once(
        'Try on before the ends are set',
        `Push both cord ends on dry and close the clasp round the wearer. ${ends.by === 'glue' ? 'Once glued' : 'Once crimped'}, the length is fixed.`,
      ),
      ends.by === 'glue'
        ? {
            ...once(
              'Glue both cord ends on',
              `Roughen the cord where it goes in, ${mm(ends.socket)} deep; a little glue inside the cap and on the cord, push in, turn once, hold for a minute, and let it lie.`,
              CAUTIONS.glue,
            ),
            wait: GLUE_CURES,
          }
        : once(
            'Crimp both cord ends on',
            `Push the cord ${mm(ends.socket)} in and press the cap shut with flat pliers, one side after the other. Pull at it firmly.`,
          ),
      once(
        'Hang the clasp',
        'Open the small rings sideways, hang the clasp in, close them until no gap is felt.',
      ),
    ],
  }),
  finish: {
    stays: ['the cord inside the cord ends'],
    goes: ['nothing outside: the ends are covered'],
    checks: ['Pull at both cord ends: no cord moves in its socket.', 'No glue shows outside.'],
  },
  mistakes: [
    'The ends are set before trying on.',
    'Too much glue: it is pushed out and shows. A drop inside, none outside.',
    'A crimp is pressed once in the middle only and lets go.',
  ],
};
