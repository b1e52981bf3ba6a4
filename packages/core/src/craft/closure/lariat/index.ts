import { stopperSource } from '../../knot/source.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
  type NoMeasures,
} from '../../../base/kind/closure-kind.js';
import { choiceField, sizeField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, needOf, type Reason } from '../../../base/kind/reason.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { bundleOfRuns, knotInRuns } from '../../part/pick.js';
import { AT_START } from '../../../base/action/action.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { inSentence, say, size } from '../../../base/measure/saying.js';
import { outerEnds, startEnds } from '../../part/ends.js';
import { larksHeadCord } from '../side-release-buckle/model.js';
import { hitchedToRing, tiedToRing } from '../clasps.js';
import { check, tiedStep, runsFreeAtStart, useEach } from '../uses.js';
import { workingEnds } from '../../../base/kind/working-ends.js';

/** Worn open: one or more long cords round the neck, hanging down at the front. */
export interface Lariat extends ClosureBase {
  readonly type: 'lariat';
  readonly way: 'own-loop' | 'ring' | 'toggle' | 'lobster' | 'tied';
  /** How far it hangs down at the front in mm. */
  readonly drop: number;
  /** Inner diameter of the ring in mm; read for a ring. */
  readonly ring: number;
  readonly colour: string;
}

interface Way {
  readonly label: string;
  readonly blurb: string;
  /** The thing that the start is tied to; null where there is none. */
  readonly thing: string | null;
}

const WAYS: Readonly<Record<Lariat['way'], Way>> = {
  'own-loop': { label: 'Its own loop', blurb: 'worn doubled, ends through the bend', thing: null },
  ring: { label: 'A ring', blurb: 'ends through a ring at the start', thing: 'Ring' },
  toggle: { label: 'A toggle', blurb: 'the start closes into the cord', thing: 'Toggle' },
  lobster: { label: 'A lobster', blurb: 'clips on anywhere', thing: 'Lobster clasp' },
  tied: { label: 'Tied', blurb: 'one knot at the front', thing: null },
};

/** The knot of a tied lariat takes cord of both sides: once round the other, loosely. Assumed. */
const tiedKnot = (site: ClosureSite): number => 1.5 * knotInRuns('overhand', site.runs).inKnot;

/** Wire in mm of a ring that is tied on. Assumed: about 1 mm (18 gauge). */
const RING_WIRE = 1;

/** What the start is tied to, by its name among the needs. */
const thingOf = ({ way }: Lariat): string | null => (way === 'ring' ? 'ring' : WAYS[way].thing);

export const lariat: ClosureKind<Lariat, NoMeasures> = {
  entry: {
    type: 'lariat',
    label: 'Lariat, worn open',
    blurb: 'Through its own loop, a ring, a clasp, or tied.',
    goodFor: 'A long necklace that is worn in several ways. Its ends are what is looked at.',
    opens: true,
  },
  fields: [
    {
      ...choiceField('way', 'Worn through', {}),
      choices: Object.entries(WAYS).map(([id, { label, blurb }]) => ({ id, label, blurb })),
    },
    { type: 'length', key: 'drop', label: 'Drop at the front', min: 20, max: 800 },
    sizeField('ring', 'Ring, inside', 2, 80, (values) => values.way === 'ring'),
    {
      type: 'colour',
      key: 'colour',
      label: 'Colour of the metal',
      when: (values) => WAYS[values.way as Lariat['way']].thing !== null,
    },
  ],
  make: () => ({ type: 'lariat', way: 'own-loop', drop: 200, ring: 14, colour: '#b9a26b' }),
  aim: () => [],
  open(closure, site) {
    const rounds = closure.way === 'own-loop' ? 2 : 1;
    const hanging = closure.way === 'tied' ? 2 : rounds;
    const length: Reason[] = [
      {
        area: 'fit',
        code: 'fit.neck',
        label: rounds === 2 ? 'Round the neck, doubled' : 'Round the neck',
        detail: 'the girth and its room',
        mm: rounds * site.target,
      },
      {
        area: 'fit',
        code: 'fit.drop',
        label: hanging === 2 ? 'Drop at the front, both ends' : 'Drop at the front',
        detail: 'how far it hangs down',
        mm: hanging * closure.drop,
      },
    ];
    if (closure.way === 'tied') {
      length.push({
        area: 'fit',
        code: 'fit.knot',
        label: 'The knot it is worn with',
        detail: 'one loose overhand knot in both sides',
        mm: tiedKnot(site),
        assumed: true,
      });
    }
    return { length, rounds, hangs: WAYS[closure.way].thing === null ? 'both' : 'end' };
  },
  layOut(closure, site) {
    const ring = closure.way === 'ring';
    const { thing } = WAYS[closure.way];
    const start = runsFreeAtStart(site);
    // A bead goes through beside the cords that lie in the ring already; what just fits does not pass.
    const room = closure.ring - bundleOfRuns(site.runs);
    const across = Math.ceil(site.endSize + bundleOfRuns(site.runs) + 1);
    return plainClosure(
      {},
      {
        reach: { start: ring ? closure.ring + 4 : 4, end: 4 },
        uses: [
          ...(thing === null
            ? []
            : useEach(
                start,
                {
                  area: 'knot',
                  code: 'knot.tie',
                  label: 'Knot on the ring',
                  detail: 'through the ring, and an overhand knot in all cords together',
                  ...stopperSource('overhand', start),
                  spread: KNOT_SPREAD,
                },
                knotInRuns('overhand', start).inKnot,
              )),
          ...(thing === null
            ? []
            : useEach(
                site.runs.filter((run) => run.folded),
                {
                  area: 'start',
                  code: 'start.hitch',
                  label: 'Hitch on the ring',
                  detail: 'half of a lark’s head on its wire',
                  assumed: true,
                },
                (run) => larksHeadCord(RING_WIRE, effectiveDiameter(run.cord)) / 2,
              )),
          ...workingEnds([...start, ...site.runs], site, 'stopper'),
        ],
        needs: ring
          ? [{ id: 'ring', label: say`Ring, ${size(closure.ring)} inside`, count: 1 }]
          : thing === null
            ? []
            : [needOf(thing)],
        advice:
          !ring || room > site.endSize
            ? []
            : [
                {
                  code: 'lariat.ring',
                  severity: 'error',
                  message: say`The largest bead at the ends is ${size(site.endSize)} across; it does not pass a ring of ${size(closure.ring)} with the cords in it.`,
                  remedy: say`Take a ring of ${size(across)} inside, or smaller beads. They pass one by one.`,
                  path: 'ring',
                  fix: { label: say`Ring of ${size(across)}`, path: 'ring', value: across },
                },
              ],
      },
    );
  },
  draw(closure) {
    if (WAYS[closure.way].thing === null) return [];
    const r = closure.way === 'ring' ? closure.ring / 2 : 4;
    return [
      plateOf('closure', 'ring', closure.colour, [
        ellipse(-r - 1, 0, r + 1.4),
        ellipse(-r - 1, 0, r),
      ]),
    ];
  },
  steps(closure, site, _layout, _length, first) {
    const finding = thingOf(closure);
    if (finding === null) return { start: [], end: [] };
    const folds = site.runs.filter((run) => run.folded);
    const free = runsFreeAtStart(site);
    const loose = startEnds(free);
    const name = inSentence(WAYS[closure.way].thing!);
    const shared = folds.length > 0 && loose.length > 0 ? { share: 0.5 } : {};
    const { text, tied } =
      folds.length > 0
        ? hitchedToRing(folds, `the ${name}`, first)
        : tiedToRing(free, `the ${name}`, first);
    return {
      start: [
        tiedStep(
          `Tie the start to the ${name}`,
          text,
          tied,
          [
            ...(folds.length > 0
              ? [
                  {
                    do: 'tie' as const,
                    place: AT_START,
                    knot: { form: 'larks-head' as const, bar: RING_WIRE },
                    by: outerEnds(folds),
                    mm: 0,
                    to: finding,
                    ...shared,
                  },
                ]
              : []),
            ...(loose.length > 0
              ? [
                  {
                    do: 'tie' as const,
                    place: AT_START,
                    knot: { form: 'overhand-on-ring' as const },
                    by: loose,
                    mm: 0,
                    to: finding,
                    ...shared,
                  },
                ]
              : []),
          ],
          CAUTIONS.metal,
        ),
      ],
      end: [],
    };
  },
  worn: () => 'Put it on as planned, and look in a mirror where the ends hang.',
  finish: () => ({
    stays: ['both ends with their beads and knots'],
    checks: [
      check('Each end passes its ring or loop by itself', 'They go one after the other.'),
      check('It holds by its own weight when it is worn', 'It opens without force.'),
    ],
  }),
  mistakes: [
    'The ends are too big for the ring, or all want to go through at once: let them pass one by one.',
    'A cord round the neck can catch: not for children, sleep or sport.',
  ],
};
