import { plainClosure, type ClosureBase, type ClosureKind } from '../../kind/closure-kind.js';
import { COLOUR_FIELD, choiceField, nameField, sizeField } from '../../kind/field.js';
import { needOf } from '../../kind/reason.js';
import { asThing } from '../../knot/stroke.js';
import { BEAD_SHAPE_LABELS, type Bead, type BeadShape } from '../../material/bead.js';
import { passage } from '../../material/passage.js';
import type { Advice } from '../../measure/advice.js';
import { say, size } from '../../measure/saying.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { slideAim, slidingLayout, type SlideMeasures } from '../slide.js';
import { drawTails } from '../tail-drawing.js';
import { TAILS_FIELD } from '../tails.js';
import { check, once, runsFreeAtStart, stopperUses } from '../uses.js';

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

export const twoWayBead: ClosureKind<TwoWayBead, SlideMeasures> = {
  entry: {
    type: 'two-way-bead',
    label: 'Tight two-way bead',
    blurb: 'Both tails through one bead that grips; end beads to pull by.',
    opens: false,
  },
  fields: [
    nameField(),
    choiceField('shape', 'Shape', BEAD_SHAPE_LABELS),
    sizeField('length', 'Along the cord', 1, 60),
    sizeField('height', 'Across', 1, 60),
    sizeField('hole', 'Hole', 0.3, 30),
    COLOUR_FIELD,
    TAILS_FIELD,
    sizeField('endBead', 'End beads (0 for none)', 0, 30),
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
    const { measures, ...layout } = slidingLayout(site, body, closure.length, closure);
    const through = [...site.runs, ...site.runs];
    const { answer, loose } = passage(
      closure.hole,
      through.map((run) => run.cord),
    );
    const slips: Advice[] =
      answer === 'goes' && closure.hole > loose * 1.08
        ? [
            {
              code: 'two-way.loose',
              severity: 'warning',
              message: say`The hole of ${size(closure.hole)} is too wide for cords that take ${size(loose)}; the bead will slip.`,
              remedy:
                'Take a bead with a hole just smaller than the cords together, or a thicker cord.',
              path: 'hole',
            },
          ]
        : [];
    return plainClosure(measures, {
      ...layout,
      uses: [
        ...layout.uses,
        ...stopperUses(runsFreeAtStart(site), 'overhand'),
        ...stopperUses(site.runs, 'overhand'),
      ],
      passages: [{ what: closure.name, hole: closure.hole, runs: through }],
      needs: [needOf(closure.name), ...(closure.endBead > 0 ? [needOf('End bead', 2)] : [])],
      advice: [...layout.advice, ...slips],
    });
  },
  draw(closure, site, { measures: { tail } }, { length, done }) {
    const state = done ? 'laid' : 'planned';
    const at = length + Math.max(4 + closure.length / 2, tail * 0.4);
    const ends =
      closure.endBead > 0
        ? [-tail + closure.endBead / 2, length + tail - closure.endBead / 2].map((x, i) =>
            beadSolid(endBead(closure), `closure-end-${i}`, 'closure', [x, 0], state),
          )
        : [];
    return [
      ...drawTails(site, tail, length, 'overhand', state),
      ...asThing(ends, 'stopper'),
      ...asThing([beadSolid(asBead(closure), 'closure-bead', 'closure', [at, 0], state)], 'bead'),
    ];
  },
  drawEdge: (closure) => [
    beadSolid(asBead(closure), 'closed-bead', 'closure', [0, -closure.height / 2], 'laid'),
  ],
  steps: (closure) => ({
    start: [],
    end: [
      {
        ...once(
          `Pass both tails through ${closure.name}`,
          'One tail from each side, in opposite directions. Cut each tip to a point, or stiffen it with a drop of glue and let it dry, to get the second one through.',
        ),
        moves: ['run', 'tail', 'bead'],
      },
      once(
        closure.endBead > 0
          ? 'A bead and a knot at the end of each tail'
          : 'A knot at the end of each tail',
        'Draw the ring out as far as it must open before the knots are tied.',
      ),
      {
        ...once(
          'Draw it in and out',
          'The bead must hold by itself and still give to a firm pull.',
        ),
        moves: [],
      },
    ],
  }),
  finish: {
    stays: ['both tails beyond the bead, out to their ends'],
    goes: ['the stubs beyond the end knots or end beads'],
    checks: [
      check('The bead gives to a firm pull and holds by itself'),
      check('Drawn right out it passes the hand', ', and the ends do not slip through the bead.'),
    ],
  },
  mistakes: [
    'Both tails go through the same way: then it does not draw in.',
    'The bead grips only new cord: leather wears smooth, so choose a tight one.',
  ],
};
