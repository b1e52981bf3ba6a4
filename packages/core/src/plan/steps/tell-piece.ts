import { closureKind } from '../../craft/closure/registry.js';
import { countOf, countNames, pluralOf } from '../../base/measure/plural.js';
import { inSentence, join, laid, listed, say, type Saying } from '../../base/measure/saying.js';
import { partKind } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import type { PartPlan, Plan } from '../plan-types.js';

/** Stretches have no count that anybody counts. */
const STRETCH = 'stretch';

function tellPart(
  piece: Piece,
  { layout, start }: PartPlan,
  index: number,
  done: number | undefined,
): Saying {
  const part = piece.parts[index]!;
  const { units, unitName } = layout;
  const beads = layout.beads.flatMap(
    ({ id }) => piece.beads.find((bead) => bead.id === id)?.name ?? [],
  );
  const count =
    unitName === STRETCH
      ? null
      : done === undefined || done >= units
        ? countOf(units, unitName)
        : `${done} of ${units} ${pluralOf(unitName)} done`;
  return listed([
    say`Part ${index + 1}, ${inSentence(partKind(part.kind).entry.label)}`,
    ...(layout.length >= 0.5
      ? [say`${laid(layout.length)} long, from ${laid(start)} on`]
      : [say`at ${laid(start)}`]),
    ...(count === null ? [] : [count]),
    ...(beads.length > 0 ? [countNames(beads)] : []),
  ]);
}

/**
 * A piece told from one end to the other, for whoever does not see it: the closure, every part with its place and what
 * there is to count in it, the closure again.
 *
 * @param done units of each part that are done, where it is being made
 */
export function tellPiece(
  piece: Piece,
  plan: Plan,
  done?: Readonly<Record<string, number>>,
): readonly Saying[] {
  const closure = inSentence(closureKind(piece.closure.type).entry.label);
  return [
    `At the start: ${closure}`,
    ...plan.parts.map((part, i) => tellPart(piece, part, i, done && (done[part.id] ?? 0))),
    join(say`At the end, at ${laid(plan.fit.length)}: `, closure),
  ];
}
