// Written by `npm run knots`; not by hand.
import type { KeptTight } from '../base/own-knot.js';

/** Tyings drawn tight from their own layouts. */
// prettier-ignore
export const TIGHT_TYINGS: Readonly<Record<string, KeptTight | undefined>> = {
};
