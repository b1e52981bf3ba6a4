import { breakawayClasp } from '../../craft/closure/breakaway-clasp/index.js';
import { coiledSlider } from '../../craft/closure/coiled-slider/index.js';
import { cordEnds } from '../../craft/closure/cord-ends/index.js';
import { glueInClasp } from '../../craft/closure/glue-in-clasp/index.js';
import { lobster } from '../../craft/closure/lobster/index.js';
import { loopAndButton } from '../../craft/closure/loop-and-button/index.js';
import { sideReleaseBuckle } from '../../craft/closure/side-release-buckle/index.js';
import { squareKnotSlider } from '../../craft/closure/square-knot-slider/index.js';
import { twoSlidingKnots } from '../../craft/closure/two-sliding-knots/index.js';
import { twoWayBead } from '../../craft/closure/two-way-bead/index.js';
import type { Closure } from '../../craft/closure/registry.js';
import { type Ease } from '../../base/measure/ease.js';
import type { Piece } from '../../piece/piece.js';
import { outAndBack } from '../../piece/example.js';
import { strandOf } from './materials.js';
import {
  type Template,
  type PieceStart,
  WRIST,
  named,
  type Draft,
  plain,
  knots,
  stop,
  row,
  piece,
  repeat,
  aimOf,
  landed,
} from './draft.js';
import {
  SLATE,
  ORANGE,
  MIDNIGHT,
  HEMP,
  HAZEL,
  THIN_LEATHER,
  COCOA,
  THICK,
  TWINE,
  WOOD_CORD,
  GREY6,
  WOOD8,
  FOCAL,
  MOON6,
  RING,
  BRONZE,
  BIG,
  WOOD12,
} from './stuff.js';

/** A few bronze beads in the middle of one leather cord, a knot on either side of them. */
const bronzeOnLeather = (
  start: PieceStart,
  count: number,
  between: 'touching' | 'overhand',
  closure: Closure,
): Piece =>
  piece(start, {
    strands: [strandOf(HAZEL, ['core'])],
    beads: [BRONZE],
    parts: named([
      plain(),
      stop('overhand'),
      row(Array<string>(count).fill(BRONZE.id), { between }),
      stop('overhand'),
      plain(),
    ]),
    closure,
  });

/** For wrist and ankle. */
export const BRACELETS: readonly Template[] = [
  {
    id: 'buckle-band',
    label: 'A square-knot band on a buckle',
    blurb: 'One thick cord, folded: core and working cord in one.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        ease: { rule: 'two-fingers' },
        strands: [outAndBack(SLATE)],
        parts: named([knots(null)]),
        closure: sideReleaseBuckle.make(SLATE),
      }),
  },
  {
    id: 'two-colour-band',
    label: 'A buckle band in two colours',
    blurb: 'Two cords joined at the fold; one shows in front, one at the edges.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        ease: { rule: 'two-fingers' },
        strands: [strandOf(SLATE, ['turned']), strandOf(ORANGE, ['turned'])],
        parts: named([knots(null)]),
        closure: sideReleaseBuckle.make(SLATE),
      }),
  },
  {
    id: 'beaded-band',
    label: 'A beaded square-knot band that slides',
    blurb: 'Fine waxed cord, beads on the core, a slider of square knots.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: [strandOf(MIDNIGHT, ['core']), strandOf(MIDNIGHT, ['working', 'working'], true)],
        beads: [GREY6],
        parts: named([
          knots(null),
          ...repeat(9, (i) => (i === 0 ? [row(['grey-6'])] : [knots(2), row(['grey-6'])])),
          knots(null),
        ]),
        closure: squareKnotSlider.make(MIDNIGHT),
      }),
  },
  {
    id: 'hemp-band',
    label: 'A hemp band with a loop and a lobster clasp',
    blurb: 'A short and a long cord, both folded; wooden beads on the core.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: [strandOf(HEMP, ['core', 'core']), strandOf(HEMP, ['working', 'working'])],
        beads: [WOOD8],
        parts: named([
          { kind: 'loop', perimeter: 20 } as Draft,
          knots(null),
          ...repeat(3, (i) => (i === 0 ? [row(['wood-8'])] : [knots(6), row(['wood-8'])])),
          knots(null),
        ]),
        closure: { ...lobster.make(HEMP), to: 'loop' },
      }),
  },
  {
    id: 'focal-cord',
    label: 'One focal bead on a leather cord',
    blurb: 'Held between barrel knots; loop and button.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        strands: [strandOf(HAZEL, ['core'])],
        beads: [FOCAL],
        parts: named([
          plain(),
          stop('double-barrel'),
          row(['oval-18']),
          stop('double-barrel'),
          plain(),
        ]),
        closure: loopAndButton.make(HAZEL),
      }),
  },
  {
    id: 'alternating-band',
    label: 'Beads and rings between two cords',
    blurb: 'Folded at a button; two loops for two sizes.',
    group: 'bracelet',
    make: (start) => {
      const ease: Ease = { rule: 'half-inch' };
      return landed(
        piece(start, {
          ease,
          strands: [strandOf(THIN_LEATHER, ['core', 'core'])],
          beads: [MOON6, RING],
          parts: named([
            { kind: 'two-cord-knot', units: 1 } as Draft,
            { kind: 'alternating-beads', bead: 'moon-6', ring: 'ring-5', count: 24 } as Draft,
            { kind: 'two-cord-knot', units: 1 } as Draft,
          ]),
          closure: { ...loopAndButton.make(THIN_LEATHER), buttonAt: 'start', loops: 2 },
        }),
        'alternating-beads',
      );
    },
  },
  {
    id: 'knotted-centre',
    label: 'Three beads on a leather cord, knotted, that slides',
    blurb: 'Overhand knots hold them at the centre; two sliding knots.',
    group: 'bracelet',
    make: (start) => bronzeOnLeather(start, 3, 'overhand', twoSlidingKnots.make(HAZEL)),
  },
  {
    id: 'coiled-slide',
    label: 'Beads on leather with a coiled slider',
    blurb: 'A short piece of the same cord wound round both tails.',
    group: 'bracelet',
    make: (start) => bronzeOnLeather(start, 5, 'touching', coiledSlider.make(HAZEL)),
  },
  {
    id: 'two-way-slide',
    label: 'Beads on leather drawn in through one tight bead',
    blurb: 'Both tails through it in opposite directions.',
    group: 'bracelet',
    make: (start) => bronzeOnLeather(start, 3, 'overhand', twoWayBead.make(HAZEL)),
  },
  {
    id: 'thick-cord',
    label: 'A thick cord glued into a clasp',
    blurb: 'Large-hole beads between O-rings.',
    group: 'bracelet',
    make: (start) => {
      const ring: Draft = {
        kind: 'stopper-ring',
        name: 'Rubber O-ring',
        length: 3,
        outer: 12,
        hole: 6.4,
        colour: '#1f2326',
      } as Draft;
      return piece(start, {
        strands: [strandOf(THICK, ['core'])],
        beads: [BIG],
        parts: named([plain(), ring, row(['big-14', 'big-14']), ring, plain()]),
        closure: glueInClasp.make(THICK),
      });
    },
  },
  {
    id: 'triple-wrap',
    label: 'Leather three times round with a bar',
    blurb: 'A rigid bar, crimped cord ends, hook and ring.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        wear: { ...WRIST, turns: 3 },
        strands: [strandOf(COCOA, ['core'])],
        parts: named([
          plain(),
          {
            kind: 'focal',
            name: 'Curved bar',
            form: 'bar',
            length: 38,
            width: 9,
            thickness: 6,
            drop: 30,
            hole: 4,
            colour: '#9a9488',
          } as Draft,
          plain(),
        ]),
        closure: cordEnds.make(COCOA),
      }),
  },
  {
    id: 'large-bead-band',
    label: 'Large wooden beads with a clasp that gives way',
    blurb: 'For small hands to wear, with an adult near: the cautions are shown.',
    group: 'bracelet',
    make: (start) => {
      const ease: Ease = { rule: 'three-quarters' };
      const room = aimOf(start.wearer, WRIST, ease) - 20;
      return piece(start, {
        ease,
        strands: [strandOf(WOOD_CORD, ['core'])],
        beads: [WOOD12],
        parts: named([
          plain(),
          row(repeat(Math.max(3, Math.floor(room / 16)), () => ['wood-12'])),
          plain(),
        ]),
        closure: {
          ...breakawayClasp.make(WOOD_CORD),
          rated: start.wearer.child ? 'child' : 'adult',
        },
      });
    },
  },
  {
    id: 'anklet',
    label: 'A fine anklet that slides',
    blurb: 'One waxed cord, a few beads, two sliding knots.',
    group: 'bracelet',
    make: (start) =>
      piece(start, {
        wear: {
          site: 'ankle',
          turns: 1,
          length: start.wearer.ankle === undefined ? 230 : null,
        },
        strands: [strandOf(TWINE, ['core'])],
        beads: [MOON6],
        parts: named([plain(), stop('overhand'), row(['moon-6']), stop('overhand'), plain()]),
        closure: twoSlidingKnots.make(TWINE),
      }),
  },
];
