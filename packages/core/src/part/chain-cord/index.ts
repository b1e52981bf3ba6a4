import { plainLayout, type PartKind } from '../../kind/part-kind.js';
import type { Point, Primitive } from '../../kind/primitive.js';
import { GIVEN, KNOT_SPREAD } from '../../kind/reason.js';
import type { Advice } from '../../measure/advice.js';
import { strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../material/cord.js';
import { mm } from '../pick.js';
import { END_STITCHES, layChain, type ChainLayout, type ChainPart } from './model.js';

export type { ChainPart } from './model.js';

function adviceOf(part: ChainPart, at: ChainLayout, runs: number): Advice[] {
  const advice: Advice[] = [];
  if (runs !== 1) {
    advice.push({
      code: 'chain.cords',
      severity: 'error',
      message: `A chain is crocheted with one cord; here are ${runs}.`,
      remedy: 'Leave one single strand.',
      path: 'kind',
    });
  }
  if (part.perStitch < at.stitch) {
    advice.push({
      code: 'chain.stitch',
      severity: 'error',
      message: `A stitch ${mm(at.stitch)} long cannot be made of ${mm(part.perStitch)} of cord.`,
      remedy: 'Unravel ten stitches, measure the cord, and divide by ten.',
      path: 'perStitch',
    });
  }
  if (at.takenOut !== null && at.takenOut < 0) {
    advice.push({
      code: 'chain.loop',
      severity: 'error',
      message: `A loop of ${mm(part.loop!)} is ${mm(-at.takenOut)} too short.`,
      remedy: 'Choose a shorter length, or work it new.',
      path: 'loop',
    });
  } else if (at.takenOut !== null) {
    advice.push({
      code: 'chain.taken-out',
      severity: 'note',
      message: `Cut the loop opposite its middle and take out ${mm(at.takenOut / 2)} on either side: ${at.beads} beads stay, and both ends have ${mm(at.end)} of chain.`,
      remedy: 'Its cord comes with the loop; nothing is cut for it.',
      path: 'loop',
    });
  }
  if (at.beads === 0) {
    advice.push({
      code: 'chain.beads',
      severity: 'warning',
      message: 'There is no room for a bead between the chain at both ends.',
      remedy: 'Make it longer, or put fewer stitches between beads.',
      path: 'between',
    });
  }
  return advice;
}

export const chainCord: PartKind<ChainPart> = {
  entry: {
    id: 'chain-cord',
    label: 'Crocheted chain with beads',
    blurb: 'One cord turned to a chain, a bead every few stitches; new, or from an endless loop.',
    group: 'beads',
    unitName: 'stitch',
    needsBead: true,
    seconds: 4,
  },
  fields: [
    { type: 'bead', key: 'bead', label: 'Bead' },
    { type: 'count', key: 'between', label: 'Stitches from bead to bead', min: 1, max: 60 },
    { type: 'count', key: 'gauge', label: 'Your stitches in 10 cm', min: 5, max: 200 },
    {
      type: 'length',
      key: 'perStitch',
      label: 'Cord in one stitch',
      min: 0.5,
      max: 80,
      small: true,
    },
    { type: 'length', key: 'length', label: 'Length', min: 20, max: 3000, open: 'set by the fit' },
    {
      type: 'length',
      key: 'loop',
      label: 'Made from an endless loop of',
      min: 50,
      max: 5000,
      open: 'worked new',
    },
  ],
  // A swatch corrects both: a stitch as long as two and a half cords, of three and a half its length.
  make: ({ id, bead, cord }) => ({
    id,
    kind: 'chain-cord',
    bead,
    between: 4,
    gauge: Math.min(200, Math.max(5, Math.round(100 / (2.5 * cord.diameter)))),
    perStitch: Number((2.5 * 3.5 * cord.diameter).toFixed(1)),
    length: 160,
    loop: null,
  }),
  fills: (part) => part.length === null,
  section(part, site) {
    const d = effectiveDiameter(site.runs[0]!.cord);
    return { width: 3 * d, thickness: 2.5 * d, pitch: 100 / part.gauge };
  },
  layOut(part, site, share) {
    const length = part.length ?? share;
    const at = layChain(part, site, length);
    const section = chainCord.section(part, site);
    const each = part.perStitch;
    return plainLayout(length, section, {
      units: at.takenOut === null ? Math.max(1, at.stitches) : 1,
      unitName: at.takenOut === null ? 'stitch' : 'loop',
      uses: site.runs.map((run) => ({
        strand: run.strand,
        half: run.half,
        reason:
          at.takenOut === null
            ? {
                code: 'knot.chain',
                label: 'Chain stitches',
                detail: `as your swatch has it, ${part.gauge} in 100 mm`,
                mm: at.stitches * each,
                times: { count: at.stitches, each },
                spread: KNOT_SPREAD,
              }
            : {
                code: GIVEN,
                label: 'Comes with the loop',
                detail: 'its stitches are there already',
                mm: at.stitches * each,
                times: { count: at.stitches, each },
              },
      })),
      passages: at.beads > 0 ? [{ what: at.bead.name, hole: at.bead.hole, runs: site.runs }] : [],
      beads: Array.from({ length: at.beads }, (_, i) => ({
        id: part.bead,
        at: at.end + Math.max(at.stitch, at.bead.length) / 2 + i * at.period,
      })),
      advice: adviceOf(part, at, site.runs.length),
    });
  },
  draw(part, site, layout, { done }) {
    const at = layChain(part, site, layout.length);
    const run = site.runs[0]!;
    const d = effectiveDiameter(run.cord);
    const till = done >= layout.units ? layout.length : (done / layout.units) * layout.length;
    // Every stitch is a drop-shaped loop that comes out of the one before.
    const stitch = (x: number): Point[] => {
      const p = at.stitch;
      return [
        [x + 0.1 * p, 0],
        [x + 0.45 * p, -d],
        [x + 1.05 * p, -0.8 * d],
        [x + 1.25 * p, 0],
        [x + 1.05 * p, 0.8 * d],
        [x + 0.45 * p, d],
        [x + 0.1 * p, 0],
      ];
    };
    const held = Math.max(at.stitch, at.bead.length);
    const free = (x: number): boolean =>
      !layout.beads.some((bead) => Math.abs(x + at.stitch / 2 - bead.at) < held / 2);
    const xs = Array.from(
      { length: Math.floor(layout.length / at.stitch) },
      (_, i) => i * at.stitch,
    );
    const lay = (state: 'laid' | 'planned'): Primitive[] => {
      const own = xs.filter((x) => free(x) && x < till === (state === 'laid'));
      return own.length === 0
        ? []
        : [strokeOf(run, `${part.id}-chain-${state}`, part.id, own.map(stitch), state, 'round')];
    };
    return [
      ...lay('planned'),
      ...lay('laid'),
      ...layout.beads.map(({ at: x }, i) => ({
        kind: 'bead' as const,
        key: `${part.id}-bead-${i}`,
        part: part.id,
        shape: at.bead.shape,
        colour: at.bead.colour.hex,
        at: [x, 0] as const,
        length: at.bead.length,
        height: at.bead.height,
        turn: 0,
        state: x < till ? ('laid' as const) : ('planned' as const),
      })),
    ];
  },
  steps(part, site, layout) {
    const at = layChain(part, site, layout.length);
    const first = Math.round(at.end / at.stitch);
    if (at.takenOut !== null) {
      return [
        {
          title: 'Open the loop and shorten it on both sides',
          text: `Mark the middle of the loop. Opposite it, count so that ${mm(at.end)} of chain stays beyond the last bead at each side, and cut there: ${mm(at.takenOut / 2)} come out on either side. Draw the cut end through the last stitch so that nothing ravels; it must end on chain, not on a bead.`,
          units: 1,
          cautions: [],
        },
      ];
    }
    return [
      {
        title: `Chain ${at.stitches} stitches with ${at.beads} beads`,
        text: `String all ${at.beads} beads before the first stitch. Begin and end with ${first} stitches of plain chain, never fewer than ${END_STITCHES}; then a bead on every ${part.between + 1}th stitch. Keep the tension of your swatch.`,
        units: layout.units,
        unitName: 'stitch',
        unitText: (unit) => {
          const n = unit - first;
          const k = n / (part.between + 1);
          return Number.isInteger(k) && k >= 0 && k < at.beads
            ? `Push up bead ${k + 1} of ${at.beads} and close the stitch behind it.`
            : 'A plain stitch.';
        },
        cautions: [],
      },
    ];
  },
};
