/**
 * Two-cord knots, each cord tied through the other, in cord diameters: 19.3 to 20 of both cords per
 * knot, one knot every 2.05, 4.25 wide: each cord takes about 4.8 times the length.
 *
 * Source: our tightened model ropes, as repeated two-strand wall knots; that form is an assumption.
 */
export const TWO_CORD_KNOT = { bothCords: 19.65, pitch: 2.05, width: 4.25, thickness: 3 } as const;
