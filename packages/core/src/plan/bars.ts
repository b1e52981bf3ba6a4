import { closureKind } from '../craft/closure/registry.js';
import type { ClosureSite } from '../base/kind/closure-kind.js';
import type { PartLayout } from '../base/kind/part-kind.js';
import type { Advice } from '../base/measure/advice.js';
import { turnAt, wornIn } from '../base/measure/fit.js';
import type { RoundPart, Sits } from '../base/measure/ring.js';
import { laid, say, type Saying } from '../base/measure/saying.js';
import type { Piece } from '../piece/piece.js';
import { stretchOf } from './fit-plan.js';

/** Where a bar lies, in a sentence. */
const ON: Readonly<Record<Sits, string>> = {
  flat: 'on the flat side',
  narrow: 'on the narrow side',
  round: 'on a round one',
};

/** Less than this in mm is not worth a word. */
const SLIGHT = 1;

/** How much smaller a piece comes out where a bar lies otherwise than it is meant to. */
function tellOff(by: number, where: Sits): Saying[] {
  if (Math.abs(by) < SLIGHT) return [];
  return [say`${ON[where]} it is ${laid(Math.abs(by))} ${by > 0 ? 'tighter' : 'wider'}`];
}

/**
 * Of every bar in the work: on which side of the wrist it is meant to lie, and how far off the piece is where
 * it lies elsewhere.
 */
export function barNotes(
  piece: Piece,
  site: ClosureSite,
  layouts: readonly PartLayout[],
): Advice[] {
  if (piece.wear.site === 'neck') return [];
  const r = site.target / (2 * Math.PI);
  const stretch = stretchOf(piece);
  const aim = closureKind(piece.closure.type).aim(piece.closure, site);
  const turn = (at: number, change: (part: RoundPart) => RoundPart): number =>
    turnAt(
      [
        ...layouts.flatMap((layout, i) =>
          i === at ? layout.round.map(change) : wornIn(layout.round, stretch),
        ),
        ...aim,
      ],
      r,
    );
  return piece.parts.flatMap((part, i): Advice[] => {
    const bar = layouts[i]!.round.find(({ kind }) => kind === 'rigid');
    if (!bar) return [];
    const sits = bar.sits ?? 'flat';
    const meant = turn(i, (own) => own);
    const others = (['flat', 'round', 'narrow'] as const).filter((where) => where !== sits);
    const off = others.flatMap((where) =>
      tellOff((meant - turn(i, (own) => ({ ...own, sits: where }))) * r, where),
    );
    const [first, second] = off;
    return first === undefined
      ? []
      : [
          {
            code: 'fit.bar',
            severity: 'note',
            message: say`The bar is meant to lie ${ON[sits]} of the ${piece.wear.site}; ${first}${second === undefined ? '' : say`, and ${second}`}.`,
            remedy: 'If it is worn otherwise, say so where the bar is set: the fit follows.',
            path: `parts[${i}].sits`,
            part: part.id,
          },
        ];
  });
}
