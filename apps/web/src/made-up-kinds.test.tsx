import { describe, expect, it, jest } from '@jest/globals';
import type {
  Closure,
  ClosureBase,
  ClosureKind,
  Part,
  PartBase,
  PartKind,
  Piece,
  Plan,
  Point,
  Primitive,
  Run,
} from '@coiled-strand/core';

// A part and a closure that no maker has heard of. What is written in this file is all that is known of
// them: everything else must ask the face, and nothing may ask for them by name.

interface BarPart extends PartBase {
  readonly kind: 'made-up-bar';
  readonly bars: number;
}
const PITCH = 4;
const ROUND_A_BAR = 30;

/** Ends of the cords that do one thing. */
const ends = (runs: readonly Run[], does: Run['role']) =>
  runs
    .filter(({ role }) => role === does)
    .map(({ strand, half }) => ({ cord: strand, half, side: 'end' as const }));

/** One bar of a ladder, standing across the piece. */
const rung = (part: string, bar: number, low: number, high: number): Primitive => ({
  kind: 'plate',
  key: `bar-${bar}`,
  part,
  fill: 'finding',
  outlines: [
    [
      [bar * PITCH + 1, low],
      [bar * PITCH + 3, low],
      [bar * PITCH + 3, high],
      [bar * PITCH + 1, high],
    ],
  ],
});
const rungs = (part: BarPart, low: number, high: number): Primitive[] =>
  Array.from({ length: part.bars }, (_, bar) => rung(part.id, bar, low, high));

const bar: PartKind<BarPart> = {
  entry: {
    id: 'made-up-bar',
    label: 'Ladder of bars',
    blurb: 'Bars tied in across the cords.',
    goodFor: 'Tests.',
    group: 'knots',
    unitName: 'bar',
    needsBead: false,
    seconds: 30,
    pitched: true,
    ties: 'over-core',
  },
  fields: [{ type: 'count', key: 'bars', label: 'Bars in the ladder', min: 1, max: 60 }],
  make: ({ id }) => ({ id, kind: 'made-up-bar', bars: 44 }),
  fills: () => false,
  section: (_part, site) => ({ width: 9, thickness: 5, pitch: PITCH * site.pitchFactor }),
  layOut(part, site) {
    const section = bar.section(part, site);
    const length = part.bars * section.pitch;
    return {
      ...section,
      length,
      units: part.bars,
      unitName: 'bar',
      round: [{ kind: 'flexible', length, height: section.thickness / 2 }],
      uses: site.runs.map(({ strand, half, role }) => {
        const each = role === 'working' ? ROUND_A_BAR : section.pitch;
        return {
          strand,
          half,
          reason: {
            area: role === 'working' ? 'knot' : 'run',
            code: role === 'working' ? 'knot.bar' : 'run.bar',
            label: role === 'working' ? 'Round the bars' : 'Along the bars',
            detail: 'twice round each bar',
            mm: part.bars * each,
            times: { count: part.bars, each },
            ...(role === 'working' ? { spread: 0.11 } : {}),
          },
        };
      }),
      passages: [],
      beads: [],
      needs: [{ id: 'bar', label: 'Bar, 9 mm', count: part.bars }],
      auxiliary: [],
      advice: [],
    };
  },
  draw: (part) => rungs(part, -4.5, 4.5),
  drawEdge: (part) => rungs(part, -5, 0),
  inSpace: null,
  steps: (part, site, layout) => [
    {
      title: 'Tie the bars in',
      text: 'Twice round each bar.',
      units: part.bars,
      unitName: 'bar',
      unitText: (unit) => `Bar ${unit + 1}`,
      sideOf: (unit, first) => (unit % 2 === 0 ? first : first === 'left' ? 'right' : 'left'),
      actions: [
        {
          do: 'tie',
          place: part.id,
          knot: { form: 'own', takes: ROUND_A_BAR },
          by: ends(site.runs, 'working'),
          beside: ends(site.runs, 'core'),
          mm: layout.pitch,
          times: part.bars,
          to: 'bar',
          share: part.bars,
        },
      ],
      cautions: [],
    },
  ],
  fewer: (part) =>
    part.bars > 2 ? { part: { ...part, bars: part.bars - 2 }, leftOut: 'two bars' } : null,
  withUnits: (part, bars) => ({ ...part, bars }),
};

interface Magnet extends ClosureBase {
  readonly type: 'made-up-magnet';
  readonly grip: number;
}

const magnet: ClosureKind<Magnet, { readonly cup: number }> = {
  entry: {
    type: 'made-up-magnet',
    label: 'Magnet in two cups',
    blurb: 'Two cups that hold each other.',
    goodFor: 'Tests.',
    opens: true,
    givesWay: true,
  },
  fields: [{ type: 'length', key: 'grip', label: 'Depth of a cup', min: 2, max: 20, small: true }],
  make: () => ({ type: 'made-up-magnet', grip: 6 }),
  aim: ({ grip }) => [{ kind: 'rigid', length: 2 * grip, height: 4 }],
  layOut: (closure, site) => ({
    states: [{ id: 'closed', label: 'Closed', extra: magnet.aim(closure, site) }],
    reach: { start: closure.grip, end: closure.grip },
    uses: site.runs.map(({ strand, half }) => ({
      strand,
      half,
      reason: {
        area: 'closure',
        code: 'closure.cup',
        label: 'In the cup',
        detail: 'glued in',
        mm: closure.grip,
      },
    })),
    auxiliary: [],
    needs: [{ id: 'cup', label: 'Magnet cup', count: 2 }],
    passages: [{ what: 'Cup', hole: 12, runs: site.runs, blind: true }],
    advice: [],
    measures: { cup: closure.grip },
  }),
  draw: (_closure, _site, { measures }, { length }) =>
    [-1, 1].map((side) => ({
      kind: 'plate',
      key: `cup${side}`,
      part: 'closure',
      fill: 'finding',
      outlines: [
        [
          [side < 0 ? 0 : length, -4],
          [side < 0 ? -measures.cup : length + measures.cup, -4],
          [side < 0 ? -measures.cup : length + measures.cup, 4],
        ],
      ],
    })),
  drawEdge: (_closure, _site, { measures }) => [
    {
      kind: 'plate',
      key: 'closed-cup',
      part: 'closure',
      fill: 'finding',
      outlines: [
        [
          [-measures.cup, 0],
          [measures.cup, 0],
          [measures.cup, -8],
          [-measures.cup, -8],
        ],
      ],
    },
  ],
  steps({ grip }, site) {
    const cut = ends(site.runs, 'core');
    return {
      start: [],
      end: [
        {
          title: 'Glue the cups on',
          text: 'One over the folds, one over the cut ends.',
          units: 1,
          actions: [
            { do: 'trim', ends: cut, leaves: grip },
            { do: 'put-on', finding: 'cup', place: 'closure:start', on: [], mm: 0 },
            { do: 'cap', finding: 'cup', ends: cut, mm: grip },
            { do: 'press', ends: cut },
            { do: 'wait', for: 'glue', minutes: core.GLUE_CURES.minutes },
          ],
          cautions: [],
        },
      ],
    };
  },
  extends: 'a link between the cups makes up for it',
  ruleOfThumb: (_closure, { length }) => ({
    label: 'Magnets: eight times',
    low: 8 * length,
    high: 8 * length,
  }),
  finish: () => ({
    stays: ['what is in the cups'],
    checks: [{ title: 'Pull the cups apart', text: 'Pull the cups apart: no cord comes out.' }],
  }),
  mistakes: ['Both cups glued on the same way round push each other off.'],
};

// Two lines, as in the registries.
const real = await import('@coiled-strand/core');
jest.resetModules();
jest.unstable_mockModule('../../../packages/core/src/craft/part/registry.js', () => ({
  PART_KINDS: [...real.PART_KINDS, bar],
  partKind: (id: string) => (id === bar.entry.id ? bar : real.partKind(id)),
}));
jest.unstable_mockModule('../../../packages/core/src/craft/closure/registry.js', () => ({
  CLOSURE_KINDS: [...real.CLOSURE_KINDS, magnet],
  closureKind: (type: string) => (type === magnet.entry.type ? magnet : real.closureKind(type)),
}));
// All that is set anew: the page must not be rendered by one React and watched by another.
const { screen } = await import('@testing-library/react');
const { default: userEvent } = await import('@testing-library/user-event');
const core = await import('@coiled-strand/core');
const { PieceFileDto, validateAs } = await import('@coiled-strand/contract');
const { pieceNow, renderStage } = await import('./testing');
const { PartPane } = await import('./features/piece/stages/layout/part-pane');
const { ClosurePane } = await import('./features/piece/stages/layout/closure-pane');
const { AddPart } = await import('./features/piece/stages/layout/add-part');

/** Where the corners of a plate lie. */
function corners(shape: Primitive | undefined): readonly Point[] {
  if (shape?.kind !== 'plate') throw new Error('this is no plate');
  return shape.outlines.flat();
}
const ladder: BarPart = { id: 'ladder', kind: 'made-up-bar', bars: 44 };
const piece: Piece = {
  ...core.EXAMPLE_PIECE,
  name: 'Ladder',
  strands: [
    { cord: core.EXAMPLE_CORD, legs: ['core', 'core'], laidIn: false },
    { cord: core.EXAMPLE_CORD, legs: ['working', 'working'], laidIn: true },
  ],
  parts: [ladder as unknown as Part],
  closure: { type: 'made-up-magnet', grip: 6 } as unknown as Closure,
};
function planned(of: Piece): Plan {
  const plan = core.planPiece(of);
  if (!plan.ok) throw new Error(JSON.stringify(plan.advice));
  return plan;
}
const plan = planned(piece);
const codes = (of: Plan): string[] => of.advice.map(({ code }) => code);

describe('a part and a closure that are known by their faces alone', () => {
  it('are planned, with what they need and what they are counted by', () => {
    expect(plan.parts[0]!.layout.length).toBe(44 * PITCH);
    expect(plan.fit.length).toBe(44 * PITCH);
    // The cups lie in the round as one stiff piece.
    expect(plan.fit.states).toHaveLength(1);
    expect(plan.fit.circumference).toBeGreaterThan(170);
    expect(plan.totals.counts).toContainEqual({ unitName: 'bar', count: 44 });
    expect(plan.counters.needs).toEqual(
      expect.arrayContaining([
        { id: 'bar', label: 'Bar, 9 mm', count: 44 },
        { id: 'cup', label: 'Magnet cup', count: 2 },
      ]),
    );
    expect(plan.rules).toEqual([
      {
        label: 'Magnets: eight times',
        low: 8 * 44 * PITCH,
        high: 8 * 44 * PITCH,
        cut: plan.totals.cut,
        whose: null,
      },
    ]);
  });
  it('have every cord in the cut list, with reasons that add up', () => {
    const [along, round] = plan.strands;
    const areas = (of: typeof along): string[] => of!.reasons.map(({ area }) => area);
    expect(areas(along)).toEqual(expect.arrayContaining(['run', 'closure']));
    expect(areas(round)).toEqual(expect.arrayContaining(['knot', 'reserve']));
    for (const strand of plan.strands) {
      expect(strand.reasons.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(strand.total, 9);
      expect(strand.cut).toBeGreaterThanOrEqual(strand.total);
    }
    // Both halves of the cord that is laid in go twice round every bar.
    const knots = round!.reasons.filter(({ code }) => code === 'knot.bar');
    expect(knots.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(2 * 44 * ROUND_A_BAR, 9);
  });
  it('are checked by what they say of themselves', () => {
    expect(codes(plan)).not.toContain('strands.idle');
    const child: Piece = {
      ...piece,
      wear: { site: 'neck', turns: 1, length: 330 },
      wearer: { ...piece.wearer, neck: 300, child: true },
    };
    // A magnet gives way under a pull; a hook and ring does not.
    expect(codes(planned(child))).not.toContain('wearer.child-neck');
    const hook = core.closureKind('hook-and-ring').make(core.EXAMPLE_CORD) as Closure;
    expect(codes(planned({ ...child, closure: hook }))).toContain('wearer.child-neck');
  });
  it('are drawn on the bench and closed round the body, in their own shapes', () => {
    const flat = core.drawBench(piece, plan, { firstSide: 'left', tails: true }).shapes;
    expect(flat.filter((s) => s.kind === 'plate' && s.part === 'ladder')).toHaveLength(44);
    expect(flat.filter((s) => s.kind === 'plate' && s.part === 'closure')).toHaveLength(2);
    const closed = core.drawClosed(piece, plan);
    const bars = closed.shapes.filter((s) => s.kind === 'plate' && s.part === 'ladder');
    expect(bars).toHaveLength(44);
    // Each stands on the skin, all the way round.
    for (const shape of bars) {
      const far = corners(shape).map(([x, y]) => Math.hypot(x, y));
      expect(Math.min(...far)).toBeGreaterThan(closed.inner - 0.5);
      expect(Math.max(...far)).toBeLessThan(closed.inner + 5.5);
    }
    const cup = closed.shapes.find(({ key }) => key === 'closed-cup');
    // The closure lies on top.
    expect(Math.max(...corners(cup).map(([, y]) => y))).toBeLessThan(0);
  });
  it('are made step by step, told and pictured, as plain data', () => {
    const steps = core.makeSteps(piece, plan, { hand: 'right' });
    expect(JSON.parse(JSON.stringify(steps))).toEqual(steps);
    const tie = steps.find(({ title }) => title === 'Tie the bars in')!;
    // It is tried on two thirds along, and then tied on.
    const onBars = steps.filter((step) => step.part === 'ladder' && step.unitName === 'bar');
    expect(onBars).toHaveLength(2);
    expect(onBars.reduce((sum, { units }) => sum + units, 0)).toBe(44);
    expect(core.sideAt(tie, 0)).not.toBe(core.sideAt(tie, 1));
    expect(core.callAt(tie, 4)).toBe('Bar 5');
    const said = steps.map(({ title }) => core.speak(title, core.IN_MM));
    expect(said.indexOf('Glue the cups on')).toBeGreaterThan(said.indexOf('Tie the bars in'));
    const close = steps.find(({ title }) => title === 'Glue the cups on')!;
    for (const step of [tie, close]) {
      const picture = core.stepPicture(piece, plan, step, 3, 'left')!;
      expect(picture.shapes.some(({ kind }) => kind === 'plate')).toBe(true);
    }
    const checks = steps.flatMap(({ text }) => core.speak(text, core.IN_MM)).join(' ');
    expect(checks).toContain('no cord comes out');
  });
  it('are forecast half way, and have a way out when the cord is short', () => {
    const hand = core.ANY_HAND;
    const none = { done: {}, length: 0, left: [null, null] };
    const { needs } = core.forecast(piece, plan, hand, none).strands[1]!;
    // Both halves, half of the bars, by a hand that takes a tenth more cord.
    const spent = 1.1 * 2 * 22 * ROUND_A_BAR;
    const half = {
      done: { ladder: 22 },
      length: 22 * PITCH * 0.95,
      left: [null, plan.strands[1]!.cut - spent],
    };
    const seen = core.forecast(piece, plan, hand, half);
    expect(seen.pitchFactor.factor).toBeCloseTo(0.95, 1);
    expect(seen.takeUpFactor.factor).toBeCloseTo(1.1, 1);
    expect(seen.length.mid).toBeLessThan(plan.fit.length);
    const two: Piece = {
      ...piece,
      parts: [ladder, { ...ladder, id: 'second' }] as unknown as Part[],
    };
    const scarce = { ...none, left: [null, 1.9 * needs] };
    const out = core.remedies(
      two,
      planned(two),
      hand,
      scarce,
      core.forecast(two, planned(two), hand, scarce),
    );
    expect(out.map(({ text }) => core.speak(text, core.IN_MM)).join(' ')).toContain(
      'Leave two bars out',
    );
  });
  it('go out in a file and come back, and a wrong value in one is named by its path', () => {
    const file = core.toPieceFile(piece);
    const back = core.readPieceFile(JSON.stringify(file));
    if (!back.ok) throw new Error(JSON.stringify(back.faults));
    const read = validateAs(PieceFileDto, back.value);
    expect(read).toMatchObject({ ok: true, value: file });
    const wrong = {
      ...file,
      piece: {
        ...piece,
        parts: [{ ...ladder, bars: 61 }],
        closure: { ...piece.closure, grip: 'deep', glue: true },
      },
    };
    const refused = validateAs(PieceFileDto, wrong);
    if (refused.ok) throw new Error('a wrong file was let in');
    expect(refused.faults.map(({ path }) => path)).toEqual([
      'piece.parts[0].bars',
      'piece.closure.glue',
      'piece.closure.grip',
    ]);
  });
  it('have a form of their own, and are offered where parts and closures are', async () => {
    const { unmount } = renderStage(piece, <PartPane />);
    const bars = screen.getByRole('textbox', { name: 'Bars in the ladder' });
    await userEvent.clear(bars);
    await userEvent.type(bars, '40{Enter}');
    expect(pieceNow().parts[0]).toEqual({ ...ladder, bars: 40 });
    unmount();
    const closure = renderStage(piece, <ClosurePane />);
    expect(screen.getByText('Two cups that hold each other.')).toBeTruthy();
    const cup = screen.getByRole('textbox', { name: 'Depth of a cup' });
    await userEvent.clear(cup);
    await userEvent.type(cup, '8{Enter}');
    expect(pieceNow().closure).toEqual({ type: 'made-up-magnet', grip: 8 });
    expect(screen.getByText('2 × Magnet cup')).toBeTruthy();
    closure.unmount();
    renderStage(core.EXAMPLE_PIECE, <AddPart />);
    await userEvent.click(screen.getByRole('button', { name: 'Add a part' }));
    await userEvent.click(await screen.findByRole('button', { name: /Ladder of bars/ }));
    expect(pieceNow().parts).toContainEqual(
      expect.objectContaining({ kind: 'made-up-bar', bars: 44 }),
    );
  });
});
