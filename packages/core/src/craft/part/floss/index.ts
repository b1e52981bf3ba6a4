import { choiceField, countField } from '../../../base/kind/field.js';
import { tensionField } from '../tension-field.js';
import {
  plainLayout,
  type PartKind,
  type PartLayout,
  type PartSite,
  type PartStep,
} from '../../../base/kind/part-kind.js';
import type { Run } from '../../../base/kind/run.js';
import type { Advice } from '../../../base/measure/advice.js';
import type { Tied } from '../../../base/kind/step.js';
import { CROSSING_FACTS, endsRight, leftWorks, type Crossing } from '../../floss/crossing.js';
import { patternFaults, type Lay } from '../../floss/pattern.js';
import { readyPattern } from '../../floss/ready.js';
import { orderAfter, type Simulation } from '../../floss/simulate.js';
import { plainEdge } from '../../knot/edge.js';
import { tiedIn } from '../../knot/tied.js';
import { straightRuns } from '../../knot/stroke.js';
import { doubleHitch, hitchHeight } from '../../knot/hitch.js';
import { KNOT_SPREAD } from '../../../base/kind/reason.js';
import { effectiveDiameter } from '../../../base/material/cord.js';
import { outerEnds } from '../ends.js';
import { drawFloss, edgeOfFloss, frameOfKnot, pictureOfKnot } from './drawing.js';
import {
  atPlaces,
  type ENDINGS,
  flossSection,
  flossUses,
  latticeOf,
  ordersAll,
  patternOf,
  returnsAfter,
  rowsFor,
  tiedInOrder,
  workedOut,
  type FlossPart,
} from './model.js';
import {
  cordLength,
  cordNamed,
  say,
  type Saying,
  type Segment,
  term,
} from '../../../base/measure/saying.js';

/** What a new band begins with. */
const STRIPE = readyPattern('stripe');

/** A strand that takes this many times the mean is told of. Common practice, no source. */
const HUNGRY = 2;

function adviceOf(part: FlossPart, site: PartSite): Advice[] {
  const faults = patternFaults(patternOf(part), site.runs.length);
  if (part.order && !ordersAll(part.order, site.runs)) {
    faults.push({
      code: 'floss.order',
      severity: 'error',
      message: 'The order of the strands does not name each of them once.',
      remedy: 'Lay the strands in order on the loom again.',
      path: 'order',
    });
  }
  return faults;
}

/** What there is to know of a band that can be tied. */
function notesOf(part: FlossPart, runs: readonly Run[], lengths: readonly number[]): Advice[] {
  const notes: Advice[] = [];
  const times = returnsAfter(part.rows, part.lay, runs.length);
  if (times > 1) {
    notes.push({
      code: 'floss.returns',
      severity: 'note',
      message: `After one repeat the strands do not lie as they began; they do after ${times}.`,
      remedy:
        'Colours shift from repeat to repeat. That may be what you want; if not, mirror the repeat on the loom.',
      path: 'rows',
    });
  }
  const mean = lengths.reduce((sum, length) => sum + length, 0) / lengths.length;
  const most = Math.max(...lengths);
  if (most > HUNGRY * mean) {
    const run = runs[lengths.indexOf(most)]!;
    notes.push({
      code: 'floss.hungry',
      severity: 'note',
      message: say`One strand works harder than the others, ${cordNamed(run, 'strand')}: it takes ${cordLength(most)} in the band, they ${cordLength(mean)} on average.`,
      remedy: 'Cut each strand to its own length, and wind this one on a card while you tie.',
      path: 'rows',
    });
  }
  return notes;
}

/** What the hands do with one knot, and how far this strand goes on. */
function tell(runs: readonly Run[], sim: Simulation, unit: number): Saying {
  const order = tiedInOrder(sim);
  const knot = order[unit];
  if (knot === undefined) return '';
  const { worker, carried, crossing } = knot;
  const at = knot.place + 1;
  const [from, over] = leftWorks(crossing) ? [at, at + 1] : [at + 1, at];
  // It is told of every knot of a band: what comes long after is not looked at.
  let end = knot;
  let more = 0;
  for (let next = order[unit + 1]; next?.worker === worker; next = order[unit + 1 + more]) {
    end = next;
    more += 1;
  }
  const ends = end.place + (endsRight(end.crossing) ? 2 : 1);
  const name = (s: number): Segment => cordNamed(runs[s]!, 'strand');
  const goesOn = more > 0 ? `goes on over ${more} more and ` : '';
  return say`Row ${knot.row + 1}: ${name(worker)} at place ${from} over ${name(carried)} at place ${over}; ${CROSSING_FACTS[crossing].hands}. It ${goesOn}ends at place ${ends}.`;
}

/** Which tying a crossing is. */
const BAND_TYINGS: Readonly<Partial<Record<Crossing, string>>> = {
  '>': 'band.forward',
  '<': 'band.back',
  ')': 'band.forward-back',
  '(': 'band.back-forward',
};

/** How every knot is tied, in the order in which hands come to them: what is alike is told once. */
function tiedKnots(runs: readonly Run[], sim: Simulation): Pick<PartStep, 'tied' | 'tiedBy'> {
  const known = new Map<string, number>();
  const tied: Tied[] = [];
  const tiedBy = tiedInOrder(sim).map(({ crossing, worker, carried }) => {
    // Which strand works is in the crossing itself.
    const one = tiedIn(BAND_TYINGS[crossing]!, [runs[carried], runs[worker]], 'left');
    const key = `${one.tying} ${one.strands.join()}`;
    const at = known.get(key);
    if (at !== undefined) return at;
    known.set(key, tied.push(one) - 1);
    return tied.length - 1;
  });
  return { tied, tiedBy };
}

/** The band as it was laid out; null when it cannot be tied. */
function simOf(part: FlossPart, site: PartSite, layout: PartLayout): Simulation | null {
  if (adviceOf(part, site).length > 0) return null;
  const rows = Math.round(layout.length / layout.pitch);
  return workedOut(part.rows, part.lay, site.runs.length, rows);
}

/** Arm spans of most adults, in mm. From memory. */
const ARM_SPAN = [1500, 1800] as const;

export const floss: PartKind<FlossPart> = {
  entry: {
    id: 'knotted-floss',
    label: 'Knotted band',
    blurb:
      'Many strands, each tied over its neighbours in double hitches: stripes, chevrons, letters.',
    goodFor:
      'Patterns: stripes, chevrons, letters, small pictures. Slow, since every strand is tied over its neighbours one by one, and hungry for thread.',
    group: 'knots',
    unitName: 'knot',
    needsBead: false,
    seconds: 9,
    pitched: true,
    ties: 'over-each-other',
    lateral: true,
  },
  // Common practice, no source: more than enough. An arm span is about the height of who spans it.
  ruleOfThumb: (_part, { site, runs }) =>
    site === 'wrist'
      ? {
          label: 'An arm span for each strand',
          low: runs * ARM_SPAN[0],
          high: runs * ARM_SPAN[1],
        }
      : null,
  fields: [
    { type: 'weave', key: 'rows', label: 'Pattern' },
    choiceField<Lay>(
      'lay',
      'How the rows lie',
      {
        crossing: ['Slanting', 'neighbours meet by turns'],
        leader: ['Straight', 'one strand leads to and fro'],
      },
      { drawn: true },
    ),
    { type: 'places', key: 'order', label: 'Strands from the left' },
    countField('repeats', 'Repeats', 1, 500, 'as many as the length takes'),
    choiceField<(typeof ENDINGS)[number]>(
      'ending',
      'It may end',
      {
        anywhere: ['After any row', 'nearest to the length'],
        whole: ['After a whole repeat', 'the pattern stays whole'],
      },
      { when: (values) => values.repeats === null },
    ),
    tensionField({
      even: 'Each row against the last.',
      hard: 'Rows pushed up; dense and stiff.',
    }),
  ],
  make: ({ id, runs }) => ({
    id,
    kind: 'knotted-floss',
    ...STRIPE.make({ strands: STRIPE.nearest(runs), colours: 1 }).pattern,
    order: null,
    repeats: 1,
    ending: 'anywhere',
    tension: 'even',
  }),
  fills: (part) => part.repeats === null,
  section: (part, site) => flossSection(part, site),
  layOut(part, site, share) {
    const runs = atPlaces(part, site);
    const section = flossSection(part, site);
    const faults = adviceOf(part, site);
    if (faults.length > 0) {
      return plainLayout(Math.max(1, share), section, { unitName: 'knot', advice: faults });
    }
    const rows = rowsFor(part, section.pitch, share);
    const sim = workedOut(part.rows, part.lay, runs.length, rows);
    const uses = flossUses(part, runs, sim, site.pitchFactor);
    const lengths = runs.map((run) =>
      uses
        .filter((use) => use.strand === run.strand && use.half === run.half)
        .reduce((sum, use) => sum + use.reason.mm, 0),
    );
    return plainLayout(rows * section.pitch, section, {
      units: Math.max(1, sim.knots.length),
      unitName: 'knot',
      uses,
      advice: notesOf(part, runs, lengths),
    });
  },
  draw(part, site, layout, options) {
    const runs = atPlaces(part, site);
    const sim = simOf(part, site, layout);
    if (!sim) return straightRuns(site.runs, part.id, 0, layout.length);
    return drawFloss(part, runs, sim, layout, options);
  },
  inSpace: null,
  drawEdge(part, site, layout) {
    const sim = simOf(part, site, layout);
    if (!sim) return plainEdge(part.id, site, layout);
    return edgeOfFloss(part, atPlaces(part, site), sim, layout);
  },
  swatch(part, cord) {
    const d = effectiveDiameter(cord);
    return {
      how: 'Tie double half hitches with one strand down a second one held straight. Measure the strand that ties, before and after.',
      unitName: 'knot',
      cordPerUnit: doubleHitch(1, part.tension) * d,
      lengthPerUnit: hitchHeight(part.tension) * d,
      spread: KNOT_SPREAD,
    };
  },
  steps(part, site, layout) {
    const runs = atPlaces(part, site);
    const sim = simOf(part, site, layout);
    if (!sim || sim.knots.length === 0) return [];
    return [
      {
        title: 'Knot the band',
        text: say`Strands from the left: ${runs.map((run, i) => `${i + 1} ${run.cord.colour.name}`).join(', ')}. Each knot is two ${term('hitch', 'hitches')} round the other strand.`,
        again: 'Each knot is two hitches, as before. Pick up the strand that is named.',
        units: sim.knots.length,
        unitName: 'knot',
        ...tiedKnots(runs, sim),
        unitText: (unit) => tell(runs, sim, unit),
        actions: [
          {
            do: 'tie',
            place: part.id,
            knot: {
              form: 'band',
              lay: part.lay,
              rows: part.rows,
              total: sim.rows,
              tension: part.tension,
              after: 0,
              along: latticeOf(part, runs).along * site.pitchFactor,
              height: hitchHeight(part.tension) * latticeOf(part, runs).d * site.pitchFactor,
            },
            by: outerEnds(runs),
            mm: layout.length / layout.units,
            times: layout.units,
          },
        ],
        cautions: [],
      },
    ];
  },
  liesAfter(part, site, layout) {
    const runs = atPlaces(part, site);
    const sim = simOf(part, site, layout);
    const order = sim ? [...orderAfter(sim, sim.rows)].map((strand) => runs[strand]!) : runs;
    return { order: order.map((run) => run.index), crossed: 0 };
  },
  order: (part, site) => atPlaces(part, site),
  pictureFrame: (part, site) => frameOfKnot(part, site.runs),
  picture(part, site, layout, unit) {
    const runs = atPlaces(part, site);
    const sim = simOf(part, site, layout);
    return sim ? pictureOfKnot(part, runs, sim, unit) : [];
  },
};
