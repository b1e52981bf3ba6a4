import { tightened } from '@coiled-strand/rope';

/**
 * Two-cord knots, each cord tied through the other, in cord diameters: what both cords take for a knot, and how long
 * and wide that is. Source: `tightened.ts`, as wall knots of two strands that all face alike.
 */
export const TWO_CORD_KNOT = {
  bothCords: tightened('two-cord.cord'),
  pitch: tightened('two-cord.pitch'),
  width: tightened('two-cord.width'),
  thickness: 3,
} as const;
