import { plainClosure, type ClosureBase, type ClosureKind } from '../../kind/closure-kind.js';
import { CAUTIONS } from '../../kind/cautions.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { GLUE_CURES } from '../../kind/waits.js';
import { once } from '../steps.js';
import { mm, useEach } from '../tails.js';

/** A clasp with a recess for each end of a thick cord. */
export interface GlueInClasp extends ClosureBase {
  readonly type: 'glue-in-clasp';
  readonly name: string;
  /** Overall length in mm when shut. */
  readonly length: number;
  /** How deep each end goes in, in mm. */
  readonly recess: number;
  readonly bore: number;
  readonly thickness: number;
  readonly colour: string;
}

export const glueInClasp: ClosureKind<GlueInClasp> = {
  entry: {
    type: 'glue-in-clasp',
    label: 'Glue-in clasp',
    blurb: 'Each end of a thick cord is glued into a recess.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'length', label: 'Overall length', min: 6, max: 120, small: true },
    { type: 'length', key: 'recess', label: 'Depth of each recess', min: 1, max: 50, small: true },
    { type: 'length', key: 'bore', label: 'Recess, across', min: 0.5, max: 40, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 1, max: 40, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: (cord) => ({
    type: 'glue-in-clasp',
    name: 'Clasp with recesses',
    length: 41,
    recess: 6,
    bore: Number((cord.diameter + 0.3).toFixed(1)),
    thickness: cord.diameter + 3,
    colour: '#9a8f7c',
  }),
  // Such clasps are bent to the round: they take of the cord what they are long.
  aim: (clasp, site) => [{ kind: 'flexible', length: clasp.length, height: site.thickness / 2 }],
  layOut: (clasp, site) =>
    plainClosure({
      states: [{ id: 'closed', label: 'Closed', extra: glueInClasp.aim(clasp, site) }],
      reach: { start: clasp.length / 2, end: clasp.length / 2 },
      uses: ['start', 'end'].flatMap(() =>
        useEach(
          site.runs,
          {
            code: 'closure.recess',
            label: 'Inside the clasp',
            detail: `${mm(clasp.recess)} in each of the two recesses`,
          },
          clasp.recess,
        ),
      ),
      passages: [{ what: clasp.name, hole: clasp.bore, runs: site.runs }],
      needs: [{ label: clasp.name, count: 1 }],
      advice: [
        ...(2 * clasp.recess >= clasp.length
          ? [
              {
                code: 'clasp.recess',
                severity: 'error' as const,
                message: `Two recesses of ${mm(clasp.recess)} do not fit into a clasp of ${mm(clasp.length)}.`,
                remedy: 'Measure the depth of one recess with a thin stick.',
                path: 'recess',
              },
            ]
          : []),
        ...(site.runs.some((run) => run.folded)
          ? [
              {
                code: 'clasp.fold',
                severity: 'error' as const,
                message: 'A glue-in clasp takes cut ends; here a strand is folded at the start.',
                remedy: 'Use the strands single.',
                path: 'type',
              },
            ]
          : []),
      ],
      measures: { along: clasp.length },
    }),
  draw(clasp, _site, _layout, { length }) {
    const half = clasp.length / 2;
    const w = clasp.thickness;
    return [
      plateOf('closure', 'left', clasp.colour, [
        roundedBox(-half + clasp.recess, -w / 2, half, w, w * 0.25),
      ]),
      plateOf(
        'closure',
        'left-band',
        clasp.colour,
        [roundedBox(clasp.recess - 1.6, -w / 2, 1.6, w, 0.4)],
        'finding-recess',
      ),
      plateOf('closure', 'right', clasp.colour, [
        roundedBox(length - clasp.recess, -w / 2, half, w, w * 0.25),
      ]),
      plateOf(
        'closure',
        'right-band',
        clasp.colour,
        [roundedBox(length - clasp.recess, -w / 2, 1.6, w, 0.4)],
        'finding-recess',
      ),
    ];
  },
  steps: (clasp, site) => ({
    start: [],
    end: [
      once(
        'Try it on before anything is glued',
        `Push both ends dry into the recesses, ${mm(clasp.recess)} deep, and close the clasp on the wearer. All sliders and rings must be on the cord by now.`,
      ),
      {
        ...once(
          'Glue the ends in',
          `Roughen the cord ends; a little flexible glue in the recess, push in to the bottom, wipe off, hold for a minute.${
            site.runs.some((run) => run.cord.kind === 'leather')
              ? ' Dye the cut face first if it would show.'
              : ''
          }`,
          CAUTIONS.glue,
        ),
        wait: GLUE_CURES,
      },
    ],
  }),
  finish: {
    stays: ['the cord inside the recesses'],
    goes: ['nothing outside: the ends are covered'],
    checks: [
      'Pull at both halves: no cord moves in its recess.',
      'The clasp snaps shut with its whole strength; nothing keeps the halves apart.',
    ],
  },
  mistakes: [
    'The clasp is glued before trying on.',
    'Sliders and stopper rings are forgotten: they do not go on any more.',
    'The recess is filled with glue, and the cord does not go in to the bottom.',
  ],
};
