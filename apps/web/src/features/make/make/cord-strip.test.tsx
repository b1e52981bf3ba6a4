import { describe, expect, it } from '@jest/globals';
import { EXAMPLE_PIECE, planPiece, type Plan } from '@coiled-strand/core';
import { renderIn } from '../../../testing';
import { CordStrip } from './cord-strip';

describe('the cord laid out straight', () => {
  const strand = (planPiece(EXAMPLE_PIECE) as Plan).strands[0]!;
  const draw = () => renderIn({}, <CordStrip strand={strand} />).container;
  it('is cut in proportion to its reasons, with the rounding left at the end', () => {
    const shares = [...draw().querySelectorAll<HTMLElement>('[title*=":"]')].map((part) =>
      parseFloat(part.style.width),
    );
    expect(shares).toHaveLength(strand.reasons.length);
    shares.forEach((share, i) => {
      expect(share).toBeCloseTo((strand.reasons[i]!.mm / strand.cut) * 100, 6);
    });
    expect(shares.reduce((sum, share) => sum + share, 0)).toBeLessThanOrEqual(100);
  });
  it('marks the fold at the middle', () => {
    const fold = draw().querySelector<HTMLElement>('[title="Fold here"]');
    expect(fold?.style.left).toBe('50%');
  });
});
