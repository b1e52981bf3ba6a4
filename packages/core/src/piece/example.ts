import {
  sideReleaseBuckle,
  type BuckleClosure,
} from '../craft/closure/side-release-buckle/index.js';
import type { Cord } from '../base/material/cord.js';
import type { SinnetPart } from '../craft/part/square-knot-sinnet/index.js';
import type { Piece, Strand } from './piece.js';

export const EXAMPLE_CORD: Cord = {
  name: 'Paracord 4 mm',
  kind: 'paracord',
  diameter: 4,
  colour: { name: 'slate', hex: '#5b6b78' },
};

export const EXAMPLE_BUCKLE: BuckleClosure = sideReleaseBuckle.make(EXAMPLE_CORD);

/** A band of square knots whose length the fit sets. */
export const EXAMPLE_BAND: SinnetPart = {
  id: 'band',
  kind: 'square-knot-sinnet',
  form: 'flat',
  tension: 'even',
  length: null,
  units: null,
};

/** One cord, folded: both halves run out as core, turn in the far half, and come back tying. */
export const outAndBack = (cord: Cord): Strand => ({
  cord,
  legs: ['turned', 'turned'],
  laidIn: false,
});

/** The piece that documentation, tests and benchmarks of all parts refer to: an adult's flat bracelet. */
export const EXAMPLE_PIECE: Piece = {
  name: 'Example',
  wearer: { name: 'Somebody', wrist: 183 },
  wear: { site: 'wrist', turns: 1, length: null },
  ease: { rule: 'two-fingers' },
  strands: [outAndBack(EXAMPLE_CORD)],
  beads: [],
  parts: [EXAMPLE_BAND],
  closure: EXAMPLE_BUCKLE,
  ends: 'singe',
  cutting: { confidence: 0.95, step: 10, practice: 'practised' },
};
