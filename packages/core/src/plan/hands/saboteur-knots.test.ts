import { describe, expect, it } from '@jest/globals';
import { start } from '../../testing.js';
import { templateById } from '../template/templates.js';
import {
  at,
  knot,
  moved,
  other,
  otherwise,
  refusedWith,
  verb,
  without,
  withoutAll,
  type Sabotage,
  type Of,
} from './testing.js';

const MADE: readonly Sabotage[] = [
  // Held or gone.
  ['a clip is left out before beads are let go of', 'hemp-band', without(verb('clip')), 'not-fast'],
  ['beads wait on a cord with an open end', 'chain-necklace', without(verb('clip')), 'not-fast'],
  [
    'a stitch is left live while it is tried on',
    'chain-necklace',
    without(verb('clip'), 1),
    'not-fast',
  ],
  ['a plait is laid down open', 'beaded-plait', withoutAll(verb('clip')), 'not-fast'],
  [
    'a clip is put on after the try-on',
    'hemp-band',
    moved(verb('clip'), 'after', verb('try-on')),
    'not-fast',
  ],
  ['knots are tied over a clip', 'hemp-band', without(verb('unclip')), 'still-held'],
  [
    'a clip is put where nothing comes off',
    'buckle-band',
    (actions) =>
      actions.toSpliced(at(actions, verb('set')), 0, {
        do: 'clip',
        on: 'bead',
        ends: [{ cord: 1, half: 0, side: 'end' }],
      }),
    'idle',
  ],
  ['the board is left out', 'beaded-band', withoutAll(verb('anchor', 'release')), 'not-held'],
  [
    'one cord is not fixed to the board',
    'floss-stripe',
    otherwise('anchor', (action) => ({ ...action, legs: action.legs.slice(1) })),
    'differs',
  ],
  [
    'it is taken off the board in the midst of the knots',
    'beaded-band',
    moved(verb('release'), 'before', knot('half-knot'), -1, 2),
    'not-fast',
  ],
  [
    'it is tried on while it is on the board',
    'beaded-band',
    without(verb('release'), -1),
    'still-held',
  ],
  // What frays.
  [
    'cord that frays is not singed when it is cut',
    'buckle-band',
    without(verb('sear')),
    'not-ready',
  ],
  [
    'cord that burns is held into a flame',
    'hemp-band',
    (actions) => actions.toSpliced(at(actions, verb('cut')) + 1, 0, { do: 'sear', cord: 1 }),
    'harm',
  ],
  ['nothing holds the far end of the core', 'beaded-band', without(verb('tension')), 'not-held'],
  [
    'one of two cores is left slack',
    'hemp-band',
    otherwise('tension', (action) => ({ ...action, legs: action.legs.slice(1) })),
    'differs',
  ],
  [
    'silk is measured before it is pulled out',
    'beaded-plait',
    without(verb('pull-out')),
    'not-ready',
  ],
  [
    'leather is pulled out as if it were silk',
    'focal-cord',
    (actions) => [{ do: 'pull-out', cord: 1 }, ...actions],
    'idle',
  ],
  // Which of alike cords is which.
  ['alike cords have no numbers', 'hemp-band', without(verb('label')), 'not-ready'],
  [
    'one cord gets two numbers and the other none',
    'hemp-band',
    otherwise('label', (action) => ({ ...action, cord: 2 })),
    ['not-ready', 'idle'],
  ],
  [
    'the strands of a pattern are laid in another order',
    'floss-chevron',
    otherwise('order', (action) => ({ ...action, legs: [...action.legs].reverse() })),
    'out-of-order',
  ],
  [
    'two strands of a plait change places',
    'seized-laces',
    otherwise('order', (action) => ({
      ...action,
      legs: [action.legs[1]!, action.legs[0]!, ...action.legs.slice(2)],
    })),
    'out-of-order',
  ],
  // From which side.
  [
    'an end is pulled from the other side',
    'knotted-centre',
    otherwise('tie', (action) => ({ ...action, by: action.by.map(other) }), knot('sliding')),
    'out-of-order',
  ],
  [
    'a stopper is tied with the end of the other side',
    'beaded-band',
    otherwise('tie', (action) => ({ ...action, by: action.by.map(other) }), knot('stopper')),
    'out-of-order',
  ],
  [
    'the band is tied twice from one side',
    'beaded-band',
    otherwise(
      'tie',
      (action) => ({ ...action, from: action.from === 'left' ? 'right' : 'left' }),
      knot('half-knot'),
      1,
    ),
    'out-of-order',
  ],
  [
    'the pattern is read from the right',
    'floss-stripe',
    otherwise('order', (action) => ({ ...action, from: 'right' })),
    'differs',
  ],
  // Cords that hold together.
  [
    'a working cord is not laid in',
    'beaded-band',
    without(verb('lay-in')),
    ['not-ready', 'not-held'],
  ],
  [
    'a working cord is laid in further on',
    'beaded-band',
    otherwise('lay-in', (action) => ({ ...action, place: 'beads' })),
    'out-of-order',
  ],
  [
    'two cords are not joined for the hitch',
    'two-colour-band',
    withoutAll(verb('join')),
    ['not-folded', 'idle'],
  ],
  ['the joint is loaded while it is soft', 'two-colour-band', without(verb('wait')), 'wet'],
  [
    'a cord is used before it is cut',
    'beaded-band',
    moved(verb('cut'), 'after', verb('anchor')),
    'not-ready',
  ],
  [
    'a cord is cut before it is measured',
    'beaded-band',
    moved(verb('cut'), 'before', verb('measure')),
    'not-ready',
  ],
  [
    'a cord is cut a hand longer',
    'beaded-band',
    otherwise('measure', (action) => ({ ...action, mm: action.mm + 100 })),
    'differs',
  ],
  [
    'a cord is folded beside its mark',
    'hemp-band',
    otherwise('mark', (action) => ({ ...action, mm: action.mm + 30 })),
    'differs',
  ],
  [
    'a stone is caught beside the mark',
    'wrapped-stone',
    otherwise('mark', (action) => ({ ...action, mm: action.mm - 200 })),
    'differs',
  ],
  // Beads and holes.
  [
    'a bead is forgotten',
    'knotted-necklace',
    without(verb('string'), 3),
    ['differs', 'unused', 'not-planned', 'not-ready'],
  ],
  [
    'two beads of a graded row change places',
    'knotted-necklace',
    (actions) => {
      const strung = actions.flatMap((action, i) => (action.do === 'string' ? [i] : []));
      const [first] = strung;
      const own = actions[first!] as Of<'string'>;
      const unlike = strung.find((i) => (actions[i] as Of<'string'>).bead !== own.bead)!;
      const bead = (actions[unlike] as Of<'string'>).bead;
      return actions
        .with(first!, { ...own, bead })
        .with(unlike, { ...(actions[unlike] as Of<'string'>), bead: own.bead });
    },
    ['differs', 'not-planned'],
  ],
  [
    'a bead comes behind the knot that was to hold it',
    'focal-cord',
    moved(verb('string'), 'after', knot('stopper'), 0, 1),
    'out-of-order',
  ],
  [
    'both tails go through a bead by one thread',
    'two-way-slide',
    (actions) => {
      const [first, second] = actions.filter(
        (action): action is Of<'put-on'> => action.do === 'put-on' && action.share === 0.5,
      );
      return actions.flatMap((action) =>
        action === second
          ? []
          : action === first
            ? [{ ...first, on: [...first.on, ...second!.on], share: 1 }]
            : [action],
      );
    },
    'not-through',
  ],
  ['an end is strung without its point', 'lariat', withoutAll(verb('stiffen')), 'not-ready'],
  [
    'leather is to be threaded into a needle',
    'chain-necklace',
    otherwise('stiffen', (action) => ({ ...action, how: 'point' })),
    'differs',
  ],
  // Knots.
  [
    'a knot is tied one size down',
    'lariat',
    otherwise(
      'tie',
      (action) => ({ ...action, knot: { form: 'stopper', stopper: 'overhand' } }),
      (action) =>
        action.do === 'tie' &&
        action.knot.form === 'stopper' &&
        action.knot.stopper === 'double-barrel',
    ),
    'not-planned',
  ],
  [
    'a crossing is left out',
    'beaded-plait',
    otherwise('plait', (action) => ({ ...action, times: (action.times ?? 1) - 1 })),
    ['out-of-order', 'differs', 'not-ready'],
  ],
  [
    'petals are made of the inner strands',
    'petal-band',
    otherwise('petal', (action) => ({
      ...action,
      legs: [
        { cord: 2, half: 0 },
        { cord: 3, half: 0 },
      ],
    })),
    'out-of-order',
  ],
  [
    'a whipping is not pulled under itself',
    'seized-laces',
    without(verb('draw-up')),
    ['unfinished', 'not-ready', 'differs'],
  ],
  [
    'a chain is not fastened off',
    'chain-necklace',
    without(verb('pass')),
    ['not-fast', 'unfinished', 'still-held'],
  ],
  [
    'a chain is hung on its clasp before it is begun',
    'chain-necklace',
    (actions) =>
      actions.toSpliced(at(actions, knot('slip')), 0, {
        do: 'tie',
        place: 'closure:start',
        knot: { form: 'ring-knot', bar: 1 },
        by: [{ cord: 1, half: 0, side: 'start' }],
        mm: 0,
      }),
    'not-planned',
  ],
];

describe('a saboteur among the cords and knots', () => {
  it.each(MADE.map((one) => [one[0], one[1], one] as const))('%s (%s)', (_what, _template, one) => {
    expect([one[3]].flat()).toContain(refusedWith(one, templateById(one[1]).make(start)));
  });
});
