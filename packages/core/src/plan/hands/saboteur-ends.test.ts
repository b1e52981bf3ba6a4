import { describe, expect, it } from '@jest/globals';
import { start } from '../../testing.js';
import { templateById } from '../template/templates.js';
import {
  knot,
  moved,
  otherwise,
  refusedWith,
  verb,
  without,
  withoutAll,
  type Sabotage,
} from './testing.js';

const MADE: readonly Sabotage[] = [
  // The closure.
  ['the core in a buckle is not set', 'buckle-band', withoutAll(verb('set')), 'not-ready'],
  [
    'the core is set a finger longer',
    'buckle-band',
    otherwise('set', (action) => ({ ...action, mm: action.mm + 15 })),
    'differs',
  ],
  ['nobody pulls at the joint', 'two-colour-band', without(verb('test')), 'not-tried'],
  ['nobody looks which way the halves face', 'buckle-band', without(verb('test')), 'not-tried'],
  [
    'a slider is tied before the tails lie over each other',
    'beaded-band',
    moved(verb('overlap'), 'after', knot('half-knot'), 0, -1),
    'not-ready',
  ],
  [
    'a slider goes round one cord only',
    'coiled-slide',
    otherwise('wind', (action) => ({ ...action, round: [] })),
    'differs',
  ],
  [
    'it is stopped before it was seen to slide',
    'coiled-slide',
    moved(verb('test'), 'after', knot('stopper'), 0, -1),
    'out-of-order',
  ],
  [
    'a button is tied on before it is threaded',
    'focal-cord',
    moved(knot('overhand-on-ring'), 'before', verb('put-on')),
    'not-ready',
  ],
  [
    'a ring has its split outside',
    'triple-wrap',
    otherwise('close', (action) => ({ ...action, split: 'outside' })),
    'harm',
  ],
  [
    'a cord is cut in the work, and not beyond it',
    'triple-wrap',
    otherwise('trim', (action) => ({ ...action, leaves: 0 })),
    'harm',
  ],
  ['glue goes on wax', 'beaded-band', without(verb('wipe')), 'harm'],
  [
    'leather is glued with textile glue',
    'focal-cord',
    otherwise('glue', (action) => ({ ...action, with: 'textile' })),
    'harm',
  ],
  ['the eyes of both ends lie as they like', 'triple-wrap', without(verb('test')), 'not-tried'],
  ['a ring is left open', 'chain-necklace', without(verb('close')), 'not-ready'],
  ['a clasp is forgotten', 'chain-necklace', without(verb('hang')), 'unused'],
  // Trying on.
  [
    'it is tried on before anything is tied',
    'hemp-band',
    moved(verb('try-on'), 'after', verb('fold'), -1),
    ['idle', 'not-ready', 'not-tried'],
  ],
  ['it is never laid round', 'beaded-band', without(verb('try-on')), 'not-tried'],
  [
    'it is closed without having been tried on',
    'hemp-band',
    without(verb('try-on'), 1),
    'not-tried',
  ],
  [
    'it is trimmed before it was tried on closed',
    'beaded-band',
    without(verb('try-on'), -1),
    'not-tried',
  ],
  // Ends and materials.
  [
    'an end is trimmed before its knot',
    'beaded-band',
    moved(verb('trim'), 'before', knot('stopper')),
    ['not-fast', 'not-tried'],
  ],
  [
    'glue goes on before the trimming',
    'beaded-band',
    moved(verb('glue'), 'before', verb('trim')),
    'out-of-order',
  ],
  ['glue is left wet', 'beaded-band', without(verb('wait'), -1), 'wet'],
  [
    'glue is given an hour',
    'beaded-band',
    otherwise(
      'wait',
      (action) => ({ ...action, minutes: 60 }),
      () => true,
      -1,
    ),
    'wet',
  ],
  [
    'hemp is singed',
    'hemp-band',
    otherwise('glue', (action) => ({ ...action, do: 'singe' })),
    'harm',
  ],
  [
    'leather is dyed over glue',
    'focal-cord',
    moved(verb('glue'), 'before', verb('dye')),
    ['harm', 'wet'],
  ],
  [
    'leather is oiled before it is glued',
    'focal-cord',
    moved(verb('oil'), 'before', verb('dye')),
    ['harm', 'wet', 'unfinished'],
  ],
  [
    'an end is left as it is',
    'beaded-band',
    otherwise('trim', (action) => ({ ...action, ends: action.ends.slice(1) })),
    ['out-of-order', 'unfinished', 'not-ready'],
  ],
];

describe('a saboteur at the closure and the ends', () => {
  it.each(MADE.map((one) => [one[0], one[1], one] as const))('%s (%s)', (_what, _template, one) => {
    expect([one[3]].flat()).toContain(refusedWith(one, templateById(one[1]).make(start)));
  });
});
