import { describe, expect, it } from '@jest/globals';
import {
  EXAMPLE_CORD,
  planPiece,
  templateById,
  type Passage,
  type Plan,
} from '@coiled-strand/core';
import { screen } from '@testing-library/react';
import { renderIn } from '../../../testing';
import { passageLine, Passages } from './passages';

const run = {
  index: 0,
  strand: 1,
  half: 0,
  role: 'core',
  laidIn: false,
  folded: false,
  cord: { ...EXAMPLE_CORD, kind: 'nylon-cord', diameter: 1, effective: 1 },
} as const;
const through = (hole: number, passes: number): Passage => ({
  what: 'Bead',
  hole,
  runs: Array.from({ length: passes }, () => run),
});

describe('whether cords go through', () => {
  it.each([
    [1.2, 1, 'Bead, hole 1.2 mm: the cord goes through'],
    [0.8, 1, 'Bead, hole 0.8 mm: the cord goes through with a needle or a stiffened point'],
    [0.5, 1, 'Bead, hole 0.5 mm: the cord does not go through'],
    [2.2, 2, 'Bead, hole 2.2 mm: 2 passes of cord go through'],
    [1, 2, 'Bead, hole 1 mm: 2 passes of cord do not go through'],
  ])('is said of a hole of %d mm and %d passes', (hole, passes, line) => {
    expect(passageLine(through(hole, passes))).toBe(line);
  });
  it('is said once of each kind of bead, and of nothing without a hole', () => {
    const piece = templateById('alternating-band').make({
      name: 'x',
      wearer: { name: 'Somebody', wrist: 165 },
      cutting: { confidence: 0.95, step: 10, practice: 'practised' },
    });
    const plan = planPiece(piece) as Plan;
    renderIn({}, <Passages passages={plan.parts[1]!.layout.passages} />);
    expect(screen.getByRole('group', { name: 'Holes' }).textContent).toContain(
      'Ring 5 mm, 1 mm wire, hole 3.2 mm: 2 passes of cord go through',
    );
    const { container } = renderIn({}, <Passages passages={plan.parts[0]!.layout.passages} />);
    expect(container.querySelector('[role=group]')).toBeNull();
  });
});
