import { beforeEach, describe, expect, it } from '@jest/globals';
import { REAL_SIZE, SCALES, useBenchView } from './view-store';

const view = () => useBenchView.getState();
beforeEach(() => {
  view().setFrame({ scale: 4, x: 10, width: 800, folded: null, folds: false });
  view().setFraming({ mode: 'whole' });
});

describe('looking at the bench', () => {
  it('keeps the millimetre under the pointer where it is', () => {
    view().zoomTo(10, 200);
    const { framing } = view();
    if (framing.mode !== 'free') throw new Error('zooming frees the frame');
    // 200 px at 4 px/mm from 10 mm: 60 mm.
    expect(framing.x + 200 / framing.scale).toBeCloseTo(60, 9);
  });
  it('stays within its scales', () => {
    view().zoomBy(1000);
    expect(view().framing).toMatchObject({ scale: SCALES.max });
    view().zoomBy(1e-6);
    expect(view().framing).toMatchObject({ scale: SCALES.min });
  });
  it('keeps real size real while it is moved', () => {
    view().setFraming(REAL_SIZE);
    view().pan(40);
    expect(view().framing).toEqual({ mode: 'real', x: 0 });
    view().setFraming({ mode: 'whole' });
    view().pan(40);
    expect(view().framing).toEqual({ mode: 'free', scale: 4, x: 0 });
  });
});
