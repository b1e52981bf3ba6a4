import { bundled } from '../../knot/cords-in-space.js';
import { nearestOf, repeated, sized } from '@coiled-strand/rope';
import { MM_PER_UNIT } from '../../../base/measure/units.js';
import { computed } from '../../knot/source.js';
import { tensionField } from '../tension-field.js';
import {
  plainLayout,
  type PartBase,
  type PartKind,
  type PartSite,
  type Tension,
} from '../../../base/kind/part-kind.js';
import type { Point, Primitive } from '../../../base/kind/primitive.js';
import { countField } from '../../../base/kind/field.js';
import { KNOT_SPREAD, useOf, type Use } from '../../../base/kind/reason.js';
import type { Run } from '../../../base/kind/run.js';
import { cordNamed, say, type Saying, term } from '../../../base/measure/saying.js';
import { roundFromEdge } from '../../knot/edge.js';
import { spiralHitch, spiralPitch } from '../../knot/hitch.js';

import { sideBySide } from '../../knot/lanes.js';
import { tiedIn } from '../../knot/tied.js';
import { straightUse } from '../../knot/straight.js';
import { gatheredRuns, strokeOf } from '../../knot/stroke.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { bundleDiameter } from '../../../base/material/passage.js';
import { legsOf, outerEnds } from '../ends.js';
import { bundleOfRuns } from '../pick.js';

/** One strand hitched round all the others, colour after colour; its knots wind round the bundle. */
export interface HitchSpiralPart extends PartBase {
  readonly kind: 'hitch-spiral';
  /** Hitches that a strand ties before the next takes over. */
  readonly block: number;
  /** Blocks in all, or null for as many as the fit asks for. */
  readonly blocks: number | null;
  readonly tension: Tension;
}

/** Hitches until the ridge of knots has gone once round: as many as lie beside each other. */
const ridge = (bundle: number, d: number): number =>
  Math.max(6, Math.round((Math.PI * (bundle + d)) / d));

interface Hitching {
  /** The runs that tie, in turn: one of every strand. */
  readonly workers: readonly Run[];
  readonly d: number;
  /** Diameter in mm of all others, drawn together. */
  readonly bundle: number;
  readonly height: number;
}

function hitching(part: HitchSpiralPart, site: PartSite): Hitching | null {
  const workers = site.runs.filter((run) => run.half === 0);
  if (site.runs.length < 3 || workers.length === 0) return null;
  const d = workers.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0) / workers.length;
  // A bundle is pressed together by its hitches, so that it is as thick as its packed strands.
  const bundle = bundleOfRuns(site.runs.slice(1));
  return { workers, d, bundle, height: spiralPitch(part.tension) * d * site.pitchFactor };
}

/** Thickness of the bundle in diameters of the cord that ties, to the nearest that was computed. */
const ratioOf = ({ bundle, d }: Hitching): number => nearestOf([1, 2, 3, 5], bundle / d);

/** Hitches that each worker ties, of so many in all. */
export function hitchesOf(workers: number, block: number, total: number): number[] {
  const ties = Array.from({ length: workers }, () => 0);
  for (let from = 0, i = 0; from < total; from += block, i++) {
    ties[i % workers]! += Math.min(block, total - from);
  }
  return ties;
}

export const hitchSpiral: PartKind<HitchSpiralPart> = {
  entry: {
    id: 'hitch-spiral',
    label: 'Spiral of hitches',
    blurb: 'One strand hitched round all others, then the next colour: a ridge that winds round.',
    goodFor:
      'A round cord with a ridge that winds round it. One strand shows at a time, so it is a quick way to show many colours.',
    group: 'knots',
    unitName: 'hitch',
    needsBead: false,
    seconds: 5,
    pitched: true,
    ties: 'over-each-other',
  },
  // Common practice, no source.
  ruleOfThumb: (_part, { site, strands, runs }) =>
    site === 'wrist' && runs === 2 * strands
      ? {
          label: 'Five feet of each colour, folded at the middle',
          low: 5 * strands * MM_PER_UNIT.ft,
          high: 5 * strands * MM_PER_UNIT.ft,
        }
      : null,
  fields: [
    countField('block', 'Hitches of one colour', 1, 500),
    countField('blocks', 'Blocks of colour', 1, 500, 'as many as the length takes'),
    tensionField({ even: 'Each against the last.', hard: 'Pushed up after every few.' }),
  ],
  // About 20 hitches for a block of colour. Common practice, no source.
  make: ({ id }) => ({ id, kind: 'hitch-spiral', block: 20, blocks: 4, tension: 'even' }),
  fills: (part) => part.blocks === null,
  inSpace: {
    cell(part, site) {
      const at = hitching(part, site);
      return at && `hitch-spiral.${ratioOf(at)}.free`;
    },
    draw(part, site, layout, cell) {
      const at = hitching(part, site);
      if (!at || !cell.shift) return null;
      const { workers, d, bundle } = at;
      const along = layout.length / (layout.units * cell.shift);
      const out = (bundle + 2 * d) / (ratioOf(at) + 2);
      const blocks = Math.ceil(layout.units / part.block);
      const inner = bundled(site.runs.slice(1), layout.length);
      return {
        winds: cell.turn ?? 0,
        cords: [
          ...inner,
          ...Array.from({ length: blocks }, (_, block) => {
            const from = block * part.block;
            const count = Math.min(part.block, layout.units - from);
            const [line] = repeated(cell, count, from);
            return {
              run: workers[block % workers.length]!,
              worked: { from, count },
              line: sized(line!, along, out, out, from * cell.shift! * along),
            };
          }),
        ],
        beads: [],
      };
    },
  },
  section(part, site) {
    const at = hitching(part, site);
    if (!at) return { ...sideBySide(site.runs), pitch: 1 };
    return { width: at.bundle + 2 * at.d, thickness: at.bundle + 2 * at.d, pitch: at.height };
  },
  layOut(part, site, share) {
    const at = hitching(part, site);
    const section = hitchSpiral.section(part, site);
    if (!at) {
      return plainLayout(Math.max(1, share), section, {
        unitName: 'hitch',
        advice: [
          {
            code: 'hitch.strands',
            severity: 'error',
            message: 'A spiral needs at least three strands: one to tie and two to tie round.',
            remedy: 'Add strands, or fold them.',
            path: 'block',
          },
        ],
      });
    }
    const total =
      part.blocks === null ? Math.max(1, Math.round(share / at.height)) : part.blocks * part.block;
    const length = total * at.height;
    const ties = hitchesOf(at.workers.length, part.block, total);
    const uses = at.workers.flatMap((run, i): Use[] => {
      const own = effectiveDiameter(run.cord);
      const each = spiralHitch(at.bundle / own) * own;
      // Its own way along the work is part of a hitch; where others tie, it lies straight in them.
      const straight = length - ties[i]! * at.height;
      return [
        ...straightUse([run], straight),
        useOf(
          run,
          {
            area: 'knot',
            code: 'knot.single-hitch',
            label: 'Hitches round the others',
            detail: 'each once round the bundle and out through itself',
            spread: KNOT_SPREAD,
            ...computed('hitch-spiral.fixed', 'hitch-spiral.per-ratio'),
          },
          each,
          ties[i],
        ),
      ];
    });
    return plainLayout(length, section, {
      units: total,
      unitName: 'hitch',
      uses: [
        ...uses,
        ...straightUse(
          site.runs.filter((run) => !at.workers.includes(run)),
          length,
        ),
      ],
    });
  },
  draw(part, site, layout, { done }) {
    const at = hitching(part, site);
    const below = gatheredRuns(
      site.runs,
      part.id,
      layout.length,
      at?.bundle ?? layout.width,
      done > 0 ? 'laid' : 'planned',
    );
    if (!at) return below;
    const { workers, d } = at;
    const height = layout.pitch;
    const half = layout.width / 2 - d / 2;
    const turn = ridge(at.bundle, d);
    const bar = (i: number): Point[] => [
      [(i + 0.1) * height, -half],
      [(i + 0.9) * height, half],
    ];
    const knob = (i: number): Point[] => {
      const angle = (2 * Math.PI * i) / turn;
      const y = half * Math.sin(angle);
      return Math.cos(angle) > 0
        ? [
            [i * height, y - d * 0.5],
            [(i + 1.1) * height, y + d * 0.5],
          ]
        : [];
    };
    const lay = (from: number, to: number, state: 'laid' | 'planned'): Primitive[] =>
      workers.flatMap((run, w) => {
        const own: number[] = [];
        for (let i = from; i < to; i++) {
          if (Math.floor(i / part.block) % workers.length === w) own.push(i);
        }
        if (own.length === 0) return [];
        const knobs = own.map(knob).filter((line) => line.length > 0);
        return [
          strokeOf(run, `${part.id}-turns-${state}-${w}`, part.id, own.map(bar), state, 'round'),
          ...(knobs.length > 0
            ? [
                {
                  ...strokeOf(
                    run,
                    `${part.id}-ridge-${state}-${w}`,
                    part.id,
                    knobs,
                    state,
                    'round',
                  ),
                  diameter: 1.4 * effectiveDiameter(run.cord),
                },
              ]
            : []),
        ];
      });
    return [...below, ...lay(done, layout.units, 'planned'), ...lay(0, done, 'laid')];
  },
  drawEdge: (part, site, layout) =>
    roundFromEdge(
      hitchSpiral.draw(part, site, layout, {
        part: part.id,
        done: layout.units,
        firstSide: 'left',
      }),
      layout,
    ),
  swatch(part, cord) {
    const d = effectiveDiameter(cord);
    // Four strands of one thickness, packed: see bundleDiameter.
    const ratio = bundleDiameter([1, 1, 1, 1]);
    return {
      how: 'Hitch one strand round four others of the same cord. Measure the strand that ties, before and after.',
      unitName: 'hitch',
      cordPerUnit: spiralHitch(ratio) * d,
      lengthPerUnit: spiralPitch(part.tension) * d,
      spread: KNOT_SPREAD,
    };
  },
  steps(part, site, layout, first) {
    const at = hitching(part, site);
    if (!at) return [];
    // The fold lies off the middle: it is the longer half of a strand that ties.
    const name = (run: Run): Saying =>
      run.folded
        ? say`the longer half of ${cordNamed(run, 'strand')}`
        : say`${cordNamed(run, 'strand')}`;
    const blocks = Array.from({ length: Math.ceil(layout.units / part.block) }, (_, i) => i);
    const workerOf = (block: number): Run => at.workers[block % at.workers.length]!;
    return [
      {
        title: say`${term('hitch', 'Hitch')} round the bundle`,
        text: say`Hold all other strands together and straight${at.workers[0]!.folded ? ', the short half of the tying strand among them' : ''}. The knots wind round: turn the work with them.`,
        units: layout.units,
        unitName: 'hitch',
        unitText: (unit) => {
          const block = Math.floor(unit / part.block);
          const of = Math.min(part.block, layout.units - block * part.block);
          const next = unit % part.block === 0 && block > 0 ? 'Change colour. ' : '';
          return say`${next}Block ${block + 1}, hitch ${(unit % part.block) + 1} of ${of}: ${name(workerOf(block))} round all the others.`;
        },
        tied: at.workers.map((worker) => tiedIn('spiral-hitch', [null, worker], first)),
        tiedBy: Array.from(
          { length: layout.units },
          (_, unit) => Math.floor(unit / part.block) % at.workers.length,
        ),
        actions: blocks.map((block) => {
          const worker = workerOf(block);
          const others = legsOf(site.runs.filter((run) => run !== worker));
          return {
            do: 'tie',
            place: part.id,
            knot: { form: 'hitch', bundle: at.bundle },
            by: outerEnds([worker]),
            round: others,
            beside: others,
            mm: at.height,
            times: Math.min(part.block, layout.units - block * part.block),
          };
        }),
        actionUnits: blocks.map((block) => block * part.block),
        cautions: [],
      },
    ];
  },
};
