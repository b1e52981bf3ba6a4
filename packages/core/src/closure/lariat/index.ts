import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type ClosureSite,
} from '../../kind/closure-kind.js';
import type { Reason } from '../../kind/reason.js';
import { stopper } from '../../knot/stopper.js';
import { ellipse, plateOf } from '../../knot/plate.js';
import { bundleOfRuns } from '../../part/pick.js';
import { once } from '../steps.js';
import { endTails, runsFreeAtStart, mm, useEach } from '../tails.js';

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

const WAYS: Readonly<Record<Lariat['way'], { label: string; blurb: string }>> = {
  'own-loop': { label: 'Its own loop', blurb: 'worn doubled, ends through the bend' },
  ring: { label: 'A ring', blurb: 'ends through a ring at the start' },
  toggle: { label: 'A toggle', blurb: 'the start closes into the cord' },
  lobster: { label: 'A lobster', blurb: 'clips on anywhere' },
  tied: { label: 'Tied', blurb: 'one knot at the front' },
};

/** The knot of a tied lariat takes cord of both sides: once round the other, loosely. Assumed. */
const tiedKnot = (site: ClosureSite): number =>
  1.5 * stopper('overhand', bundleOfRuns(site.runs)).inKnot;

export const lariat: ClosureKind<Lariat> = {
  entry: {
    type: 'lariat',
    label: 'Lariat, worn open',
    blurb: 'Through its own loop, a ring, a clasp, or tied.',
    opens: true,
  },
  fields: [
    {
      type: 'choice',
      key: 'way',
      label: 'Worn through',
      choices: Object.entries(WAYS).map(([id, way]) => ({ id, ...way })),
    },
    { type: 'length', key: 'drop', label: 'Drop at the front', min: 20, max: 800 },
    {
      type: 'length',
      key: 'ring',
      label: 'Ring, inside',
      min: 2,
      max: 80,
      small: true,
      when: (values) => values.way === 'ring',
    },
    {
      type: 'colour',
      key: 'colour',
      label: 'Colour of the metal',
      when: (values) => values.way !== 'own-loop' && values.way !== 'tied',
    },
  ],
  make: () => ({ type: 'lariat', way: 'own-loop', drop: 200, ring: 14, colour: '#b9a26b' }),
  aim: () => [],
  openLength(closure, site): readonly Reason[] {
    const doubled = closure.way === 'own-loop' ? 2 : 1;
    const hanging = closure.way === 'tied' ? 2 : doubled;
    return [
      {
        code: 'fit.neck',
        label: doubled === 2 ? 'Round the neck, doubled' : 'Round the neck',
        detail: 'the girth and its room',
        mm: doubled * site.target,
      },
      {
        code: 'fit.drop',
        label: hanging === 2 ? 'Drop at the front, both ends' : 'Drop at the front',
        detail: 'how far it hangs down',
        mm: hanging * closure.drop,
      },
      ...(closure.way === 'tied'
        ? [
            {
              code: 'fit.knot',
              label: 'The knot it is worn with',
              detail: 'one loose overhand knot in both sides',
              mm: tiedKnot(site),
              assumed: true,
            },
          ]
        : []),
    ];
  },
  layOut(closure, site) {
    const ring = closure.way === 'ring';
    const passes = !ring || closure.ring >= site.endSize;
    return plainClosure({
      reach: { start: ring ? closure.ring + 4 : 4, end: 4 },
      uses: [
        ...(ring || closure.way === 'toggle' || closure.way === 'lobster'
          ? useEach(
              runsFreeAtStart(site),
              {
                code: 'knot.tie',
                label: 'Knot on the ring',
                detail: 'through the ring, and an overhand knot in all cords together',
                assumed: true,
                spread: 0.11,
              },
              stopper('overhand', bundleOfRuns(site.runs)).inKnot,
            )
          : []),
        ...endTails([...runsFreeAtStart(site), ...site.runs], site),
      ],
      needs: ring
        ? [{ label: `Ring, ${mm(closure.ring)} inside`, count: 1 }]
        : closure.way === 'toggle' || closure.way === 'lobster'
          ? [{ label: WAYS[closure.way].label.replace('A ', ''), count: 1 }]
          : [],
      advice: passes
        ? []
        : [
            {
              code: 'lariat.ring',
              severity: 'error',
              message: `The largest bead at the ends is ${mm(site.endSize)} across; it does not pass a ring of ${mm(closure.ring)}.`,
              remedy: `Take a ring of ${mm(Math.ceil(site.endSize + 1))} inside, or smaller beads. They pass one by one.`,
              path: 'ring',
              fix: {
                label: `Ring of ${mm(Math.ceil(site.endSize + 1))}`,
                path: 'ring',
                value: Math.ceil(site.endSize + 1),
              },
            },
          ],
    });
  },
  draw(closure) {
    if (closure.way === 'own-loop' || closure.way === 'tied') return [];
    const r = closure.way === 'ring' ? closure.ring / 2 : 4;
    return [
      plateOf('closure', 'ring', closure.colour, [
        ellipse(-r - 1, 0, r + 1.4),
        ellipse(-r - 1, 0, r),
      ]),
    ];
  },
  steps: (closure) => ({
    start:
      closure.way === 'own-loop' || closure.way === 'tied'
        ? []
        : [
            once(
              'Tie the start on',
              'Pass the cords through the ring and tie one knot in all of them.',
            ),
          ],
    end: [
      once(
        'Try it on',
        `${WAYS[closure.way].label}: ${WAYS[closure.way].blurb}. Look where the ends hang before the last knots are pulled tight.`,
      ),
    ],
  }),
  finish: {
    stays: ['both ends with their beads and knots'],
    goes: ['the stubs beyond the end knots'],
    checks: [
      'Each end passes its ring or loop by itself, one after the other.',
      'Worn, it holds by its own weight and opens without force.',
    ],
  },
  mistakes: [
    'The ends are too big for the ring, or all want to go through at once: let them pass one by one.',
    'A cord round the neck can catch: not for children, sleep or sport.',
  ],
};
