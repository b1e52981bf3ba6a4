import { KNOT_SPREAD, type Reason } from '../base/kind/reason.js';
import {
  ALL_TECHNIQUES,
  DRIFT_SPREAD,
  PITCH_SPREAD,
  TIME_SPREAD,
  type Observation,
} from '../base/learn/hand.js';
import { ENDS_SPREAD } from '../base/learn/own-ends.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';
import { sitesOf, tyingCord } from '../piece/sites.js';
import { kindOfTechnique } from '../piece/technique.js';
import { shortestEnd } from '../plan/shortest-end.js';
import type { PartPlan, Plan, StrandPlan } from '../plan/plan-types.js';
import type { MakeRecord } from './record.js';
import { RULER } from './ruler.js';

/** A technique is measured by a make only where it is most of what was made. Assumed. */
const MIN_SHARE = 0.6;
/** Factors beyond these are slips in measuring, not hands. Assumed. */
const PLAUSIBLE = [0.4, 2.5] as const;

const plausible = ({ ratio }: Observation): boolean => ratio > PLAUSIBLE[0] && ratio < PLAUSIBLE[1];

const nominal = ({ mm, hand }: Reason): number => mm / (hand?.factor ?? 1);

/** Whether a length stays in the finished piece. */
const stays = ({ area }: Reason): boolean => area !== 'end' && area !== 'reserve';

/** The largest of some amounts by name, where it is most of their sum. */
function mostOf(amounts: ReadonlyMap<string, number>): string | null {
  const sum = [...amounts.values()].reduce((total, one) => total + one, 0);
  const [top] = [...amounts].sort((a, b) => b[1] - a[1]);
  return top && sum > 0 && top[1] >= MIN_SHARE * sum ? top[0] : null;
}

const add = (amounts: Map<string, number>, key: string, amount: number): void => {
  amounts.set(key, (amounts.get(key) ?? 0) + amount);
};

interface Tied {
  /** Parts whose length grows by their units. */
  readonly parts: readonly PartPlan[];
  readonly length: number;
  /** Units tied over units planned. */
  readonly share: number;
}

function tiedOf(plan: Plan, record: Pick<MakeRecord, 'tied'>): Tied {
  const parts = plan.parts.filter((part) => partKind(part.kind).entry.pitched);
  const units = parts.reduce((sum, { layout }) => sum + layout.units, 0);
  return {
    parts,
    length: parts.reduce((sum, { layout }) => sum + layout.length, 0),
    share: units > 0 && record.tied !== undefined ? record.tied / units : 1,
  };
}

/**
 * Cord per unit, by kind of cord. What is fixed is taken off what was used; straight runs and plaits
 * are as long as the work came out, knots as many as were tied. Where several techniques share a cord,
 * the one that takes most of it is measured and the others are believed.
 */
function takeUp(plan: Plan, record: MakeRecord, tied: Tied): Observation[] {
  const stretched = record.length / plan.fit.length;
  const kinds = [...new Set(plan.strands.map(({ cord }) => cord.kind))];
  return kinds.flatMap((cordKind): Observation[] => {
    const strands = plan.strands.filter(({ cord, given }) => cord.kind === cordKind && !given);
    const varied = strands.flatMap(({ reasons }) => reasons.filter((r) => r.technique));
    const scale = ({ area, technique }: Reason): number =>
      area === 'run' ? stretched : kindOfTechnique(technique!).entry.pitched ? tied.share : 1;
    const amounts = new Map<string, number>();
    for (const reason of varied) {
      add(amounts, reason.technique!, nominal(reason) * scale(reason));
    }
    const technique = mostOf(amounts);
    if (technique === null) return [];
    const used = strands.reduce((sum, strand) => sum + usedOf(plan, strand, record), 0);
    const other = strands
      .flatMap(({ reasons }) => reasons)
      .reduce((sum, reason) => {
        if (reason.technique === technique || !stays(reason)) return sum;
        if (reason.technique) return sum + reason.mm * scale(reason);
        return sum + reason.mm * (reason.area === 'run' ? stretched : 1);
      }, 0);
    const own = varied.filter((reason) => reason.technique === technique);
    return [
      {
        technique,
        cordKind,
        measure: 'take-up',
        ratio: (used - other) / amounts.get(technique)!,
        spread: partPrior(plan, technique) ?? own[0]?.spread ?? KNOT_SPREAD,
      },
    ];
  });
}

/** What a hand learns in a part of a plan. */
export const techniqueIn = ({ kind, technique = kind }: PartPlan): string => technique;

/** Spread of all hands in a technique, as its own layout states it before anything is learnt. */
const partPrior = (plan: Plan, technique: string): number | undefined =>
  plan.parts
    .filter((part) => techniqueIn(part) === technique)
    .flatMap((part) => part.layout.uses)
    .find((use) => use.reason.spread)?.reason.spread;

const usedOf = (plan: Plan, strand: StrandPlan, record: MakeRecord): number => {
  const { cut, leftover } = record.cords[plan.strands.indexOf(strand)]!;
  return cut - leftover;
};

/** The technique whose units make the length, and what it is tied with; null where that is not told apart. */
function lengthMaker(
  plan: Plan,
  sites: ReturnType<typeof sitesOf>,
  tied: Tied,
): Pick<Observation, 'technique' | 'cordKind'> | null {
  const techniques = new Set(tied.parts.map(techniqueIn));
  const technique = [...techniques][0];
  if (technique === undefined || techniques.size > 1 || tied.length < MIN_SHARE * plan.fit.length) {
    return null;
  }
  const cordKind = tyingCord(sites[plan.parts.indexOf(tied.parts[0]!)])?.kind;
  return cordKind ? { technique, cordKind } : null;
}

/** Length per unit: what the work came out beside what its units make in the model. */
function pitch(piece: Piece, plan: Plan, record: MakeRecord, tied: Tied): Observation[] {
  const sites = sitesOf(piece);
  const maker = lengthMaker(plan, sites, tied);
  const model = plan.parts.reduce(
    (sum, part, i) =>
      tied.parts.includes(part)
        ? sum + partKind(part.kind).section(piece.parts[i]!, sites[i]!).pitch * along(part)
        : sum,
    0,
  );
  if (!maker || model <= 0) return [];
  const came = record.length - (plan.fit.length - tied.length);
  return [
    {
      ...maker,
      measure: 'pitch',
      ratio: came / (model * tied.share),
      spread: PITCH_SPREAD,
    },
  ];
}

/**
 * How a unit's length changed within the make: in the rest of the work, over what had been measured in between.
 * Left out where either stretch is too short to tell.
 */
function drift(piece: Piece, plan: Plan, record: MakeRecord, tied: Tied): Observation[] {
  const maker = lengthMaker(plan, sitesOf(piece), tied);
  const { between } = record;
  if (!maker || !between) return [];
  const units = new Map(between.done.map((one) => [one.part, one.units]));
  const share = ({ id, layout }: PartPlan): number =>
    Math.min(1, (units.get(id) ?? 0) / layout.units);
  const lengthOf = (pitched: boolean): number =>
    plan.parts
      .filter((part) => tied.parts.includes(part) === pitched)
      .reduce((sum, part) => sum + part.layout.length * share(part), 0);
  const before = { planned: lengthOf(true), came: between.length - lengthOf(false) };
  const rest = {
    planned: tied.length * tied.share - before.planned,
    came: record.length - (plan.fit.length - tied.length) - before.came,
  };
  if ([before.planned, before.came, rest.planned, rest.came].some((mm) => mm < TELLS)) return [];
  return [
    {
      ...maker,
      measure: 'drift',
      ratio: rest.came / rest.planned / (before.came / before.planned),
      spread: DRIFT_SPREAD,
      // The ruler that lay along the work in between errs for both stretches at once.
      error: RULER.work * Math.hypot(1 / before.came + 1 / rest.came, 1 / rest.came),
    },
  ];
}

/**
 * What fingers needed of an end: that which was trimmed shortest, over the shortest that was planned for tying
 * with. Nothing where ends are only trimmed.
 */
function ends(plan: Plan, { ends: tried }: MakeRecord): Observation[] {
  if (!tried) return [];
  const planned = shortestEnd(plan);
  if (!planned) return [];
  return [
    {
      technique: ALL_TECHNIQUES,
      cordKind: planned.cord,
      measure: 'ends',
      ratio: tried.shortest / planned.usual,
      was: tried.was,
      spread: ENDS_SPREAD,
    },
  ];
}

/** A stretch of work in mm from which on its length tells of the hand, and not of the ruler. Assumed. */
const TELLS = 20;

/** Steps of one pitch that a part is long: its half knots, or the rows of a band. */
const along = ({ layout }: PartPlan): number => layout.length / layout.pitch;

/** Time per unit, where the time of tying was kept apart. */
function time(piece: Piece, plan: Plan, record: MakeRecord): Observation[] {
  if (!record.stages || record.stages.tie <= 0) return [];
  const amounts = new Map<string, number>();
  for (const part of plan.parts) {
    const { kind, layout } = part;
    add(amounts, techniqueIn(part), layout.units * partKind(kind).entry.seconds);
  }
  const technique = mostOf(amounts);
  if (technique === null) return [];
  const index = plan.parts.findIndex((part) => techniqueIn(part) === technique);
  const cordKind = tyingCord(sitesOf(piece)[index])?.kind;
  if (!cordKind) return [];
  const all = [...amounts.values()].reduce((sum, one) => sum + one, 0);
  // The closure is tied in the same stage; what is fixed is believed to be quick.
  return [
    {
      technique,
      cordKind,
      measure: 'time',
      ratio: (record.stages.tie * 60) / all,
      spread: TIME_SPREAD,
    },
  ];
}

/**
 * What a finished make says of the hand: cord, length and time per unit, each over what the model says
 * and without what was learnt before. What cannot be told apart is left out, and so is what no hand
 * does.
 */
export function observe(piece: Piece, plan: Plan, record: MakeRecord): Observation[] {
  const tied = tiedOf(plan, record);
  return [
    ...takeUp(plan, record, tied),
    ...pitch(piece, plan, record, tied),
    ...drift(piece, plan, record, tied),
    ...time(piece, plan, record),
  ]
    .filter(plausible)
    .concat(ends(plan, record));
}
