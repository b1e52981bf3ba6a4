import type { ClosureBase, ClosureKind } from '../../kind/closure-kind.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { claspStates, drawRing, tiedClasp, tieSteps } from '../clasps.js';
import { CAUTIONS } from '../../kind/cautions.js';

/** A clasp that comes apart under a pull. */
export interface BreakawayClasp extends ClosureBase {
  readonly type: 'breakaway-clasp';
  readonly name: string;
  readonly length: number;
  readonly thickness: number;
  /** For whom the seller rates its pull. */
  readonly rated: 'adult' | 'child';
  readonly colour: string;
}

export const breakawayClasp: ClosureKind<BreakawayClasp> = {
  entry: {
    type: 'breakaway-clasp',
    label: 'Breakaway clasp',
    blurb: 'Comes apart under a pull; sold for adults and for children.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    {
      type: 'choice',
      key: 'rated',
      label: 'Sold for',
      choices: [
        { id: 'adult', label: 'Adults' },
        { id: 'child', label: 'Children', blurb: 'opens more easily' },
      ],
    },
    { type: 'length', key: 'length', label: 'Length when shut', min: 4, max: 80, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 1, max: 30, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: () => ({
    type: 'breakaway-clasp',
    name: 'Breakaway clasp',
    length: 20,
    thickness: 7,
    rated: 'adult',
    colour: '#4d5a63',
  }),
  aim: (clasp) => claspStates({ ...clasp, extender: 0 })[0]!.extra,
  layOut: (clasp, site) =>
    tiedClasp(site, {
      ...clasp,
      extender: 0,
      onLoop: false,
      needs: [{ label: clasp.name, count: 1 }],
      advice:
        site.child && clasp.rated === 'adult'
          ? [
              {
                code: 'breakaway.adult',
                severity: 'warning',
                message: 'An adult’s breakaway clasp holds too hard for a child.',
                remedy:
                  'Take one that is sold for children, and follow your local product-safety rules.',
                path: 'rated',
              },
            ]
          : [],
    }),
  draw(clasp, site, _layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const half = clasp.length / 2;
    const w = clasp.thickness;
    return [
      ...drawRing(site, 'start', 0, clasp.colour, state),
      plateOf('closure', 'half-start', clasp.colour, [
        roundedBox(-6 - half, -w / 2, half, w, w * 0.4),
      ]),
      ...drawRing(site, 'end', length, clasp.colour, state),
      plateOf('closure', 'half-end', clasp.colour, [
        roundedBox(length + 6, -w / 2, half, w, w * 0.4),
      ]),
      plateOf('closure', 'peg', clasp.colour, [
        roundedBox(length + 6 + half, -w * 0.22, half * 0.4, w * 0.44, w * 0.2),
      ]),
    ];
  },
  steps(clasp, site) {
    const tie = tieSteps(site, clasp.name, false);
    return {
      start: tie.start,
      end: [
        ...tie.end,
        {
          title: 'Pull it apart a few times',
          text: 'It must come apart before the cord or a knot gives. How hard it may hold is for your local product-safety rules to say.',
          units: 1,
          cautions: [CAUTIONS.child],
        },
      ],
    };
  },
  finish: {
    stays: ['the cords between work and clasp'],
    goes: ['the ends beyond the knots at the clasp'],
    checks: [
      'It comes apart under a pull before any cord or knot gives, and goes together again.',
      'No bead or knot is small enough, or loose enough, to come off in a hand.',
    ],
  },
  mistakes: [
    'A knot holds less than the clasp: then the beads scatter instead. Pull at every knot.',
  ],
};
