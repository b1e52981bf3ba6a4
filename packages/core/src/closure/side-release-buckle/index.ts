import { plainClosure, type ClosureKind } from '../../kind/closure-kind.js';
import { CAUTIONS } from '../../kind/cautions.js';
import type { Use } from '../../kind/reason.js';
import { CORD_KIND_FACTS, effectiveDiameter } from '../../material/cord.js';
import type { Advice } from '../../measure/advice.js';
import { checkPlausible, type PlausibleLimits } from '../../measure/girth.js';
import { mm, useEach } from '../tails.js';
import { bucklePlates, drawTurns } from './drawing.js';
import { buckleWidth, halfLengths, larksHeadCord, turnCord, type BuckleClosure } from './model.js';

export type { BuckleClosure } from './model.js';

/** Limits in mm for the measures of a buckle, to catch slips of unit. */
const LIMITS: Readonly<Record<'slot' | 'barToBar' | 'thickness' | 'bar', PlausibleLimits>> = {
  slot: { possible: [3, 60], usual: [8, 30] },
  barToBar: { possible: [8, 120], usual: [18, 70] },
  thickness: { possible: [2, 30], usual: [5, 15] },
  bar: { possible: [0.8, 8], usual: [1.5, 5] },
};
const NAMES = {
  slot: 'A slot',
  barToBar: 'A buckle length',
  thickness: 'A buckle thickness',
  bar: 'A bar',
} as const;

/** Length in mm of core end turned back and hidden beside the core. Common practice, about an inch. */
export const BURIED_CORE_END = 30;
/** Cord lost in mm on each side of a fused or sewn joint. Common practice, no source. */
const JOINT = 10;
/** End in mm to pull a core straight by. Common practice, no source. */
const GRIP = 50;

type Site = Parameters<ClosureKind['layOut']>[1];
const coresOf = (site: Site) => site.runs.filter((run) => run.role !== 'working');
/** Strands that run as core and come back working. */
const turnedStrands = (site: Site): Set<number> => new Set(site.turned);

function uses(buckle: BuckleClosure, site: Site): Use[] {
  const cores = coresOf(site);
  const turned = turnedStrands(site);
  const own = cores.filter((run) => !turned.has(run.strand));
  const joined = cores.filter((run) => !run.folded && turned.has(run.strand));
  return [
    ...useEach(
      cores,
      {
        code: 'start.hitch',
        label: 'Starting hitch',
        detail:
          'half of a lark’s head on the first buckle half: once round the bar, and half the bight',
        assumed: true,
      },
      (run) => larksHeadCord(buckle.bar, effectiveDiameter(run.cord)) / 2,
    ),
    ...useEach(
      cores,
      {
        code: 'closure.turn',
        label: 'Turn through the second half',
        detail: 'half a turn round its bar',
      },
      (run) => turnCord(buckle.bar, effectiveDiameter(run.cord)),
    ),
    ...useEach(
      joined,
      {
        code: 'start.joint',
        label: 'Joint',
        detail: 'lost where the two cords are fused or sewn end to end',
        assumed: true,
      },
      JOINT,
    ),
    ...useEach(
      own,
      {
        code: 'closure.buried',
        label: 'Turned-back ends',
        detail: 'laid back along the core and hidden under the first half knots',
      },
      BURIED_CORE_END,
    ),
    ...useEach(
      own,
      {
        code: 'end.grip',
        label: 'Ends to hold',
        detail: 'to pull the core straight by; trimmed afterwards',
      },
      GRIP,
    ),
  ];
}

function advice(buckle: BuckleClosure, site: Site): Advice[] {
  const cores = coresOf(site);
  const legs = cores.reduce((sum, run) => sum + effectiveDiameter(run.cord), 0);
  const out: (Advice | null)[] = (Object.keys(LIMITS) as (keyof typeof LIMITS)[]).map((key) =>
    checkPlausible(buckle[key], LIMITS[key], NAMES[key], key),
  );
  if (cores.length < 2) {
    out.push({
      code: 'buckle.cores',
      severity: 'error',
      message: 'A buckle is hitched on a fold: two core runs must reach it.',
      remedy: 'Fold the core strand, or let a folded strand run out and back.',
      path: 'type',
    });
  }
  if (legs > buckle.slot) {
    out.push({
      code: 'buckle.slot',
      severity: 'error',
      message: `Cords side by side take ${mm(legs)}; the buckle’s slot is ${mm(buckle.slot)} wide.`,
      remedy: `Take a buckle with a slot of ${mm(Math.ceil(legs))} or more, or thinner cord.`,
      path: 'slot',
    });
  }
  if (site.width > buckleWidth(buckle) * 1.6) {
    out.push({
      code: 'buckle.narrow',
      severity: 'note',
      message: `The band is ${mm(site.width)} wide and stands out beside a buckle of ${mm(buckleWidth(buckle))}.`,
      remedy: 'A buckle of the next size sits flush.',
      path: 'slot',
    });
  }
  const joined = [...turnedStrands(site)].map(
    (strand) => cores.find((run) => run.strand === strand && !run.folded)?.cord.diameter,
  );
  const [a, b] = joined;
  if (a !== undefined && b !== undefined && Math.abs(a - b) > 0.15 * a) {
    out.push({
      code: 'cords.unequal',
      severity: 'warning',
      message: `The joined cords are ${mm(a)} and ${mm(b)} thick; the knots will lean to one side.`,
      remedy: 'Take two cords of the same diameter, or give the core a cord of its own.',
      path: 'type',
    });
  }
  if (site.child) {
    out.push({
      code: 'closure.firm',
      severity: 'note',
      message: 'For a child: a firm buckle does not open under a pull.',
      remedy: 'A breakaway clasp gives way.',
      path: 'type',
    });
  }
  return out.filter((item) => item !== null);
}

export const sideReleaseBuckle: ClosureKind<BuckleClosure> = {
  entry: {
    type: 'side-release-buckle',
    label: 'Side-release buckle',
    blurb: 'Two halves that click; the cord hitched to one and run through the other.',
    opens: true,
  },
  fields: [
    { type: 'text', key: 'name', label: 'Name' },
    { type: 'length', key: 'barToBar', label: 'Bar to bar, closed', min: 1, max: 300, small: true },
    { type: 'length', key: 'slot', label: 'Slot width', min: 1, max: 200, small: true },
    { type: 'length', key: 'thickness', label: 'Thickness', min: 0.5, max: 100, small: true },
    { type: 'length', key: 'bar', label: 'Bar, across', min: 0.3, max: 30, small: true },
    { type: 'colour', key: 'colour', label: 'Colour' },
  ],
  make: () => ({
    type: 'side-release-buckle',
    name: 'Buckle, 16 mm slot',
    slot: 16,
    barToBar: 34,
    thickness: 9.5,
    bar: 3,
    colour: '#2b3136',
  }),
  aim: (buckle) => [{ kind: 'rigid', length: buckle.barToBar, height: buckle.thickness / 2 }],
  layOut(buckle, site) {
    const { socket, prongs } = halfLengths(buckle);
    return plainClosure({
      states: [{ id: 'closed', label: 'Closed', extra: sideReleaseBuckle.aim(buckle, site) }],
      reach: { start: socket, end: prongs },
      uses: uses(buckle, site),
      needs: [{ label: buckle.name, count: 1 }],
      advice: advice(buckle, site),
      measures: { thickness: buckle.thickness, along: buckle.barToBar },
    });
  },
  draw: (buckle, site, _layout, options) => drawTurns(buckle, site, options),
  drawBelow: (buckle, { length }) => bucklePlates(buckle, length),
  steps(_buckle, site, _layout, length) {
    const turned = turnedStrands(site);
    const cores = coresOf(site);
    const joined = cores.some((run) => !run.folded);
    const ownCore = cores.some((run) => !turned.has(run.strand));
    const melts = cores.every((run) => CORD_KIND_FACTS[run.cord.kind].ends === 'melts');
    const step = (
      title: string,
      text: string,
      cautions = [] as (typeof CAUTIONS.flame)[] | [],
    ) => ({
      title,
      text,
      units: 1,
      cautions: [...cautions],
    });
    return {
      start: [
        ...(joined
          ? [
              {
                title: 'Join the two cords end to end',
                text: melts
                  ? 'Warm both ends, press them together and roll them on a metal plate while soft. Let the joint cool before pulling. It will lie hidden in the hitch, where it carries little.'
                  : 'Sew or glue both ends together on a short overlap and let the joint cure. It will lie hidden in the hitch, where it carries little.',
                units: 1,
                cautions: [melts ? CAUTIONS.flame : CAUTIONS.glue],
              },
            ]
          : []),
        step(
          'Hitch the fold to the first half',
          `Push the fold${ownCore ? ' of the core cord' : ''} through the slot of one buckle half from behind, pass both ends through the loop and pull it snug on the bar. Check that the two halves of the buckle face the same way.`,
        ),
        step(
          'Run both ends through the other half',
          'Pass both ends over the bar of the other half from the front, side by side, and bring them back.',
        ),
        step(
          `Set the core to ${mm(length)}`,
          `Lay the band along the rule: from bar to bar ${mm(length)}. Both core runs straight and equally tight; this length is the fit.`,
        ),
        ...(ownCore
          ? [
              step(
                'Lay the core ends back along the core',
                'Turn both core ends back towards the first half, flat beside the core; the first half knots cover them.',
              ),
            ]
          : []),
      ],
      end: [],
    };
  },
  finish: {
    stays: ['the core, and the hitch at the first half', 'the bars of cord round the second half'],
    goes: ['the two working ends beside the last half knot'],
    checks: [
      'Both halves face the same way and click shut.',
      'Pull hard at the closed buckle three times: neither half creeps out of its cord.',
    ],
  },
  mistakes: [
    'The two halves face opposite ways: look before the hitch is pulled tight.',
    'The core is set slack, and the band comes out longer than planned.',
    'The core runs are trimmed instead of the working ends.',
  ],
};
