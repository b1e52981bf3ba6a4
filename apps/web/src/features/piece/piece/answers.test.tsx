import { describe, expect, it } from '@jest/globals';
import {
  EXAMPLE_BAND,
  EXAMPLE_PIECE,
  IN_MM,
  planPiece,
  speak,
  type Piece,
  type Plan,
  type Reached,
  type Saying,
} from '@coiled-strand/core';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderIn } from '../../../testing';
import { Answers } from './answers';
import { AdviceList } from './advice-list';
import { Reasons } from './reasons';
import { stageStatus, waitsFor } from './stage-status';

const plan = planPiece(EXAMPLE_PIECE) as Plan;
const strand = plan.strands[0]!;
const inMm = (saying: Saying): string => speak(saying, IN_MM);
const tiny: Piece = { ...EXAMPLE_PIECE, wearer: { name: 'x', wrist: 17 } };

describe('answers', () => {
  it('open the sum they are made of', async () => {
    renderIn({ cordUnit: 'cm' }, <Answers plan={plan} />);
    await userEvent.click(screen.getByRole('button', { name: /Cord, slate/ }));
    const sum = await screen.findByRole('dialog', { name: 'Cord, slate' });
    for (const reason of strand.reasons) {
      expect(within(sum).getByText(inMm(reason.label))).toBeTruthy();
    }
    expect(within(sum).getByText('Cut, rounded up')).toBeTruthy();
  });
  it('speak the workshop’s units', () => {
    renderIn({ unit: 'in', cordUnit: 'in' }, <Answers plan={plan} />);
    expect(screen.getByText(`${(8 + 3 / 16).toFixed(0)} 3/16 in`)).toBeTruthy();
  });
  it('say both when the length is the maker’s own', () => {
    const own: Piece = { ...EXAMPLE_PIECE, parts: [{ ...EXAMPLE_BAND, length: 220 }] };
    renderIn({}, <Answers plan={planPiece(own)} />);
    expect(screen.getByText('22 cm')).toBeTruthy();
    expect(screen.getByText(/fit asks/)).toBeTruthy();
  });
});

describe('reasons', () => {
  it('show counts fine enough that the product is the sum shown', () => {
    const { container } = renderIn(
      { cordUnit: 'in' },
      <Reasons reasons={strand.reasons} format={(mm) => `${mm.toFixed(0)} mm`} total="Sum" />,
    );
    const text = container.textContent ?? '';
    const [, count, each] = /(\d+) × ([\d.]+) in, both ends, over the core/.exec(text) ?? [];
    const working = strand.reasons.find((r) => r.code === 'knot.half')!;
    expect(Number(count)).toBe(plan.parts[0]!.layout.units);
    expect(Math.abs(Number(count) * Number(each) * 25.4 - working.mm)).toBeLessThan(4);
  });
  it('show what is taken off with a minus', () => {
    const { container } = renderIn(
      {},
      <Reasons reasons={plan.fit.lengthReasons} format={(mm) => `${mm.toFixed(0)} mm`} total="x" />,
    );
    expect(container.textContent).toMatch(/− \d+ mm/);
  });
});

describe('advice', () => {
  it('say what, and what to do, in the maker’s unit', () => {
    const own: Piece = { ...EXAMPLE_PIECE, parts: [{ ...EXAMPLE_BAND, length: 240 }] };
    renderIn({ unit: 'in' }, <AdviceList advice={planPiece(own).advice} />);
    const status = screen.getByRole('status', { name: 'Advice' });
    expect(status.textContent).toMatch(/closes 1 \d+\/\d+ in larger/);
    expect(within(status).getByLabelText('Check')).toBeTruthy();
  });
  it('are silent when there is nothing to say', () => {
    renderIn({}, <AdviceList advice={[]} />);
    expect(screen.queryByRole('status')).toBeNull();
  });
});

describe('what a stage says and a piece waits for', () => {
  const units = {
    unit: 'cm',
    cordUnit: 'cm',
    size: (mm: number) => `${mm.toFixed(0)} mm`,
    cord: (mm: number) => `${mm.toFixed(0)} mm`,
    each: String,
    say: inMm,
    nudge: 1,
  } as const;
  const view = (make: Pick<Reached, 'done' | 'total' | 'finishFrom'> | null, logged = 0) => ({
    id: 'p',
    version: 1,
    piece: EXAMPLE_PIECE,
    changedBy: null,
    updatedAt: '',
    make: make && {
      id: 'm',
      piece: EXAMPLE_PIECE,
      hand: [],
      reached: { ...make, parts: {} },
    },
    underWay: make ? 1 : 0,
    logged,
    tags: [],
  });
  it('names the answers of a planned piece', () => {
    const status = stageStatus(EXAMPLE_PIECE, plan, { logged: 2 }, null, units);
    expect(status.fit).toBe(`${plan.fit.circumference.toFixed(0)} mm inside`);
    expect(status.layout).toBe(`${plan.parts[0]!.layout.units} half knots, side-release buckle`);
    expect(status.cut).toBe(`${strand.cut} mm`);
    expect(status.make).toBe('not begun');
    expect(status.log).toBe('2 made');
  });
  it('says what an impossible piece waits for', () => {
    const status = stageStatus(tiny, planPiece(tiny), { logged: 0 }, null, units);
    expect(status.cut).toBe('needs a plan');
    expect(waitsFor(view(null), planPiece(tiny))).toMatch(/to be fixed/);
  });
  it.each([
    [{ done: 0, total: 40, finishFrom: 36 }, '0 of 36 steps', 'after the knots', /nothing cut/],
    [{ done: 12, total: 40, finishFrom: 36 }, '12 of 36 steps', 'after the knots', /being made/],
    [{ done: 36, total: 40, finishFrom: 36 }, 'tied', '4 to do', /ready to finish/],
    [{ done: 40, total: 40, finishFrom: 36 }, 'tied', 'done', /ready to log/],
  ])('follows a make: %j', (make, making, finishing, waits) => {
    const status = stageStatus(EXAMPLE_PIECE, plan, { logged: 0 }, make, units);
    expect(status.make).toBe(making);
    expect(status.finish).toBe(finishing);
    expect(waitsFor(view(make), plan)).toMatch(waits);
  });
});
