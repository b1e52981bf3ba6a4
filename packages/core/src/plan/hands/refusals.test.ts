import { describe, expect, it } from '@jest/globals';
import type { Action, Verb } from '../../base/action/action.js';
import { loopAndButton } from '../../craft/closure/loop-and-button/index.js';
import { cordEnds } from '../../craft/closure/cord-ends/index.js';
import type { Piece } from '../../piece/piece.js';
import { draftPlan } from '../plan.js';
import type { Plan } from '../plan-types.js';
import { asBefore, planPiece, tryPlan } from '../steps/plan-piece.js';
import { actionsIn, makeSteps } from '../steps/steps.js';
import { templateById } from '../template/templates.js';
import { inMm, start } from '../../testing.js';
import { follow, type Stop } from './follow.js';

interface Made {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly actions: readonly Action[];
}
function made(piece: Piece): Made {
  const plan = draftPlan(piece);
  if (!plan.ok) throw new Error(JSON.stringify(plan.advice));
  return { piece, plan, actions: actionsIn(makeSteps(piece, plan, { hand: 'right' })) };
}
const of = (id: string): Made => made(templateById(id).make(start));

/** The same actions, one of them put before another. */
function earlier({ actions }: Made, verb: Verb, before: Verb): Action[] {
  const rest: Action[] = [...actions];
  const [moved] = rest.splice(
    rest.findIndex((action) => action.do === verb),
    1,
  );
  rest.splice(
    rest.findIndex((action) => action.do === before),
    0,
    moved!,
  );
  return rest;
}
const stop = ({ piece, plan }: Made, actions: readonly Action[]): Stop | undefined =>
  follow(piece, plan, actions)[0];
const without = (actions: readonly Action[], test: (action: Action) => boolean): Action[] =>
  actions.filter((action) => !test(action));

describe('hands refuse', () => {
  it('a bead on an end that is closed by a knot, or that must travel past one', () => {
    const band = of('focal-cord');
    const moved = [...band.actions];
    const bead = moved.findIndex((action) => action.do === 'string');
    const [string] = moved.splice(bead, 1);
    // Behind the second knot, which was to hold it on the other side.
    moved.splice(bead + 1, 0, string!);
    expect(stop(band, moved)).toMatchObject({ code: 'out-of-order' });
  });
  it('a bead that was not planned there', () => {
    const band = of('beaded-band');
    const twice = band.actions.flatMap((action): Action[] =>
      action.do === 'string' ? [action, action] : [action],
    );
    expect(stop(band, twice)).toMatchObject({ code: 'not-planned' });
  });
  it('to trim an end that something still needs', () => {
    const band = of('beaded-band');
    expect(stop(band, earlier(band, 'trim', 'tie'))?.code).toBe('not-fast');
    expect(stop(band, earlier(band, 'trim', 'overlap'))?.code).toMatch(/not-(fast|tried)/);
  });
  it('a cord, a bead, a finding or a thread that was made ready and is never used', () => {
    const clasp = of('chain-necklace');
    const noClasp = without(clasp.actions, (action) => action.do === 'hang');
    expect(follow(clasp.piece, clasp.plan, noClasp).some(({ code }) => code === 'unused')).toBe(
      true,
    );
    const slide = of('two-way-slide');
    const bare = slide.actions.map((action): Action => {
      if (action.do !== 'put-on') return action;
      const { help: _help, ...rest } = action;
      return rest;
    });
    expect(stop(slide, bare)?.code).toBe('not-through');
  });
  it('two tails that are drawn through a bead by one thread: it pulls both the same way', () => {
    const slide = of('two-way-slide');
    const goes = slide.actions.filter(
      (action) => action.do === 'put-on' && action.finding === 'Gripping bead',
    ) as readonly Extract<Action, { do: 'put-on' }>[];
    expect(goes.map(({ on, share }) => [on.map(({ side }) => side), share])).toEqual([
      [['start'], 0.5],
      [['end'], 0.5],
    ]);
    const [first, second] = goes;
    const atOnce = slide.actions.flatMap((action): Action[] =>
      action === second
        ? []
        : action === first
          ? [{ ...first, on: [...first.on, ...second!.on], share: 1 }]
          : [action],
    );
    expect(stop(slide, atOnce)).toMatchObject({ code: 'not-through' });
    // After the first tail alone there is nothing yet that slides.
    const early = slide.actions.filter((action) => action !== second);
    expect(stop(slide, early)).toMatchObject({ code: 'not-ready' });
  });
  it('to try two sliding knots when only one of them is tied', () => {
    const band = of('knotted-centre');
    const last = band.actions.findLastIndex(
      (action) => action.do === 'tie' && action.knot.form === 'sliding',
    );
    expect(stop(band, band.actions.toSpliced(last, 1))).toMatchObject({
      code: 'not-ready',
      message: 'There is nothing that slides yet.',
    });
  });
  it('to try it on closed before there is anything to close it with', () => {
    const band = of('beaded-band');
    const early = band.actions.map((action): Action =>
      action.do === 'try-on' && action.how === 'held' ? { ...action, how: 'closed' } : action,
    );
    expect(stop(band, early)).toMatchObject({
      code: 'not-ready',
      message: 'It cannot be closed yet: there is work still to be done.',
    });
  });
  it('to tie a button on before it hangs on the cord', () => {
    const band = of('focal-cord');
    const at = band.actions.findIndex((action) => action.do === 'put-on');
    const [button, knot] = [band.actions[at]!, band.actions[at + 1]!];
    const swapped = band.actions.toSpliced(at, 2, knot, button);
    expect(stop(band, swapped)).toMatchObject({ code: 'not-ready' });
  });
  it('to lay a band round when the core in its buckle is tied over already', () => {
    const band = of('buckle-band');
    const laid = band.actions.findIndex((action) => action.do === 'try-on');
    const late = band.actions.toSpliced(laid, 1);
    const knots = late.findIndex(
      (action) => action.do === 'tie' && action.knot.form === 'half-knot',
    );
    expect(stop(band, late.toSpliced(knots + 1, 0, band.actions[laid]!))).toMatchObject({
      code: 'out-of-order',
      message: 'The core is set and tied over: its length cannot change now.',
    });
    expect(stop(band, late)).toMatchObject({ code: 'not-tried' });
  });
  it('an end that is neither secured nor covered when all is done', () => {
    const band = of('beaded-band');
    const loose = without(band.actions, ({ do: verb }) =>
      ['glue', 'press', 'wait', 'check'].includes(verb),
    );
    expect(
      follow(band.piece, band.plan, loose).some(
        ({ code, message }) => code === 'unfinished' && inMm(message).includes('is not finished'),
      ),
    ).toBe(true);
  });
  it('a knot with a cord that has run out', () => {
    const band = of('buckle-band');
    const strands = band.plan.strands.map((strand) => ({ ...strand, cut: 900, fold: 450 }));
    const short = { ...band, plan: { ...band.plan, strands } };
    const actions = band.actions.map((action): Action =>
      action.do === 'measure'
        ? { ...action, mm: 900 }
        : action.do === 'mark'
          ? { ...action, mm: 450 }
          : action,
    );
    expect(stop(short, actions)).toMatchObject({ code: 'out-of-cord' });
  });
  it('to glue or trim before the last try-on', () => {
    const glued = of('thick-cord');
    const untried = without(
      glued.actions,
      (action) => action.do === 'try-on' && action.how === 'held',
    );
    expect(stop(glued, untried)?.code).toBe('not-tried');
  });
  it('dye after glue, and a seal before it', () => {
    const cord = of('focal-cord');
    const rest = [...cord.actions];
    const at = (verb: Verb): number => rest.findIndex((action) => action.do === verb);
    const dye = rest.splice(at('dye'), 2);
    const glue = at('glue');
    rest.splice(glue + 3, 0, ...dye);
    expect(stop(cord, rest)).toMatchObject({ code: 'harm' });
  });
  it('a flame on natural fibre, beside a pearl, and beside fresh glue', () => {
    const band = of('beaded-band');
    const burning = band.actions.map((action) =>
      action.do === 'glue' ? { ...action, do: 'singe' as const } : action,
    );
    expect(stop(band, burning)).toMatchObject({ code: 'harm' });
    const pearls = of('lariat');
    // The cord melts, but its pearls hang beside every end: glue it is.
    expect(pearls.piece.ends).toBe('singe');
    expect(pearls.actions.some((action) => action.do === 'singe')).toBe(false);
    const flame = pearls.actions.map((action) =>
      action.do === 'glue' ? { ...action, do: 'singe' as const } : action,
    );
    expect(stop(pearls, flame)).toMatchObject({ code: 'harm' });
  });
  it('to test a slider when its ends were cut, or its tails stopped', () => {
    const band = of('beaded-band');
    const late = without(band.actions, (action) => action.do === 'test');
    const test = band.actions.find((action) => action.do === 'test')!;
    const trimmed = late.findIndex((action) => action.do === 'trim');
    expect(stop(band, [...late.slice(0, trimmed), test, ...late.slice(trimmed)])).toMatchObject({
      code: 'out-of-order',
    });
  });
  it('the board for work that its clasp holds', () => {
    const necklace = of('knotted-necklace');
    const anchor: Action = { do: 'anchor', legs: [{ cord: 1, half: 0 }] };
    const at = necklace.actions.findIndex((action) => action.do === 'string');
    const boarded = [...necklace.actions.slice(0, at), anchor, ...necklace.actions.slice(at)];
    expect(stop(necklace, boarded)).toMatchObject({ code: 'idle' });
  });
  it('a second day of glue for ends that a cap has closed', () => {
    const wrap = of('triple-wrap');
    const at = wrap.actions.findIndex((action) => action.do === 'check');
    const glue: Action = {
      do: 'glue',
      ends: [{ cord: 1, half: 0, side: 'start' }],
      with: 'leather',
    };
    const twice = [...wrap.actions.slice(0, at), glue, ...wrap.actions.slice(at)];
    expect(stop(wrap, twice)).toMatchObject({ code: 'closed-end' });
  });
  it('to go on while something is wet', () => {
    const band = of('beaded-band');
    expect(
      stop(
        band,
        without(band.actions, ({ do: verb }) => verb === 'wait'),
      )?.code,
    ).toBe('wet');
  });
  it('petals of strands that are not outermost, and a plait in another order', () => {
    const petals = of('petal-band');
    const inner = petals.actions.map((action) =>
      action.do === 'petal'
        ? { ...action, legs: action.legs.map((leg) => ({ ...leg, cord: 5 - Number(leg.cord) })) }
        : action,
    );
    const mixed = petals.actions.map((action) =>
      action.do === 'order' ? { ...action, legs: [...action.legs].reverse() } : action,
    );
    expect(stop(petals, mixed)).toMatchObject({ code: 'out-of-order' });
    expect(stop(petals, inner)?.code).toBe('out-of-order');
    const round = petals.actions.map((action) =>
      action.do === 'petal' ? { ...action, round: action.legs, roundMm: 1, along: 0 } : action,
    );
    expect(stop(petals, round)?.code).toBe('out-of-order');
  });
  it('a chain that is not fastened off', () => {
    const chain = of('chain-necklace');
    const open = without(
      chain.actions,
      (action) => action.do === 'pass' && action.through === 'stitch',
    );
    expect(stop(chain, open)).toMatchObject({ code: 'not-fast' });
  });
});

describe('covered ends', () => {
  it.each(['triple-wrap', 'thick-cord', 'chain-necklace'])(
    '%s: nothing more is done to them',
    (id) => {
      const verbs = new Set(of(id).actions.map((action) => action.do));
      for (const verb of ['singe', 'glue', 'tuck', 'dye', 'seal'] as const) {
        expect([verb, verbs.has(verb)]).toEqual([verb, false]);
      }
    },
  );
  it('wait one day of glue, not two', () => {
    const cord = templateById('triple-wrap').make(start);
    const capped = made({
      ...cord,
      closure: { ...cordEnds.make(cord.strands[0]!.cord), by: 'glue' },
    });
    const waits = capped.actions.filter((action) => action.do === 'wait' && action.for === 'glue');
    expect(waits).toHaveLength(1);
  });
});

describe('a piece that hands cannot make', () => {
  it('is a finding with its reason, before anything is cut', () => {
    const hung = templateById('lariat').make(start);
    const bare: Piece = {
      ...hung,
      strands: hung.strands.slice(0, 1),
      parts: [
        { id: 'a', kind: 'plain', length: null },
        {
          id: 'b',
          kind: 'beads',
          beads: ['pearl-8'],
          through: 'all',
          runs: null,
          between: 'touching',
          gap: 0,
        },
      ],
    };
    const plan = planPiece(bare);
    expect(plan).toMatchObject({ unmakeable: true });
    const finding = plan.advice[0]!;
    expect(finding).toMatchObject({ severity: 'error', code: 'hands.not-fast' });
    expect(inMm(finding.message)).toMatch(/Nothing holds the (start|end) of cord 1/);
  });
  it('names the part at which hands stop', () => {
    const piece = templateById('focal-cord').make(start);
    const twice: Piece = {
      ...piece,
      parts: [{ id: 'loop', kind: 'loop', perimeter: 30 }, ...piece.parts],
      closure: { ...loopAndButton.make(piece.strands[0]!.cord), buttonAt: 'start' },
    };
    const plan = planPiece(twice);
    expect(plan).toMatchObject({ unmakeable: true });
    expect(plan.advice[0]).toMatchObject({ code: 'hands.out-of-order', part: 'loop' });
  });
});

describe('a draft that hands try', () => {
  const piece = templateById('lariat').make(start);
  const bare = { ...piece, parts: piece.parts.filter(({ kind }) => kind !== 'stopper-knot') };

  it('is the plan itself when they can make it, and when there is none', () => {
    const draft = draftPlan(piece);
    expect(tryPlan(piece, draft)).toBe(draft);
    const none = draftPlan({ ...piece, strands: [] });
    expect(none.ok).toBe(false);
    expect(tryPlan({ ...piece, strands: [] }, none)).toBe(none);
  });
  it('takes over what was found before, and only that', () => {
    const before = planPiece(bare);
    const draft = draftPlan(bare);
    expect(asBefore(draft, before)).toEqual(before);
    expect(asBefore(draft, planPiece(piece))).toBe(draft);
  });
});
