import { CAUTIONS } from '../../../base/kind/cautions.js';
import { choiceField, sizeField } from '../../../base/kind/field.js';
import { plateOf, roundedBox } from '../../knot/plate.js';
import { tiedClasp, type TiedClasp } from '../clasps.js';
import { check, singleStep } from '../uses.js';

/** A clasp that comes apart under a pull. */
export interface BreakawayClasp extends TiedClasp {
  readonly type: 'breakaway-clasp';
  readonly length: number;
  readonly thickness: number;
  /** For whom the seller rates its pull. */
  readonly rated: 'adult' | 'child';
}

export const breakawayClasp = tiedClasp<BreakawayClasp>({
  entry: {
    type: 'breakaway-clasp',
    label: 'Breakaway clasp',
    blurb: 'Comes apart under a pull; sold for adults and for children.',
    goodFor:
      'Necklaces, lanyards, and whatever a child wears: it comes apart under a pull. It is no proof of safety: go by what its maker rates it for.',
    opens: true,
    givesWay: true,
    trials: ['gives-way'],
  },
  fields: [
    choiceField('rated', 'Sold for', { adult: 'Adults', child: ['Children', 'opens more easily'] }),
    sizeField('length', 'Length when shut', 4, 80),
    sizeField('thickness', 'Thickness', 1, 30),
  ],
  make: () => ({
    type: 'breakaway-clasp',
    name: 'Breakaway clasp',
    length: 20,
    thickness: 7,
    rated: 'adult',
    colour: '#4d5a63',
  }),
  size: (clasp) => clasp,
  advice: (clasp, site) =>
    site.child && clasp.rated === 'adult'
      ? [
          {
            code: 'breakaway.adult',
            severity: 'warning',
            message: 'An adult’s breakaway clasp holds too firmly for a child.',
            remedy:
              'Take one that is sold for children, and follow your local product-safety rules.',
            path: 'rated',
          },
        ]
      : [],
  draw({ colour, length: long, thickness: w }, length) {
    const half = long / 2;
    const box = (key: string, x: number, along: number, across: number, r: number) =>
      plateOf('closure', key, colour, [roundedBox(x, -across / 2, along, across, r)]);
    return [
      box('half-start', -6 - half, half, w, w * 0.4),
      box('half-end', length + 6, half, w, w * 0.4),
      box('peg', length + 6 + half, half * 0.4, w * 0.44, w * 0.2),
    ];
  },
  after: [
    singleStep(
      'Pull it apart a few times',
      'It must come apart before the cord or a knot gives. How firmly it may hold is for your local product-safety rules to say.',
      [{ do: 'test', what: 'gives-way' }],
      CAUTIONS.child,
    ),
  ],
  halves: ({ name }) => ({
    start: { name: 'one half of the clasp', finding: name, share: 0.5 },
    end: { name: 'the other half of the clasp', finding: name, share: 0.5 },
  }),
  stays: ['the cords between work and clasp'],
  checks: [
    check('It comes apart under a pull before any cord or knot gives', 'It goes together again.'),
    check('No bead or knot is small or loose enough to come off in a hand'),
  ],
  mistakes: [
    'A knot holds less than the clasp: then the beads scatter instead. Pull at every knot.',
  ],
});
