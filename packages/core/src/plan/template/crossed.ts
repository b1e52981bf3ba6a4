import { coiledSlider } from '../../craft/closure/coiled-slider/index.js';
import { cordEnds } from '../../craft/closure/cord-ends/index.js';
import { tieEnds } from '../../craft/closure/tie-ends/index.js';
import { turksHeadSlider } from '../../craft/closure/turks-head-slider/index.js';
import { readyPattern } from '../../craft/floss/ready.js';
import { tightChain } from '../../craft/part/chain-cord/model.js';
import type { Strand } from '../../piece/piece.js';
import { strandOf } from './materials.js';
import { landed, named, neckWear, piece, row, type Draft, type Template } from './draft.js';
import {
  DUSK,
  LACE,
  LARGE13,
  LINEN,
  MIDNIGHT,
  NIGHT,
  PEAKS,
  PETAL_CORDS,
  SEED3,
  SILK,
} from './stuff.js';

/** A knotted band from a ready pattern. */
const band = (id: string, strands: number, colours: number, more: object = {}): Draft =>
  ({
    kind: 'knotted-floss',
    ...readyPattern(id).make({ strands, colours }).pattern,
    order: null,
    repeats: null,
    ending: 'anywhere',
    tension: 'even',
    ...more,
  }) as Draft;

const plaited = (length: number | null, form = 'three'): Draft =>
  ({ kind: 'plait', form, tension: 'even', length }) as Draft;

const whipped = (turns: number): Draft => ({ kind: 'whipping', cord: LINEN, turns }) as Draft;

const single = (cords: readonly Strand['cord'][]): Strand[] =>
  cords.map((cord) => strandOf(cord, ['plaited']));

const STRIPE = readyPattern('stripe').make({ strands: 8, colours: DUSK.length }).colours;

/** Pieces in which many strands cross. */
export const CROSSED: readonly Template[] = [
  {
    id: 'floss-stripe',
    label: 'A knotted band in slanting stripes',
    blurb: 'Eight strands of floss; plaited ends that slide.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: single(STRIPE.map((colour) => DUSK[colour]!)),
        parts: named([band('stripe', 8, DUSK.length)]),
        closure: { ...coiledSlider.make(MIDNIGHT), tailForm: 'plaited' },
      }),
  },
  {
    id: 'floss-chevron',
    label: 'A knotted band in chevrons',
    blurb: 'Five cords folded to a loop; the ends plaited and tied through it.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: PEAKS.map((cord) => strandOf(cord, ['plaited', 'plaited'])),
        parts: named([
          { kind: 'loop', perimeter: 24 } as Draft,
          // One half of every cord at each side, so that both sides mirror each other.
          band('chevron', 10, 5, { order: [0, 2, 4, 6, 8, 9, 7, 5, 3, 1] }),
        ]),
        closure: { ...tieEnds.make(PEAKS[0]), tailForm: 'plaited' },
      }),
  },
  {
    id: 'floss-spiral',
    label: 'A spiral of hitches round a bundle',
    blurb: 'Colour after colour winds round all the others.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: DUSK.map((cord) => strandOf(cord, ['plaited', 'plaited'])),
        parts: named([
          { kind: 'loop', perimeter: 24 } as Draft,
          { kind: 'hitch-spiral', block: 20, blocks: null, tension: 'even' } as Draft,
        ]),
        closure: { ...tieEnds.make(DUSK[0]), tailForm: 'plaited' },
      }),
  },
  {
    id: 'seized-laces',
    label: 'Laces plaited and seized, with large beads',
    blurb: 'Four leather laces; a Turk’s-head slider.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: single([LACE, LACE, LACE, LACE]),
        beads: [LARGE13],
        parts: named([
          whipped(6),
          plaited(null, 'four-round'),
          row(
            Array.from({ length: 5 }, () => 'large-13'),
            { through: 'all' },
          ),
          plaited(null, 'four-round'),
          whipped(6),
        ]),
        closure: turksHeadSlider.make(LINEN),
      }),
  },
  {
    id: 'petal-band',
    label: 'A round plait with petals',
    blurb: 'Four strands in two colours; loops stand out at both sides.',
    group: 'bracelet',
    make: (start) => {
      const [petal, leaf] = PETAL_CORDS;
      const counted = landed(
        piece(start, {
          strands: single([petal, petal, leaf, leaf]),
          parts: named([
            plaited(15, 'four-round'),
            { kind: 'petal-plait', repeats: 5, crossings: 4, petal: 26, tension: 'even' } as Draft,
            plaited(15, 'four-round'),
          ]),
          closure: coiledSlider.make(petal),
        }),
        'petal-plait',
      );
      // The plait at both ends takes up what whole repeats leave over.
      return {
        ...counted,
        parts: counted.parts.map((part) =>
          part.kind === 'plait' ? { ...part, length: null } : part,
        ),
      };
    },
  },
  {
    id: 'beaded-plait',
    label: 'A plait with a bead at every turn',
    blurb: 'Three pairs of silk; small beads on the middle pair.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: single([SILK, SILK, SILK, SILK, SILK, SILK]),
        beads: [SEED3],
        parts: named([
          plaited(null),
          { kind: 'beaded-plait', bead: 'seed-3', count: 14, every: 2, tension: 'even' } as Draft,
          plaited(null),
        ]),
        closure: { ...coiledSlider.make(NIGHT), tailForm: 'plaited' },
      }),
  },
  {
    id: 'chain-necklace',
    label: 'A crocheted chain with small beads',
    blurb: 'New, or from an endless loop; crimped ends and a clasp.',
    group: 'necklace',
    make: (start) =>
      piece(start, {
        wear: neckWear(start.wearer),
        ease: { rule: 'own', amount: 60 },
        strands: [strandOf(NIGHT, ['core'])],
        beads: [SEED3],
        parts: named([
          {
            kind: 'chain-cord',
            bead: 'seed-3',
            between: 4,
            ...tightChain(NIGHT),
            length: null,
            loop: null,
          } as Draft,
        ]),
        closure: { ...cordEnds.make(NIGHT), bore: 2.1 },
      }),
  },
];
