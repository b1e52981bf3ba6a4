import { timesOf, type Action, type Verb } from './action.js';

/**
 * Seconds that an action takes practised hands each time, besides what a part counts by its own units.
 * Common practice, no source; waits run by themselves and take none.
 */
const SECONDS: Readonly<Record<Verb, number>> = {
  'pull-out': 20,
  measure: 40,
  cut: 10,
  sear: 20,
  have: 20,
  mark: 10,
  fold: 20,
  join: 90,
  stiffen: 60,
  order: 30,
  label: 10,
  anchor: 40,
  release: 10,
  tension: 15,
  clip: 10,
  unclip: 5,
  'lay-in': 20,
  lay: 15,
  string: 12,
  slide: 3,
  tie: 40,
  plait: 120,
  petal: 8,
  'put-on': 30,
  pass: 30,
  'turn-back': 20,
  wind: 6,
  chain: 4,
  'draw-up': 60,
  set: 40,
  overlap: 30,
  undo: 60,
  open: 20,
  hang: 20,
  close: 30,
  crimp: 40,
  cap: 60,
  wipe: 15,
  glue: 20,
  singe: 15,
  press: 60,
  tuck: 45,
  dye: 15,
  seal: 20,
  trim: 10,
  oil: 60,
  wait: 0,
  'try-on': 60,
  test: 40,
  check: 15,
};

/** How many ends an action is done to, one after the other. */
const endsIn = (action: Action): number =>
  action.do === 'glue' ||
  action.do === 'singe' ||
  action.do === 'tuck' ||
  action.do === 'dye' ||
  action.do === 'seal' ||
  action.do === 'trim' ||
  action.do === 'stiffen'
    ? action.ends.length
    : 1;

/**
 * Seconds at the bench that actions take.
 * @example secondsOf([{ do: 'try-on', how: 'held' }]) // 60
 */
export const secondsOf = (actions: readonly Action[]): number =>
  actions.reduce((sum, action) => sum + SECONDS[action.do] * timesOf(action) * endsIn(action), 0);
