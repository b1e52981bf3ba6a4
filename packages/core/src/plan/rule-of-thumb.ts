import { closureKind } from '../craft/closure/registry.js';
import type { RuleBeside, RuleOfThumb, Work } from '../base/kind/rule-of-thumb.js';
import { sumOfCuts } from './equal-cuts.js';
import type { Plan } from './plan-types.js';
import { partKind } from '../craft/part/registry.js';
import type { Piece } from '../piece/piece.js';

/** What is cut. */
export type Cuts = Pick<Plan, 'strands' | 'auxiliary'>;

/**
 * The rules makers go by for this kind of piece, that of its closure first and none twice; shown only for
 * comparison.
 *
 * @param length length of the parts in mm
 * @param target inner circumference aimed at in mm
 * @param cuts what the plan cuts
 */
export function rulesOfThumb(
  piece: Piece,
  length: number,
  target: number,
  cuts: Cuts,
): RuleBeside[] {
  const entries = piece.parts.map((part) => partKind(part.kind).entry);
  const cords = piece.strands.map(({ cord }) => cord);
  const work: Work = {
    length,
    target,
    wrist: piece.wearer.wrist,
    site: piece.wear.site,
    strands: cords.length,
    runs: piece.strands.reduce((sum, { legs }) => sum + legs.length, 0),
    thickest: Math.max(...cords.map(({ diameter }) => diameter)),
    cords: [...new Set(cords.map(({ kind }) => kind))],
    plaited: piece.strands.every(({ legs }) => legs.every((leg) => leg === 'plaited')),
    overCore: entries.some(({ ties }) => ties === 'over-core'),
    startsWithLoop: entries[0]?.forClosure === true,
  };
  const told = [
    closureKind(piece.closure.type).ruleOfThumb?.(piece.closure, work),
    ...piece.parts.map((part) => partKind(part.kind).ruleOfThumb?.(part, work)),
  ];
  const rules = new Map<string, RuleBeside>();
  for (const rule of told) {
    if (rule) rules.set(JSON.stringify(rule.label), beside(rule, cuts));
  }
  return [...rules.values()];
}

function beside({ label, low, high, of }: RuleOfThumb, { strands, auxiliary }: Cuts): RuleBeside {
  const all = sumOfCuts([...strands, ...auxiliary]);
  if (of === 'strands') {
    return { label, low, high, cut: sumOfCuts(strands), whose: 'strands' };
  }
  const own = auxiliary.find(({ id }) => id === of?.besides);
  return { label, low, high, cut: own?.cut ?? all, whose: own?.label.toLowerCase() ?? null };
}
