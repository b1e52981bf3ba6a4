import { MM_PER_UNIT } from '../measure/units.js';
import type { Piece } from '../piece/piece.js';
import type { RuleOfThumb } from './plan-types.js';

const feet = (n: number): number => n * MM_PER_UNIT.ft;
const inches = (n: number): number => n * MM_PER_UNIT.in;

/**
 * The trade's rule for a cobra bracelet: a foot of cord per inch of knotted length, and a foot to a
 * foot and a half on top. Common practice, no source; shown only for comparison.
 *
 * @param knotted knotted length in mm
 * @example cobraRule(203.2).low // 2743.2
 */
export function cobraRule(knotted: number): RuleOfThumb {
  const length = knotted / MM_PER_UNIT.in;
  return {
    label: 'A foot per inch, and 1 to 1½ ft more',
    low: feet(length + 1),
    high: feet(length + 1.5),
  };
}

/**
 * The rules makers go by for this kind of piece, for all cords together. Common practice, no source.
 * @param length length of the parts in mm
 * @param target inner circumference aimed at in mm
 */
export function rulesOfThumb(piece: Piece, length: number, target: number): RuleOfThumb[] {
  const { closure, parts } = piece;
  const sinnets = parts.filter((part) => part.kind === 'square-knot-sinnet');
  if (closure.type === 'side-release-buckle' && sinnets.length > 0) return [cobraRule(length)];
  if (closure.type === 'two-sliding-knots' && piece.wear.site !== 'wrist') {
    const strands = piece.strands.length;
    return [
      {
        label: 'Twice the wearing length',
        low: strands * 2 * target,
        high: strands * 2 * (target + inches(2)),
      },
    ];
  }
  if (closure.type === 'square-knot-slider' && sinnets.length > 0) {
    return [
      {
        label: 'Three feet of core, three of working cord, one for the slider',
        low: feet(7),
        high: feet(7),
      },
    ];
  }
  if (closure.type === 'lobster' && parts[0]?.kind === 'loop' && sinnets.length > 0) {
    const core = 2 * (piece.wearer.wrist + inches(4));
    return [
      {
        label: 'Core twice wrist and 4 in, working cord three times that',
        low: 4 * core,
        high: 4 * core,
      },
    ];
  }
  return [];
}
