import { describe, expect, it } from '@jest/globals';
import type { Action } from '../../base/action/action.js';
import { inMm, MEASURED_HAND, planned, start } from '../../testing.js';
import { act } from '../hands/follow.js';
import { layTable } from '../hands/table.js';
import { TEMPLATES, templateById } from '../template/templates.js';
import { actionsIn, makeSteps } from './steps.js';
import { refit } from './refit.js';

const telling = { first: 'left', words: true } as const;
const madeOf = (id: string) => {
  const piece = templateById(id).make(start);
  const plan = planned(piece);
  return { piece, plan, steps: makeSteps(piece, plan, { hand: 'right' }) };
};

/** Why no steps can be told; the try-on says in words what to do. */
const UNTOLD: Readonly<Record<string, string>> = {
  'alternating-band': 'it is as long as its beads are',
  lariat: 'it closes round nothing: where it hangs is seen, not measured',
  'chain-necklace': 'its beads wait on the cord in their number',
};
/** The same where it is only for so much. */
const UNTOLD_FOR: Readonly<Record<string, string>> = {
  'petal-band 6': 'its plait was eased by more than a hand repeats itself by',
  'knotted-centre 14': 'less plain cord is there than that',
};

describe('a fit that fails', () => {
  const tries = TEMPLATES.flatMap(({ id }) =>
    madeOf(id)
      .steps.filter(({ actions = [] }) =>
        actions.some((action) => action.do === 'try-on' && action.how !== 'closed'),
      )
      .flatMap((step) => [6, -6, 14].map((off) => [id, step.id, off] as const)),
  );

  it.each(tries)('%s at %s: hands mend %d mm from where they are, and it fits', (id, at, off) => {
    const { piece, plan } = madeOf(id);
    const found = refit(piece, plan, at, off, telling);
    const untold = UNTOLD[id] ?? UNTOLD_FOR[`${id} ${off}`];
    expect([untold, found?.refused === null]).toEqual([untold, untold === undefined]);
    if (!untold) expect(found!.steps.length).toBeGreaterThan(0);
  });

  const textOf = (id: string, at: string, off: number): string[] =>
    refit(madeOf(id).piece, madeOf(id).plan, at, off, telling)!.steps.map(
      ({ title, text, units }) => `${inMm(title)}: ${inMm(text)} x${units}`,
    );
  it('is told by what comes off, and by what goes back on to the board', () => {
    expect(textOf('beaded-band', 'try-on-close', 6)).toEqual([
      'Undo the last of it: 4 half knots, the last first. x1',
    ]);
    const more = textOf('beaded-band', 'try-on-close', -6);
    expect(more[0]).toMatch(/^Fix it to the board again/);
    expect(more[1]).toMatch(/^Pull the core taut/);
    expect(more[2]).toMatch(/^Go on: tie square knots.* x2$/);
    expect(textOf('seized-laces', 'try-on-close', 6)[0]).toBe(
      'Undo the last of it: whipping, 1 crossing, the last first. x1',
    );
  });
  it('leaves more or less plain where nothing has to be undone', () => {
    const [shorter] = textOf('focal-cord', 'try-on-close', 6);
    const [longer] = textOf('focal-cord', 'try-on-close', -6);
    const mm = (text: string) => Number(/Leave (\d+) mm plain/.exec(text)?.[1]);
    expect(mm(longer!) - mm(shorter!)).toBeGreaterThanOrEqual(11);
    expect(mm(longer!) - mm(shorter!)).toBeLessThanOrEqual(13);
  });
  it('sets a core anew before anything is tied over it', () => {
    expect(textOf('buckle-band', 'start-3', 6)).toHaveLength(1);
    expect(textOf('buckle-band', 'start-3', 6)[0]).toMatch(/^Set the core to/);
  });
  it('goes by the hand that the plan was made for', () => {
    const piece = templateById('beaded-band').make(start);
    const plan = planned(piece, MEASURED_HAND);
    const found = refit(piece, plan, 'try-on-close', 6, telling, MEASURED_HAND);
    expect(found?.refused).toBeNull();
    expect(inMm(found!.steps[0]!.text)).toMatch(/^\d half knots, the last first\.$/);
  });
  it('does not move where a unit would be too much', () => {
    const { piece, plan } = madeOf('beaded-band');
    expect(refit(piece, plan, 'try-on-close', 0.2, telling)).toBeNull();
  });
});

describe('hands that undo', () => {
  const upTo = (id: string, verb: Action['do'], nth: number) => {
    const { piece, plan, steps } = madeOf(id);
    const actions = actionsIn(steps);
    const ends = actions.flatMap((action, i) => (action.do === verb ? [i] : []));
    const table = layTable(piece, plan, 'left');
    const done = actions.slice(0, ends.at(nth)! + 1);
    for (const action of done) expect(act(table, action)).toBeNull();
    return { table, done };
  };
  it('have the cord back, and lie as they lay before', () => {
    const { table, done } = upTo('focal-cord', 'string', 0);
    const last = done.at(-1)!;
    const used = table.cords.get(1)!.used[0];
    const left = [...table.beads.values()][0]!.left;
    expect(act(table, { do: 'undo', actions: [last] })).toBeNull();
    expect(table.cords.get(1)!.used[0]).toBeLessThan(used);
    expect([...table.beads.values()][0]!.left).toBe(left + 1);
    expect(act(table, last)).toBeNull();
    expect(table.cords.get(1)!.used[0]).toBeCloseTo(used, 6);
  });
  it('begin with what was made last', () => {
    const { table, done } = upTo('focal-cord', 'string', 0);
    const before = done.filter(({ do: verb }) => verb === 'tie').at(-1)!;
    expect(act(table, { do: 'undo', actions: [before] })).toMatchObject({ code: 'out-of-order' });
  });
  it('undo no more than there is, and nothing that is trimmed', () => {
    const tied = upTo('beaded-band', 'string', 0);
    const knots = tied.done.filter((action) => action.do === 'tie').at(-1)!;
    const bead = tied.done.at(-1)!;
    const many = { ...knots, times: 99 };
    expect(act(tied.table, { do: 'undo', actions: [many, bead] })?.code).toBe('out-of-order');
    const { table, done } = upTo('beaded-band', 'trim', 0);
    const stopper = done.filter((action) => action.do === 'tie').at(-1)!;
    expect(act(table, { do: 'undo', actions: [stopper] })?.code).toBe('out-of-order');
  });
});
