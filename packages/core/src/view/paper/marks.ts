import { sideAt, type Step } from '../../base/kind/step.js';
import type { Side } from '../../base/measure/side.js';
import { partKind } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import type { Plan } from '../../plan/plan-types.js';

/** Something to measure at or to count by along a piece, in mm from where its parts begin. */
export type StripMark =
  /** Where a part begins and ends, its index, and its name. */
  | {
      readonly kind: 'part';
      readonly at: number;
      readonly to: number;
      readonly number: number;
      readonly label: string;
    }
  /** From where to where a unit of a part goes, which it is, and on which side its bump shows, if it does. */
  | {
      readonly kind: 'unit';
      readonly from: number;
      readonly at: number;
      readonly number: number;
      readonly last: boolean;
      readonly side: Side | null;
    }
  /** The middle of a bead, and its number from the start; rings and spacers are not counted. */
  | { readonly kind: 'bead'; readonly at: number; readonly number: number; readonly name: string }
  /** Where the closure begins, at either end. */
  | { readonly kind: 'closure'; readonly at: number };

/** The side that the bump of a unit shows on; null where it shows none. */
function bumpOf(steps: readonly Step[], part: string, unit: number): Side | null {
  const step = steps.find(
    (one) =>
      one.part === part &&
      one.aside !== true &&
      unit >= (one.from ?? 0) &&
      unit < (one.from ?? 0) + one.units,
  );
  return step?.bumps === true ? sideAt(step, unit - (step.from ?? 0)) : null;
}

/** Units nearer to each other than this, in mm, are not marked one by one. */
const CLOSEST = 1.5;

/** All marks of a piece, in the order of its parts. Units of a part are equally long. */
export function stripMarks(piece: Piece, plan: Plan, steps: readonly Step[]): StripMark[] {
  const names = new Map(piece.beads.map(({ id, name }) => [id, name]));
  let beads = 0;
  const marks = plan.parts.flatMap(({ id, start, layout }, i): StripMark[] => {
    const kind = partKind(piece.parts[i]!.kind);
    const { length, units } = layout;
    const own = layout.beads.filter(({ spacer }) => spacer !== true);
    // A bar or a plain stretch has nothing to count, beads are counted as such, and a band's knots lie too close.
    const counts = units > 1 && own.length !== units && length >= CLOSEST * units;
    const counted = counts ? units : 0;
    return [
      { kind: 'part', at: start, to: start + length, number: i + 1, label: kind.entry.label },
      ...Array.from({ length: counted }, (_, unit): StripMark => ({
        kind: 'unit',
        from: start + (unit * length) / units,
        at: start + ((unit + 1) * length) / units,
        number: unit + 1,
        last: unit === units - 1,
        side: bumpOf(steps, id, unit),
      })),
      ...own.map((bead): StripMark => ({
        kind: 'bead',
        at: start + bead.at,
        number: (beads += 1),
        name: names.get(bead.id) ?? '',
      })),
    ];
  });
  return [{ kind: 'closure', at: 0 }, ...marks, { kind: 'closure', at: plan.fit.length }];
}
