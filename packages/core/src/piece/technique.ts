import type { PartKind, PartSite } from '../base/kind/part-kind.js';
import { partKind, type Part } from '../craft/part/registry.js';

/** What a hand learns in a part: its kind, or of a knot that a maker drew that very knot (`own-knot:` and its origin). */
export const techniqueOf = (part: Part, site: Pick<PartSite, 'knot'>): string =>
  partKind(part.kind).technique?.(part, site) ?? part.kind;

/** The kind of part that a technique belongs to. @throws RangeError for one that no kind has */
export const kindOfTechnique = (technique: string): PartKind => partKind(technique.split(':')[0]!);

/**
 * What a technique is called: a knot of one’s own by its name, where it is still known.
 *
 * @param knots that the workshop or the piece has
 * @example techniqueLabel('plait', []) // 'Plait'
 */
export function techniqueLabel(
  technique: string,
  knots: readonly { readonly origin: string; readonly name: string }[],
): string {
  const [, origin] = technique.split(':');
  const own = knots.find((knot) => knot.origin === origin);
  return own?.name ?? kindOfTechnique(technique).entry.label;
}
