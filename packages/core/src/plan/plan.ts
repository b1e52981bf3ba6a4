import { closureKind } from '../craft/closure/registry.js';
import { PRACTICE, sumOf, type AuxiliaryCord } from '../base/kind/reason.js';
import { wornIn } from '../base/measure/fit.js';
import { sameSaying } from '../base/measure/saying.js';
import { ANY_HAND, type Hand } from '../base/learn/hand.js';
import { isToLength, type Lying, type PartSite } from '../base/kind/part-kind.js';
import { passage } from '../base/material/passage.js';
import { partKind, type Part } from '../craft/part/registry.js';
import type { Advice } from '../base/measure/advice.js';
import type { Piece } from '../piece/piece.js';
import { closureSiteOf, sitesOf } from '../piece/sites.js';
import { techniqueOf } from '../piece/technique.js';
import { lyingOf } from './lying.js';
import { checkPassages, checkPiece, checkPlan, under } from './checks.js';
import { checkKnotsAtHoles } from './knots-at-holes.js';
import { barNotes } from './bars.js';
import { count } from './counters.js';
import { equalCuts, sumOfCuts } from './equal-cuts.js';
import { withHand } from './hand-uses.js';
import { FIRST_MAKE } from './first-make.js';
import { fitParts, planFit, stretchOf } from './fit-plan.js';
import type {
  AuxiliaryPlan,
  PartPlan,
  Plan,
  PlanResult,
  PlanTotals,
  StrandPlan,
} from './plan-types.js';
import { rulesOfThumb } from './rule-of-thumb.js';
import { planAuxiliary, planStrands } from './strands.js';

/** Thread in mm that pulls cords through a narrow hole, folded over them. Common practice, no source. */
const NEEDLE_THREAD = 300;

/** Notes that several parts have alike are told once. */
const distinctNotes = (advice: readonly Advice[]): Advice[] =>
  advice.filter(
    (item, i) =>
      item.severity !== 'note' ||
      advice.findIndex((f) => f.code === item.code && sameSaying(f.message, item.message)) === i,
  );

/** Parts one after the other along the rule. */
function inLine(
  piece: Piece,
  layouts: readonly PartPlan['layout'][],
  lying: readonly (Lying | undefined)[],
  sites: readonly PartSite[],
): PartPlan[] {
  let at = 0;
  return layouts.map((layout, i) => {
    const start = at;
    at += layout.length;
    const { id, kind } = piece.parts[i]!;
    const lies = lying[i];
    const { pitchFactor } = sites[i]!;
    const technique = techniqueOf(piece.parts[i]!, sites[i]!);
    return {
      id,
      kind,
      layout,
      ...(technique === kind ? {} : { technique }),
      start,
      ...(lies ? { lies } : {}),
      ...(pitchFactor === 1 ? {} : { pitchFactor }),
    };
  });
}

function totalsOf(
  parts: readonly PartPlan[],
  strands: readonly StrandPlan[],
  auxiliary: readonly AuxiliaryPlan[],
  length: number,
): Omit<PlanTotals, 'ownCuts' | 'equalCuts'> {
  const inWork = sumOf(
    strands
      .flatMap((strand) => strand.reasons)
      .filter(({ area }) => area === 'run' || area === 'knot'),
  );
  const counts = new Map<string, number>();
  for (const { layout } of parts) {
    counts.set(layout.unitName, (counts.get(layout.unitName) ?? 0) + layout.units);
  }
  return {
    cut: sumOfCuts([...strands, ...auxiliary]),
    inWork,
    perLength: inWork / length,
    leftover: strands.reduce((sum, s) => sum + s.leftover, 0),
    firstMake: sumOf(
      [...strands, ...auxiliary]
        .flatMap(({ reasons }) => reasons)
        .filter(({ code }) => code === FIRST_MAKE),
    ),
    counts: [...counts]
      .map(([unitName, n]) => ({ unitName, count: n }))
      .sort((a, b) => b.count - a.count),
  };
}

const NEEDLE: AuxiliaryCord = {
  id: 'needle-thread',
  label: 'Thread to pull by',
  cord: null,
  reasons: [
    {
      area: 'end',
      code: 'end.thread',
      label: 'Thread',
      detail: 'folded over the cords to pull them through narrow holes; taken out again',
      ...PRACTICE,
      mm: NEEDLE_THREAD,
    },
  ],
};

/** Whether a part is as many units as a length takes by the pitch of the hand. */
function isByPitch(part: Part): boolean {
  const kind = partKind(part.kind);
  return kind.entry.pitched === true && isToLength(kind, part);
}

/** Parts laid out anew where their cords lie as the parts before leave them; no length changes by that. */
function relaid(
  piece: Piece,
  hand: Hand,
  layouts: readonly PartPlan['layout'][],
  lying: readonly (Lying | undefined)[],
): readonly PartPlan['layout'][] {
  if (lying.every((lies) => lies === undefined)) return layouts;
  const sites = sitesOf(piece, hand, lying);
  return layouts.map((layout, i) => {
    const part = piece.parts[i]!;
    return lying[i] ? partKind(part.kind).layOut(part, sites[i]!, layout.length) : layout;
  });
}

/**
 * Plans a piece, before hands have tried it: fit, layout, cut list with reasons, checks. See planPiece.
 */
export function draftPlan(piece: Piece, hand: Hand = ANY_HAND): PlanResult {
  const faults = checkPiece(piece);
  if (faults.some((f) => f.severity === 'error')) return { ok: false, advice: faults };

  const sites = sitesOf(piece, hand);
  const closureSite = closureSiteOf(piece, sites);
  const kind = closureKind(piece.closure.type);
  const fitted = fitParts(piece, sites, closureSite);
  const lying = lyingOf(piece, sites, fitted.layouts);
  const layouts = relaid(piece, hand, fitted.layouts, lying);
  const parts = inLine(piece, layouts, lying, sites);
  const body = fitted.layouts.flatMap((layout) => layout.round);
  const closure = kind.layOut(piece.closure, closureSite, wornIn(body, stretchOf(piece)));
  const fit = planFit(piece, closureSite, fitted, closure.states);
  const counters = count(piece, parts, closure.needs);
  const passages = [
    ...parts.flatMap((part, i) =>
      part.layout.passages.map((p) => ({ path: `parts[${i}]`, part: part.id, passage: p })),
    ),
    ...closure.passages.map((p) => ({ path: 'closure', part: 'closure', passage: p })),
  ];
  const advice = distinctNotes([
    ...faults,
    ...parts.flatMap((part, i) => under(part.layout.advice, `parts[${i}]`, part.id)),
    ...under(closure.advice, 'closure', 'closure'),
    ...(fitted.filled && fitted.share <= 1
      ? [
          {
            code: 'work.full',
            severity: 'error' as const,
            message: 'The other parts and the closure already take all of the way round.',
            remedy: 'Remove something, or choose a larger size.',
            path: 'parts',
          },
        ]
      : []),
    ...barNotes(piece, closureSite, fitted.layouts),
    ...checkPlan(piece, fit, counters),
    ...checkPassages(passages),
    ...checkKnotsAtHoles(parts),
  ]);
  const errors = advice.filter(({ severity }) => severity === 'error');
  if (errors.some(({ drawn }) => !drawn)) return { ok: false, advice };
  const unmakeable = errors.length > 0;

  const own = planStrands(
    piece,
    [
      ...layouts.flatMap((layout, i) =>
        withHand(
          layout.uses,
          techniqueOf(piece.parts[i]!, sites[i]!),
          piece.strands,
          hand,
          isByPitch(piece.parts[i]!),
        ),
      ),
      ...closure.uses,
    ],
    hand,
  );
  const alike = equalCuts(own, piece.cutting.step);
  const strands = piece.cutting.equal ? alike : own;
  const narrow = passages.some(
    ({ passage: { hole, runs, blind, inTurn } }) =>
      !blind &&
      !inTurn &&
      runs.length > 1 &&
      passage(
        hole,
        runs.map((run) => run.cord),
      ).answer === 'needle',
  );
  const auxiliary = planAuxiliary(
    [
      ...fitted.layouts.flatMap((layout) => layout.auxiliary),
      ...closure.auxiliary,
      ...(narrow ? [NEEDLE] : []),
    ],
    piece.cutting,
    hand,
  );
  return {
    ok: true,
    fit,
    parts,
    closure,
    strands,
    auxiliary,
    totals: {
      ...totalsOf(parts, strands, auxiliary, fit.length),
      ownCuts: sumOfCuts(own),
      equalCuts: sumOfCuts(alike),
    },
    counters,
    rules: rulesOfThumb(piece, fit.length, fit.target, { strands, auxiliary }),
    advice,
    ...(unmakeable ? { unmakeable } : {}),
  } satisfies Plan;
}
