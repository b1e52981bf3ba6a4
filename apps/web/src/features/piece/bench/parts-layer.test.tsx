import { describe, expect, it, jest } from '@jest/globals';
import { drawBench, planPiece, templateById, type Piece, type Plan } from '@coiled-strand/core';
import { fireEvent, screen } from '@testing-library/react';
import { BENCH_FRAME, renderIn } from '../../../testing';
import { PartsLayer } from './parts-layer';
import { useSelection } from './selection-store';
import { StrandLanes } from './strand-lanes';

const make = (id: string): Piece =>
  templateById(id).make({
    name: 'x',
    wearer: { name: 'Somebody', wrist: 165, hand: 200 },
    cutting: { confidence: 0.95, step: 10, practice: 'practised' },
  });
const show = (piece: Piece) => {
  const actions = {
    move: jest.fn(),
    remove: jest.fn(),
    duplicate: jest.fn(),
    mirror: jest.fn(),
    open: jest.fn(),
  };
  useSelection.setState({ part: null, drop: null, pane: 'part' });
  const plan = planPiece(piece) as Plan;
  const drawing = drawBench(piece, plan, { firstSide: 'left', tails: true });
  renderIn(
    {},
    <svg>
      <PartsLayer
        frame={BENCH_FRAME}
        piece={piece}
        plan={plan}
        drawing={drawing}
        actions={actions}
      />
    </svg>,
  );
  return actions;
};
const part = (name: RegExp) => screen.getByRole('button', { name });

describe('parts on the bench', () => {
  it('are things to take hold of, named with their place and length, and the closure too', () => {
    show(make('focal-cord'));
    expect(screen.getAllByRole('button')).toHaveLength(6);
    expect(part(/^Stopper knot, part 2 of 5, [\d.]+ cm$/)).toBeTruthy();
    expect(part(/^Closure$/)).toBeTruthy();
  });
  it('have one place in the order of tabs', () => {
    show(make('focal-cord'));
    const stops = screen.getAllByRole('button').filter((b) => b.getAttribute('tabindex') === '0');
    expect(stops.map((b) => b.getAttribute('aria-label')?.split(',')[0])).toEqual([
      'Closure',
      'Plain cord',
    ]);
  });
  it('lie where the drawing has them, wide enough for a finger', () => {
    show(make('beaded-band'));
    for (const button of screen.getAllByRole('button', { name: /part \d/ })) {
      const box = button.querySelector('rect');
      expect(Number(box?.getAttribute('width'))).toBeGreaterThanOrEqual(18);
    }
  });
  it('are marked as large as they are drawn, with what hangs from them', () => {
    const piece = make('wrapped-stone');
    show(piece);
    const mark = part(/^Stone/).querySelector('.bench-part-mark');
    const stone = piece.parts[1];
    const height = stone?.kind === 'stone' ? stone.height : 0;
    expect(Number(mark?.getAttribute('height'))).toBeGreaterThan(height * BENCH_FRAME.scale);
    expect(Number(mark?.getAttribute('width'))).toBeGreaterThan(17 * BENCH_FRAME.scale);
  });
  it('are worked with keys', () => {
    const actions = show(make('focal-cord'));
    const beads = part(/^Beads/);
    fireEvent.keyDown(beads, { key: 'ArrowRight', shiftKey: true });
    expect(actions.move).toHaveBeenCalledWith('beads', 3);
    fireEvent.keyDown(beads, { key: 'd' });
    expect(actions.duplicate).toHaveBeenCalledWith('beads');
    fireEvent.keyDown(beads, { key: 'r' });
    expect(actions.mirror).toHaveBeenCalledWith('beads');
    fireEvent.keyDown(beads, { key: 'Delete' });
    expect(actions.remove).toHaveBeenCalledWith('beads');
    fireEvent.keyDown(beads, { key: 'Enter' });
    expect(actions.open).toHaveBeenCalledWith('beads');
    fireEvent.keyDown(beads, { key: 'ArrowLeft' });
    expect(useSelection.getState().part).toBe('stopper-knot');
    fireEvent.keyDown(part(/^Closure$/), { key: 'Enter' });
    expect(actions.open).toHaveBeenLastCalledWith('closure');
  });
  it('do not move beyond the ends, and leave keys with Ctrl alone', () => {
    const actions = show(make('focal-cord'));
    fireEvent.keyDown(part(/part 1 of 5/), { key: 'ArrowLeft', shiftKey: true });
    fireEvent.keyDown(part(/part 1 of 5/), { key: 'd', ctrlKey: true });
    expect(actions.move).not.toHaveBeenCalled();
    expect(actions.duplicate).not.toHaveBeenCalled();
  });
  it('carry a mark where a warning concerns them', () => {
    const piece = make('thick-cord');
    show({
      ...piece,
      parts: piece.parts.map((p) => (p.kind === 'stopper-ring' ? { ...p, hole: 9 } : p)),
    });
    expect(screen.getAllByRole('button', { name: /has a warning/ })).toHaveLength(2);
  });
});

describe('lanes of the strands', () => {
  it('run through the whole work, numbered at both ends', () => {
    const piece = make('hemp-band');
    renderIn(
      {},
      <svg>
        <StrandLanes frame={BENCH_FRAME} piece={piece} plan={planPiece(piece) as Plan} />
      </svg>,
    );
    const numbers = screen.getAllByText(/^[12]$/).map((text) => text.textContent);
    // Two folded strands make four lanes.
    expect(numbers.filter((n) => n === '1')).toHaveLength(4);
    expect(numbers.filter((n) => n === '2')).toHaveLength(4);
  });
});
