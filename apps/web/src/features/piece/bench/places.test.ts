import { describe, expect, it } from '@jest/globals';
import { beadPath, BEAD_SHAPES, EXAMPLE_PIECE, planPiece, type Plan } from '@coiled-strand/core';
import { counted, countsOf } from '../piece/counts';
import { withView } from '../piece/view-param';
import { partPlaces, placeOfSeam, seamAt } from './part-places';
import { useSelection } from './selection-store';

const plan = planPiece(EXAMPLE_PIECE) as Plan;

describe('places of parts', () => {
  const places = [
    { from: 0, to: 10 },
    { from: 10, to: 14 },
    { from: 14, to: 40 },
  ];
  it('follow each other along the rule', () => {
    const [band] = partPlaces(plan);
    expect(band).toMatchObject({ from: 0, to: plan.fit.length });
  });
  it.each([
    [-5, 0],
    [4.9, 0],
    [5.1, 1],
    [13, 2],
    [26, 2],
    [28, 3],
    [999, 3],
  ])('%d mm is nearest to seam %d', (mm, seam) => {
    expect(seamAt(places, mm)).toBe(seam);
  });
  it('seams lie where parts meet', () => {
    expect([0, 1, 2, 3].map((seam) => placeOfSeam(places, seam))).toEqual([0, 10, 14, 40]);
    expect(placeOfSeam([], 0)).toBe(0);
  });
});

describe('what is looked at', () => {
  it('leads to its pane, except beside the bead tray', () => {
    const { select, setPane } = useSelection.getState();
    select('beads-2');
    expect(useSelection.getState().pane).toBe('part');
    select('closure');
    expect(useSelection.getState().pane).toBe('closure');
    setPane('beads');
    select('beads-2');
    expect(useSelection.getState()).toMatchObject({ pane: 'beads', part: 'beads-2' });
  });
});

describe('bead outlines', () => {
  it.each(BEAD_SHAPES)('%s is a closed path within its size', (shape) => {
    const d = beadPath(shape, 8, 6);
    expect(d).toMatch(/^M.*Z$/);
    expect(d).not.toMatch(/NaN|undefined/);
    for (const number of d.match(/-?\d+(\.\d+)?/g) ?? []) {
      expect(Math.abs(Number(number))).toBeLessThanOrEqual(8);
    }
  });
});

describe('small words', () => {
  it('count one and many', () => {
    expect(counted(1, 'bead')).toBe('1 bead');
    expect(counted(3, 'half knot')).toBe('3 half knots');
    expect(countsOf(plan)).toEqual([`${plan.parts[0]?.layout.units} half knots`]);
  });
  it('change the view and keep the rest of the address', () => {
    const closed = withView(new URLSearchParams('a=1'), 'closed');
    expect(closed.toString()).toBe('a=1&view=closed');
    expect(withView(closed, null).toString()).toBe('a=1');
  });
});
