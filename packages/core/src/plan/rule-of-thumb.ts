import { closureKind } from '../closure/registry.js';
import type { RuleOfThumb } from '../kind/closure-kind.js';
import { partKind } from '../part/registry.js';
import type { Piece } from '../piece/piece.js';

/**
 * The rules makers go by for this kind of piece, for all cords together; shown only for comparison.
 * @param length length of the parts in mm
 * @param target inner circumference aimed at in mm
 */
export function rulesOfThumb(piece: Piece, length: number, target: number): RuleOfThumb[] {
  const entries = piece.parts.map((part) => partKind(part.kind).entry);
  const rule = closureKind(piece.closure.type).ruleOfThumb?.(piece.closure, {
    length,
    target,
    wrist: piece.wearer.wrist,
    site: piece.wear.site,
    strands: piece.strands.length,
    overCore: entries.some(({ ties }) => ties === 'over-core'),
    startsWithLoop: entries[0]?.forClosure === true,
  });
  return rule ? [rule] : [];
}
