import type { Drying } from '../action/action.js';
import type { Wait } from './step.js';

// How long things take that run by themselves. Common practice, no source; the label on the bottle
// goes before.

export const GLUE_CURES: Wait = {
  minutes: 24 * 60,
  what: 'the glue cures',
  not: 'Do not wear it, wet it, bend it or pull at the ends.',
};
export const DYE_DRIES: Wait = {
  minutes: 30,
  what: 'the dye dries',
  not: 'Do not seal it, and do not lay it on skin or cloth: it stains.',
};
export const SEAL_DRIES: Wait = {
  minutes: 60,
  what: 'the seal dries',
  not: 'Do not wear it or lay ends on each other: they stick.',
};
export const OIL_SINKS_IN: Wait = {
  minutes: 12 * 60,
  what: 'the oil sinks in',
  not: 'Do not glue or dye it any more, and keep it off light cloth.',
};
/** Molten ends look solid before they are. */
export const ENDS_COOL: Wait = {
  minutes: 1,
  what: 'the ends cool',
  not: 'Do not touch the ends.',
};

/** By what has to lie. */
export const WAITS: Readonly<Record<Drying, Wait>> = {
  glue: GLUE_CURES,
  dye: DYE_DRIES,
  seal: SEAL_DRIES,
  oil: OIL_SINKS_IN,
  melt: ENDS_COOL,
};
