import { MM_PER_UNIT } from '../../../base/measure/units.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
  type NoMeasures,
} from '../../../base/kind/closure-kind.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { COLOUR_FIELD, nameField, sizeField } from '../../../base/kind/field.js';
import { needOf } from '../../../base/kind/reason.js';
import { GLUE_CURES } from '../../../base/kind/waits.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { say, size } from '../../../base/measure/saying.js';
import { outerEnds, startEnds, waxOff } from '../../part/ends.js';
import { foldAdvice, socketUses } from '../sockets.js';
import { check, singleStep, tryOn } from '../uses.js';

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

/** From this many mm on the trade's rule for thick cord is meant. */
const THICK = 6;

export const glueInClasp: ClosureKind<GlueInClasp, NoMeasures> = {
  entry: {
    type: 'glue-in-clasp',
    label: 'Glue-in clasp',
    blurb: 'Each end of a thick cord is glued into a recess.',
    goodFor:
      'Thick leather and paracord: neat and flat, and for good, since glue cannot be undone.',
    opens: true,
    trials: ['faces'],
  },
  fields: [
    nameField(),
    sizeField('length', 'Overall length', 6, 120),
    sizeField('recess', 'Depth of each recess', 1, 50),
    sizeField('bore', 'Recess, across', 0.5, 40),
    sizeField('thickness', 'Thickness', 1, 40),
    COLOUR_FIELD,
  ],
  // One thick cord, about 8 mm. Common practice, no source; a quarter inch more where large beads are strung.
  ruleOfThumb: ({ length, recess }, { target, thickest, strands }) => {
    if (thickest < THICK) return null;
    const low = strands * (target + MM_PER_UNIT.in - (length - 2 * recess));
    return {
      label: 'An inch more than the inside, less what the clasp takes',
      low,
      high: low + (strands * MM_PER_UNIT.in) / 4,
    };
  },
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
    plainClosure(
      {},
      {
        states: [{ id: 'closed', label: 'Closed', extra: glueInClasp.aim(clasp, site) }],
        reach: { start: clasp.length / 2, end: clasp.length / 2 },
        uses: socketUses(site, clasp.recess, {
          code: 'closure.recess',
          label: 'Inside the clasp',
          where: ' recesses',
        }),
        passages: [{ what: clasp.name, hole: clasp.bore, runs: site.runs, blind: true }],
        needs: [needOf(clasp.name)],
        advice: [
          ...(2 * clasp.recess >= clasp.length
            ? [
                {
                  code: 'clasp.recess',
                  severity: 'error' as const,
                  message: say`Two recesses of ${size(clasp.recess)} do not fit into a clasp of ${size(clasp.length)}.`,
                  remedy: 'Measure the depth of one recess with a thin stick.',
                  path: 'recess',
                },
              ]
            : []),
          ...foldAdvice(site, 'clasp.fold', 'A glue-in clasp takes'),
        ],
      },
    ),
  draw(clasp, _site, _layout, { length }) {
    const half = clasp.length / 2;
    const w = clasp.thickness;
    const end = length - clasp.recess;
    const body = (key: string, x: number) =>
      plateOf('closure', key, clasp.colour, [roundedBox(x, -w / 2, half, w, w * 0.25)]);
    const band = (key: string, x: number) =>
      plateOf('closure', key, clasp.colour, [roundedBox(x, -w / 2, 1.6, w, 0.4)], 'finding-recess');
    return [
      body('left', -half + clasp.recess),
      band('left-band', clasp.recess - 1.6),
      body('right', end),
      band('right-band', end),
    ];
  },
  drawEdge(clasp) {
    const w = clasp.thickness;
    return [-0.5, 0].map((at, i) =>
      plateOf('closure', `closed-half-${i}`, clasp.colour, [
        roundedBox(at * clasp.length, -w, clasp.length / 2, w, w * 0.3),
      ]),
    );
  },
  steps(clasp, site) {
    const sides = [startEnds(site.runs), outerEnds(site.runs)];
    const wax = waxOff(sides.flat(), site.runs);
    return {
      start: [],
      end: [
        tryOn(
          'Try it on before anything is glued',
          say`Push both ends dry into the recesses, ${size(clasp.recess)} deep, and close the clasp on the wearer. Mark where to cut. All sliders are on by now.`,
        ),
        singleStep(
          'Cut the ends to length',
          'Cut both ends at their marks, square across: a slanting cut does not reach the bottom of the recess.',
          [{ do: 'trim', ends: sides.flat(), leaves: clasp.recess }],
          CAUTIONS.blade,
        ),
        singleStep(
          'Glue the ends in',
          `${wax.text}Roughen the ends. A little glue in the recess, push in to the bottom, both halves facing the same way; hold for a minute.`,
          [
            ...wax.actions,
            ...sides.map((ends) => ({
              do: 'cap' as const,
              finding: clasp.name,
              share: 0.5,
              ends,
              mm: clasp.recess,
            })),
            { do: 'test', what: 'faces' },
            { do: 'press', ends: sides.flat() },
            { do: 'wait', for: 'glue', minutes: GLUE_CURES.minutes },
          ],
          CAUTIONS.glue,
          CAUTIONS.metal,
        ),
      ],
    };
  },
  finish: () => ({
    stays: ['the cord inside the recesses'],
    checks: [
      check('Pull at both halves', 'No cord moves in its recess.'),
      check('The clasp snaps shut with its whole strength', 'Nothing keeps the halves apart.'),
    ],
  }),
  mistakes: [
    'The clasp is glued before trying on.',
    'A mark falls on knots or stitches, and the cut goes through them: undo them to before it, and mark anew.',
    'Sliders and O-rings are forgotten: they do not go on any more.',
    'The recess is filled with glue, and the cord does not go in to the bottom.',
  ],
};
