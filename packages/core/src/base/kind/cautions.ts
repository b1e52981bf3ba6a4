import type { Caution } from './step.js';

/**
 * The usual cautions in plain words. They defer to local rules and to qualified advice; nothing here
 * says that a piece is safe.
 */
export const CAUTIONS = {
  flame: {
    kind: 'flame',
    text: 'Molten cord sticks to skin and goes on burning: press it with the flat of a metal tool, never a finger. Keep the flame off loose fibres and sleeves, put a wet cloth within reach, open a window.',
  },
  glue: {
    kind: 'glue',
    text: 'Keep glue off skin and out of eyes, work with a window open and follow the label. Wear the piece only when the glue has cured: overnight, better 24 hours.',
  },
  blade: {
    kind: 'blade',
    text: 'Cut away from your fingers and from the band; a nicked core cannot be mended.',
  },
  needle: {
    kind: 'blade',
    text: 'Push a needle or an awl away from your fingers and into something firm, never towards a hand; put it down point away.',
  },
  child: {
    kind: 'child',
    text: 'Not for small children: cord and small parts are a danger to them. Ask your local product-safety authority what applies before giving or selling it.',
  },
  metal: {
    kind: 'metal',
    text: 'Metal on skin can bring on an allergy, nickel above all: ask the seller what each ring and clasp is made of. Wear glasses when you cut or bend wire.',
  },
  magnet: {
    kind: 'magnet',
    text: 'Two swallowed magnets can clamp the gut together: that is an emergency. Never for children, nor for anyone with a pacemaker without a doctor’s advice.',
  },
  load: {
    kind: 'load',
    text: 'A decorative band, whatever the strength on the label: no climbing, towing or rescue gear.',
  },
} as const satisfies Record<string, Caution>;
