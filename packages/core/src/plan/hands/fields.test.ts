import { describe, expect, it } from '@jest/globals';
import type { Action, Verb } from '../../base/action/action.js';
import { deep } from '../../../../../scripts/lib/deep.mjs';
import { draftPlan } from '../plan.js';
import { actionsIn, makeSteps } from '../steps/steps.js';
import { TEMPLATES } from '../template/templates.js';
import { follow } from './follow.js';
import { start } from '../../testing.js';

/** Other valid values of fields that are words, by their names; `verb field` where one name means two things. */
const WORDS: Readonly<Record<string, readonly string[]>> = {
  side: ['start', 'end'],
  by: ['flame', 'glue'],
  'stiffen how': ['point', 'wax', 'needle'],
  'try-on how': ['laid', 'held', 'closed'],
  from: ['left', 'right'],
  hangs: ['start', 'end'],
  'plait form': ['three', 'four-flat', 'four-round'],
  'tie form': ['half-knot', 'stopper', 'two-cord', 'slip', 'bulky', 'sliding', 'loop', 'own'],
  sinnet: ['flat', 'spiral'],
  stopper: ['overhand', 'double-barrel', 'triple-barrel', 'figure-eight'],
  of: ['fold', 'turned-end', 'both-cords'],
  lay: ['crossing', 'leader'],
  tension: ['soft', 'even', 'hard'],
  through: ['knot', 'stitch', 'bight', 'loop'],
  for: ['glue', 'dye', 'seal', 'oil', 'melt'],
  split: ['skin', 'outside'],
  with: ['textile', 'leather'],
  'test what': ['slides', 'passes', 'holds', 'turns', 'gives-way', 'faces'],
};

/** What the fields of an action may name besides: all that the piece has. */
interface Names {
  readonly verb: Verb;
  readonly cord: readonly unknown[];
  readonly place: readonly unknown[];
  readonly bead: readonly unknown[];
  readonly finding: readonly unknown[];
  readonly check: readonly unknown[];
}

function valuesFor(key: string, within: string, { verb, ...names }: Names): readonly unknown[] {
  if (key === 'cord') return names.cord;
  if (key === 'place') return names.place;
  if (key === 'bead' || within === 'beads') return names.bead;
  if (key === 'finding' || key === 'to' || key === 'in') return names.finding;
  if (verb === 'check') return names.check;
  return WORDS[`${verb} ${key}`] ?? WORDS[key] ?? [];
}

/** A value changed in one place of it, each with the way to that place. */
type Changed = readonly (readonly [readonly string[], unknown])[];

function changesOf(value: unknown, path: readonly string[], names: Names): Changed {
  const key = path.findLast((part) => part !== '*') ?? '';
  if (Array.isArray(value)) {
    const list = value as readonly unknown[];
    const within = list.flatMap((own, i): Changed =>
      changesOf(own, [...path, '*'], names).map(([at, other]) => [at, list.with(i, other)]),
    );
    const turned = [...list].reverse();
    return [
      ...within,
      [[...path, 'one left out'], list.slice(1)],
      ...(JSON.stringify(turned) === JSON.stringify(list)
        ? []
        : [[[...path, 'reversed'], turned] as const]),
    ];
  }
  if (typeof value === 'object' && value !== null) {
    return Object.entries(value).flatMap(([name, own]): Changed =>
      changesOf(own, [...path, name], names).map(([at, other]) => [
        at,
        { ...value, [name]: other },
      ]),
    );
  }
  const named = valuesFor(key, path.at(-2) ?? '', names);
  if (named.includes(value)) {
    return named.filter((other) => other !== value).map((other) => [path, other]);
  }
  if (typeof value !== 'number') return [];
  if (key === 'half') return [[path, 1 - value]];
  const whole = Number.isInteger(value);
  return [
    [path, whole ? value + 1 : value * 1.2],
    ...(value > 1 ? [[path, whole ? value - 1 : value * 0.8] as const] : []),
  ];
}

/** Every change of one field of an action to another value, and of each that can be left out. */
function mutantsOf(action: Action, names: Names): readonly (readonly [string, Action])[] {
  return Object.entries(action).flatMap(([key, value]) => {
    if (key === 'do') return [];
    const changed = changesOf(value, [key], names).map(
      ([path, other]) => [path.join('.'), { ...action, [key]: other }] as const,
    );
    const { [key]: _left, ...rest } = action as unknown as Readonly<Record<string, unknown>>;
    // Once, and all of a thing, is what an action is when it is not told otherwise.
    return (key === 'times' || key === 'share') && value === 1
      ? changed
      : [...changed, [`${key} left out`, rest as unknown as Action] as const];
  });
}

/** Lists in which the order says nothing: what is done to each, or in all of them as one. */
const ANY_ORDER: ReadonlySet<string> = new Set([
  'anchor.legs',
  'clip.ends',
  'unclip.ends',
  'dye.ends',
  'glue.ends',
  'join.ends',
  'lay.on',
  'oil.legs',
  'overlap.ends',
  'pass.ends',
  'petal.legs',
  'press.ends',
  'put-on.on',
  'seal.ends',
  'set.legs',
  'singe.ends',
  'stiffen.ends',
  'tension.legs',
  'string.around',
  'string.beside',
  'string.on',
  'tie.beside',
  'tie.by',
  'tie.round',
  'trim.ends',
  'wipe.ends',
  'turn-back.ends',
  'wind.round',
]);

/** Why a change does no harm; null for one that hands have to refuse. */
function harmless(original: Action, path: string, changed: Action): string | null {
  if (path.endsWith('.reversed')) {
    const list = `${original.do}.${path.slice(0, -'.reversed'.length)}`;
    if (ANY_ORDER.has(list)) return 'the order of what is done to each says nothing';
    if (original.do === 'plait' && path === 'bundles.*.reversed') {
      return 'the strands of a bundle lie in it as they like';
    }
    if (original.do === 'plait' && original.place.startsWith('closure:')) {
      return 'tails lie in no order before they are plaited';
    }
  }
  if (original.do === 'wait' && changed.do === 'wait' && changed.minutes > original.minutes) {
    return 'what lies for longer is dry as well';
  }
  if (original.do === 'stiffen' && changed.do === 'stiffen' && original.how === 'needle') {
    if (changed.how === 'wax') return 'a waxed point goes where a needle goes';
  }
  if (original.do === 'put-on' && path === 'help left out') {
    return 'one end goes through by its own point';
  }
  if (original.do === 'tie' && original.knot.form === 'turks-head' && path === 'by.*.side') {
    return 'both ends of the slider cord are alike';
  }
  return null;
}

describe('hands read every field of every action', () => {
  // Actions that come again and again are changed a few times.
  const OF_A_KIND = deep(1000, 3);
  const seen = new Set<string>();
  let tried = 0;

  it.each(TEMPLATES.map((template) => [template.id, template] as const))('%s', (_id, template) => {
    const piece = template.make(start);
    const plan = draftPlan(piece);
    if (!plan.ok) throw new Error(template.id);
    const actions = actionsIn(makeSteps(piece, plan, { hand: 'right' }));
    expect(follow(piece, plan, actions, 'left')).toEqual([]);
    const names = {
      cord: [...plan.strands.map(({ number }) => number), ...plan.auxiliary.map(({ id }) => id)],
      place: ['closure:start', 'closure:end', ...piece.parts.map(({ id }) => id)],
      bead: piece.beads.map(({ id }) => id),
      finding: plan.counters.needs.map(({ id }) => id),
      check: actions.flatMap((action) => (action.do === 'check' ? [action.what] : [])),
    };
    const count = new Map<string, number>();
    for (const [i, action] of actions.entries()) {
      const kind = `${action.do} ${action.do === 'tie' ? action.knot.form : ''}`;
      const before = count.get(kind) ?? 0;
      count.set(kind, before + 1);
      if (before >= OF_A_KIND) continue;
      seen.add(action.do);
      for (const [path, changed] of mutantsOf(action, { verb: action.do, ...names })) {
        tried++;
        const refused = follow(piece, plan, actions.with(i, changed), 'left').length > 0;
        const why = harmless(action, path, changed);
        if (why === null) {
          expect([kind, path, JSON.stringify(changed), refused]).toEqual([
            kind,
            path,
            JSON.stringify(changed),
            true,
          ]);
        }
      }
    }
  });

  it('in nearly every verb there is, and thousands of changes', () => {
    expect(tried).toBeGreaterThan(3000);
    expect([...seen].sort().length).toBeGreaterThan(30);
  });
});
