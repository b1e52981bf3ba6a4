import { laidTo, tightened } from '@coiled-strand/rope';
import { endReason } from '../../../base/kind/working-ends.js';
import { workingEnd } from '../../../base/material/working-end.js';
import { plainLayout, type PartKind } from '../../../base/kind/part-kind.js';
import type { Point, Point3, Primitive } from '../../../base/kind/primitive.js';
import { countField, sizeField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf, type Reason } from '../../../base/kind/reason.js';
import { tiedIn } from '../../knot/tied.js';
import { beadSolid } from '../../knot/bead-solid.js';

import { roundFromEdge } from '../../knot/edge.js';
import type { Advice } from '../../../base/measure/advice.js';
import { strokeOf } from '../../knot/stroke.js';
import { computed } from '../../knot/source.js';

import { effectiveDiameter } from '../../../base/material/cord.js';
import { countOf } from '../../../base/measure/plural.js';
import { byUnit, outerEnds, startEnds } from '../ends.js';
import {
  drawnOut,
  layChain,
  stretchesOf,
  tightChain,
  type ChainLayout,
  type ChainPart,
  type ChainStretch,
} from './model.js';
import { legOf, type End } from '../../../base/action/action.js';
import { CAUTIONS } from '../../../base/kind/cautions.js';
import { laid, say, size, term } from '../../../base/measure/saying.js';

function adviceOf(part: ChainPart, at: ChainLayout, runs: number): Advice[] {
  const advice: Advice[] = [];
  if (runs !== 1) {
    advice.push({
      code: 'chain.cords',
      severity: 'error',
      message: `A chain is crocheted with one cord; there are ${runs} here.`,
      remedy: 'Leave one single strand.',
      path: 'kind',
    });
  }
  if (part.perStitch < at.stitch) {
    advice.push({
      code: 'chain.stitch',
      severity: 'error',
      message: say`A stitch ${size(at.stitch)} long cannot be made of ${size(part.perStitch)} of cord.`,
      remedy: 'Unravel ten stitches, measure the cord, and divide by ten.',
      path: 'perStitch',
    });
  }
  if (at.takenOut !== null && at.takenOut < 0) {
    advice.push({
      code: 'chain.loop',
      severity: 'error',
      message: say`A loop of ${laid(part.loop!)} is ${laid(-at.takenOut)} too short.`,
      remedy: 'Choose a shorter length, or work it new.',
      path: 'loop',
    });
  } else if (at.takenOut !== null) {
    advice.push({
      code: 'chain.taken-out',
      severity: 'note',
      message: say`Cut the loop opposite its middle and take out ${laid(at.takenOut / 2)} on either side: ${at.beads} beads stay, and both ends have ${laid(at.end)} of chain.`,
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

/** Where a bead sits on a stitch that is longer for it. */
const DRAWN_OUT: Omit<Reason, 'mm' | 'times'> = {
  area: 'knot',
  code: 'knot.chain-drawn',
  label: 'Stitches drawn out to their beads',
  detail: 'as long as the bead on them',
  ...computed('chain.long'),
  spread: KNOT_SPREAD,
};

/** How far a chain has come in mm after so many units: whole stitches, or the whole of a loop that is there already. */
function reachOf(part: ChainPart, at: ChainLayout, d: number, units: number, done: number): number {
  if (done >= units) return at.length;
  const now = stretchesOf(part, at, d).findLast(({ from }) => from <= done);
  return now && at.takenOut === null ? now.start + (done - now.from) * now.mm : 0;
}

/** What its stitches take: tied by the hand, or there already in an endless loop. */
const stitchReason = ({ gauge }: ChainPart, worked: boolean): Omit<Reason, 'mm' | 'times'> =>
  worked
    ? {
        area: 'knot',
        code: 'knot.chain',
        label: 'Chain stitches',
        detail: say`as your swatch has it, ${gauge} in ${laid(100)}`,
        spread: KNOT_SPREAD,
      }
    : {
        area: 'run',
        code: 'run.given',
        given: true,
        label: 'Comes with the loop',
        detail: 'its stitches are there already',
      };

export const chainCord: PartKind<ChainPart> = {
  entry: {
    id: 'chain-cord',
    label: 'Crocheted chain with beads',
    blurb: 'One cord turned to a chain, a bead every few stitches; new, or from an endless loop.',
    goodFor:
      'Light, stretchy strings with small beads, often several side by side. It takes a lot of cord, and ravels from the end where it is not fastened off.',
    group: 'beads',
    unitName: 'stitch',
    needsBead: true,
    seconds: 4,
    solid: true,
  },
  fields: [
    { type: 'bead', key: 'bead', label: 'Bead' },
    countField('between', 'Stitches from bead to bead', 1, 60),
    countField('gauge', 'Your stitches in 10 cm', 5, 200),
    sizeField('perStitch', 'Cord in one stitch', 0.5, 80),
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
  make: ({ id, bead, cord }) => ({
    id,
    kind: 'chain-cord',
    bead,
    between: 4,
    ...tightChain(cord),
    length: 160,
    loop: null,
  }),
  fills: (part) => part.length === null,
  withLength: (part, length) => ({ ...part, length }),
  section(part, site) {
    const d = effectiveDiameter(site.runs[0]!.cord);
    return {
      width: tightened('chain.width') * d,
      thickness: tightened('chain.thickness') * d,
      pitch: 100 / part.gauge,
    };
  },
  layOut(part, site, share) {
    const length = part.length ?? share;
    const at = layChain(part, site, length);
    const section = chainCord.section(part, site);
    const drawn = drawnOut(
      Math.max(at.stitch, at.bead.length) - at.stitch,
      effectiveDiameter(site.runs[0]!.cord),
    );
    return plainLayout(length, section, {
      units: at.takenOut === null ? Math.max(1, at.stitches) : 1,
      unitName: at.takenOut === null ? 'stitch' : 'loop',
      uses: site.runs.flatMap((run) => [
        useOf(run, stitchReason(part, at.takenOut === null), part.perStitch, at.stitches),
        ...(at.takenOut === null && drawn > 0 ? [useOf(run, DRAWN_OUT, drawn, at.beads)] : []),
        ...(at.takenOut === null
          ? [useOf(run, endReason('chain'), workingEnd('chain', run.cord, site.practice), 2)]
          : []),
      ]),
      passages: at.beads > 0 ? [{ what: at.bead.name, hole: at.bead.hole, runs: site.runs }] : [],
      beads: Array.from({ length: at.beads }, (_, i) => ({
        id: part.bead,
        at: at.end + Math.max(at.stitch, at.bead.length) / 2 + i * at.period,
        on: site.runs.map((run) => run.index),
      })),
      advice: adviceOf(part, at, site.runs.length),
    });
  },
  draw(part, site, layout, { done }) {
    const at = layChain(part, site, layout.length);
    const run = site.runs[0]!;
    const d = effectiveDiameter(run.cord);
    const till = reachOf(part, at, d, layout.units, done);
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
    const xs = stretchesOf(part, at, d).flatMap(({ start, times, mm, bead }) =>
      bead === null ? Array.from({ length: times }, (_, i) => start + i * mm) : [],
    );
    const lay = (state: 'laid' | 'planned'): Primitive[] => {
      const own = xs.filter((x) => x < till - 1e-9 === (state === 'laid'));
      return own.length === 0
        ? []
        : [strokeOf(run, `${part.id}-chain-${state}`, part.id, own.map(stitch), state, 'round')];
    };
    return [
      ...lay('planned'),
      ...lay('laid'),
      ...layout.beads.map(({ at: x }, i) =>
        beadSolid(at.bead, `${part.id}-bead-${i}`, part.id, [x, 0], x < till ? 'laid' : 'planned'),
      ),
    ];
  },
  inSpace: {
    cell: () => 'chain',
    draw(part, site, layout, cell, open) {
      const [run] = site.runs;
      if (!run) return null;
      const d = effectiveDiameter(run.cord);
      const at = layChain(part, site, layout.length / open);
      return {
        cords: stretchesOf(part, at, d).flatMap(({ from, times, start, mm }) =>
          laidTo(cell, times, times * mm * open, d).lines.map((line) => ({
            run,
            worked: { from, count: times },
            line: line.map(([x, y, z]): Point3 => [x + start * open, y, z]),
          })),
        ),
        beads: layout.beads.map((b) => ({ bead: at.bead, at: [b.at, 0, 0] })),
      };
    },
  },
  drawEdge: (part, site, layout) =>
    roundFromEdge(
      chainCord.draw(part, site, layout, {
        part: part.id,
        done: layout.units,
        firstSide: 'left',
      }),
      layout,
    ),
  steps(part, site, layout, hands) {
    const at = layChain(part, site, layout.length);
    const ends = [...startEnds(site.runs), ...outerEnds(site.runs)];
    if (at.takenOut !== null) {
      return [
        {
          title: 'Open the loop and shorten it on both sides',
          text: say`Opposite the marked middle, count so that ${laid(at.end)} of chain stays beyond the last bead at each side, and cut there: ${laid(at.takenOut / 2)} come out on either side. It must end on chain, not on a bead.`,
          units: 1,
          actions: [
            ...site.runs.map(({ strand }) => ({ do: 'cut' as const, cord: strand })),
            { do: 'lay', place: part.id, mm: layout.length, on: outerEnds(site.runs) },
          ],
          cautions: [CAUTIONS.blade],
        },
        {
          title: 'Fasten both ends off',
          text: 'Draw each cut end through the last whole stitch and pull it tight, so that nothing ravels.',
          units: 1,
          aside: true,
          actions: [{ do: 'pass', ends, through: 'stitch' }],
          cautions: [],
        },
      ];
    }
    const run = site.runs[0]!;
    const [end] = outerEnds([run]) as [End];
    const d = effectiveDiameter(run.cord);
    const hook = 2 * d;
    const stretches = stretchesOf(part, at, d);
    const [{ times: first }] = stretches as [ChainStretch];
    const beadAt = (unit: number): number | null =>
      stretches.find(({ from, times }) => unit >= from && unit < from + times)?.bead ?? null;
    const worked = stretches.flatMap(({ from, times, mm, bead, cord }) => [
      ...(bead !== null
        ? [
            {
              unit: from,
              action: { do: 'slide', bead: part.bead, on: legOf(end), place: part.id } as const,
            },
          ]
        : []),
      {
        unit: from,
        action: {
          do: 'chain',
          place: part.id,
          on: end,
          mm,
          perStitch: cord,
          times,
        } as const,
      },
    ]);
    return [
      ...(at.beads === 0
        ? []
        : [
            {
              title: say`String ${countOf(at.beads, 'bead')} before the first stitch`,
              text: 'They go on the cord in the order they are used, and wait there: no bead can be added later.',
              units: at.beads,
              unitName: 'bead',
              aside: true as const,
              ...byUnit(at.beads, () => [
                {
                  do: 'string' as const,
                  place: part.id,
                  bead: part.bead,
                  mm: 0,
                  on: [end],
                  loose: true as const,
                },
              ]),
              cautions: [],
            },
          ]),
      {
        title: say`Begin with a slip knot, ${laid(workingEnd('chain', site.runs[0]!.cord, site.practice))} from the end`,
        text: say`Put the ${term('bight')} on a hook of about ${size(hook)}, twice as thick as the cord. The beads lie on the long side, which is the cord that works.`,
        tied: [tiedIn('slip-knot', [site.runs[0]], hands)],
        units: 1,
        aside: true,
        actions: [{ do: 'tie', place: part.id, knot: { form: 'slip' }, by: [end], mm: 0 }],
        cautions: [],
      },
      {
        title: `Chain ${countOf(at.stitches, 'stitch')}${at.beads > 0 ? ` with ${countOf(at.beads, 'bead')}` : ''}`,
        text: `The hook draws each stitch through the one before. Begin and end with ${countOf(first, 'plain stitch')}; between them a bead comes every ${countOf(part.between + 1, 'stitch')}.`,
        units: layout.units,
        unitName: 'stitch',
        tied: [tiedIn('chain-stitch', [site.runs[0]], hands)],
        unitText: (unit) => {
          const k = beadAt(unit);
          return k === null
            ? 'A plain stitch.'
            : `Push up bead ${k + 1} of ${at.beads} and close the stitch behind it.`;
        },
        actions: worked.map(({ action }) => action),
        actionUnits: worked.map(({ unit }) => unit),
        cautions: [],
      },
      {
        title: 'Fasten the chain off',
        text: 'Draw the last stitch out first, so that the end goes through. Untied, the whole chain ravels at one pull.',
        tied: [tiedIn('fastening-off', [site.runs[0]], hands)],
        units: 1,
        aside: true,
        actions: [{ do: 'pass', ends: [end], through: 'stitch' }],
        cautions: [],
      },
    ];
  },
};
