import { plainClosure, type ClosureBase, type ClosureKind } from '../../kind/closure-kind.js';
import { BEAD_SHAPES, type Bead, type BeadShape } from '../../material/bead.js';
import { passage } from '../../material/passage.js';
import type { Advice } from '../../measure/advice.js';
import { beadSolid } from '../../part/beads/drawing.js';
import { moving, once } from '../steps.js';
import { drawTails } from '../tail-drawing.js';
import {
  runsFreeAtStart,
  mm,
  slideAim,
  slidingLayout,
  stopperUses,
  TAILS_FIELD,
} from '../tails.js';

/** Both tails through one tight bead in opposite directions, with a small bead knotted at each end. */
export interface TwoWayBead extends ClosureBase {
  readonly type: 'two-way-bead';
  readonly name: string;
  readonly shape: BeadShape;
  readonly length: number;
  readonly height: number;
  readonly hole: number;
  readonly colour: string;
  readonly tails: number | null;
  /** Along-cord length in mm of the bead at the end of each tail; 0 for a knot alone. */
  readonly endBead: number;
}

const asBead = (closure: TwoWayBead): Bead => ({
  name: closure.name,
  shape: closure.shape,
  length: closure.length,
  height: closure.height,
  hole: closure.hole,
  colour: { name: closure.name, hex: closure.colour },
});

const endBead = (closure: TwoWayBead): Bead => ({
  ...asBead(closure),
  shape: 'round',
  length: closure.endBead,
  height: closure.endBead,
});

export const twoWayBead: ClosureKind<TwoWayBead> = {
  entry: {
    type: 'two-way-bead',
    label: 'Tight two-way bead',
    blurb: 'Both tails through one bead that grips; end beads to pull by.',
    opens: false,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    {
      type: 'choice',
      key: 'shape',
      label: 'Shape',
      choices: BEAD_SHAPES.map((id) => ({ id, label: id[0]!.toUpperCase() + id.slice(1) })),
    },
    { type: 'length', key: 'length', label: 'Along the cord', min: 1, max: 60, small: true },
    { type: 'length', key: 'height', label: 'Across', min: 1, max: 60, small: true },
    { type: 'length', key: 'hole', label: 'Hole', min: 0.3, max: 30, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
    TAILS_FIELD,
    {
      type: 'length',
      key: 'endBead',
      label: 'End beads (0 for none)',
      min: 0,
      max: 30,
      small: true,
    },
  ],
  make: (cord) => ({
    type: 'two-way-bead',
    name: 'Gripping bead',
    shape: 'barrel',
    length: 8,
    height: Math.max(6, cord.diameter * 4),
    hole: Number((cord.diameter * 1.9).toFixed(1)),
    colour: '#6b5a4a',
    tails: null,
    endBead: 5,
  }),
  aim: (closure, site) => slideAim(site, closure.length),
  layOut(closure, site, body) {
    const { layout } = slidingLayout(site, body, closure.length, closure);
    const through = [...site.runs, ...site.runs];
    const { answer, loose } = passage(
      closure.hole,
      through.map((run) => run.cord),
    );
    const advice: Advice[] =
      answer === 'goes' && closure.hole > loose * 1.08
        ? [
            {
              code: 'two-way.loose',
              severity: 'warning',
              message: `The hole of ${mm(closure.hole)} is wide for cords that take ${mm(loose)}; the bead will slip.`,
              remedy:
                'Take a bead with a hole just smaller than the cords together, or a thicker cord.',
              path: 'hole',
            },
          ]
        : [];
    const free = runsFreeAtStart(site);
    return plainClosure({
      ...layout,
      uses: [
        ...layout.uses,
        ...stopperUses(free, 'overhand'),
        ...stopperUses(site.runs, 'overhand'),
      ],
      passages: [{ what: closure.name, hole: closure.hole, runs: through }],
      needs: [
        { label: closure.name, count: 1 },
        ...(closure.endBead > 0 ? [{ label: 'End bead', count: 2 }] : []),
      ],
      advice: [...layout.advice, ...advice],
    });
  },
  draw(closure, site, layout, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const tail = layout.measures.tail!;
    const at = length + Math.max(4 + closure.length / 2, tail * 0.4);
    const ends =
      closure.endBead > 0
        ? [-tail + closure.endBead / 2, length + tail - closure.endBead / 2].map((x, i) =>
            beadSolid(endBead(closure), `closure-end-${i}`, 'closure', [x, 0], state),
          )
        : [];
    return [
      ...drawTails(site, tail, length, 'overhand', state),
      ...ends,
      beadSolid(asBead(closure), 'closure-bead', 'closure', [at, 0], state),
    ];
  },
  steps: (closure) => ({
    start: [],
    end: [
      moving(
        once(
          `Pass both tails through ${closure.name}`,
          'One tail from each side, in opposite directions. Cut each tip to a point, or stiffen it with a drop of glue and let it dry, to get the second one through.',
        ),
        'closure-run',
        'closure-tail',
        'closure-bead',
      ),
      once(
        closure.endBead > 0
          ? 'A bead and a knot at the end of each tail'
          : 'A knot at the end of each tail',
        'Draw the ring out as far as it must open before the knots are tied.',
      ),
      moving(
        once('Draw it in and out', 'The bead must hold by itself and still give to a firm pull.'),
      ),
    ],
  }),
  finish: {
    stays: ['both tails beyond the bead, out to their ends'],
    goes: ['the stubs beyond the end knots or end beads'],
    checks: [
      'The bead gives to a firm pull and holds by itself.',
      'Drawn right out it passes the hand, and the ends do not slip through the bead.',
    ],
  },
  mistakes: [
    'Both tails go through the same way: then it does not draw in.',
    'The bead grips only new cord: leather wears smooth, so choose it tight.',
  ],
};
