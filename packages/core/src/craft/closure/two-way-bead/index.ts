import { knotInRuns } from '../../part/pick.js';
import {
  plainClosure,
  type ClosureBase,
  type ClosureKind,
} from '../../../base/kind/closure-kind.js';
import { COLOUR_FIELD, choiceField, nameField, sizeField } from '../../../base/kind/field.js';
import { needOf } from '../../../base/kind/reason.js';
import { asThing } from '../../knot/stroke.js';
import { BEAD_SHAPE_LABELS, type Bead, type BeadShape } from '../../../base/material/bead.js';
import { passage } from '../../../base/material/passage.js';
import type { Advice } from '../../../base/measure/advice.js';
import { laid, say, size, term, type Saying } from '../../../base/measure/saying.js';
import { beadSolid } from '../../knot/bead-solid.js';
import { slideAim, slidingLayout, type SlideMeasures } from '../slide.js';
import { drawTails } from '../tail-drawing.js';
import { TAILS_FIELD } from '../tails.js';
import { AT_END, closureAt, type Action, type End } from '../../../base/action/action.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import type { PartStep } from '../../../base/kind/part-kind.js';
import type { ClosureSite } from '../../../base/kind/closure-kind.js';
import { cordsOf, helpThrough, outerEnds, startEnds } from '../../part/ends.js';
import { tiedIn } from '../../knot/tied.js';
import {
  check,
  leave,
  singleStep,
  tiedStep,
  runsFreeAtStart,
  stopperIn,
  stopperUses,
} from '../uses.js';

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

const END_BEAD = 'End bead';

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

/** An end bead, where there is one, and a stopper at the end of each tail. */
const endActions = (closure: TwoWayBead, site: ClosureSite, tail: number): Action[] =>
  (['start', 'end'] as const).flatMap((side) => {
    const runs = side === 'start' ? runsFreeAtStart(site) : site.runs;
    const ends = side === 'start' ? startEnds(runs) : outerEnds(runs);
    if (ends.length === 0) return [];
    return [
      ...leave(side, ends, tail),
      ...(closure.endBead > 0
        ? [
            {
              do: 'put-on' as const,
              finding: END_BEAD,
              place: closureAt(side),
              on: ends,
              mm: 0,
            },
          ]
        : []),
      ...stopperIn(side, ends, 'overhand', knotInRuns('overhand', runs).length),
    ];
  });

/** One tail after the other: drawn by one thread, both could only go the same way. */
function bothThrough(closure: TwoWayBead, site: ClosureSite): PartStep[] {
  const { name, hole } = closure;
  const help = helpThrough(hole, cordsOf([...site.runs, ...site.runs]));
  const through = (title: Saying, text: string, on: readonly End[]): PartStep => ({
    ...singleStep(
      title,
      text,
      [{ do: 'put-on', finding: name, place: AT_END, on, mm: 0, share: 0.5, ...help }],
      CAUTIONS.needle,
    ),
    moves: ['run', 'tail', 'bead'],
  });
  return [
    through(
      say`Draw one ${term('tail')} through the gripping bead`,
      'Fold the thread over its tip and draw the tip through after the thread. If it sticks, ream the hole a little and blow it out.',
      startEnds(runsFreeAtStart(site)),
    ),
    through(
      'Draw the other tail through from the other side',
      'The same way, past the first tail. Each then comes out at the side where the other goes in.',
      outerEnds(site.runs),
    ),
  ];
}

export const twoWayBead: ClosureKind<TwoWayBead, SlideMeasures> = {
  entry: {
    type: 'two-way-bead',
    label: 'Tight two-way bead',
    blurb: 'Both tails through one bead that grips; end beads to pull by.',
    goodFor: 'Quick, and gentle to the cord. The bead has to grip, so its hole has to be right.',
    opens: false,
    trials: ['slides'],
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
      passages: [{ what: closure.name, finding: closure.name, hole: closure.hole, runs: through }],
      needs: [needOf(closure.name), ...(closure.endBead > 0 ? [needOf(END_BEAD, 2)] : [])],
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
  steps: (closure, site, { measures }, _length, first) => ({
    start: [],
    end: [
      ...bothThrough(closure, site),
      {
        ...singleStep(
          'Draw it in and out',
          'The bead must hold by itself and still give to a firm pull. Try it now: once the ends are knotted it cannot be changed for a tighter one.',
          [{ do: 'test', what: 'slides' }],
        ),
        moves: [],
      },
      {
        ...tiedStep(
          closure.endBead > 0
            ? 'String a bead and tie a knot at the end of each tail'
            : 'Tie a knot at the end of each tail',
          say`Draw the ring out as far as it must open. ${closure.endBead > 0 ? 'String an end bead on each tail and tie' : 'Tie'} a knot ${laid(measures.tail)} from the body.`,
          [tiedIn('overhand', [site.runs], first)],
          endActions(closure, site, measures.tail),
        ),
        moves: ['stopper'],
      },
    ],
  }),
  finish: (_closure, site) => ({
    stays: ['both tails beyond the bead, out to their ends'],
    checks: [
      check('The bead gives to a firm pull and holds by itself'),
      check(
        `It passes the ${site.pass.what} when it is drawn right out`,
        'The ends do not slip through the bead.',
      ),
    ],
  }),
  mistakes: [
    'Both tails go through the same way: then it does not draw in.',
    'The bead grips only new cord: leather wears smooth, so choose a tight one.',
  ],
};
