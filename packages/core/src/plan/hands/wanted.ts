import { closureKind } from '../../craft/closure/registry.js';
import type { Check } from '../../base/kind/closure-kind.js';
import { say } from '../../base/measure/saying.js';
import { several } from '../../base/measure/saying.js';
import type { Piece } from '../../piece/piece.js';
import { placedClosure } from '../placed-parts.js';
import type { Plan } from '../plan-types.js';

/** A check by its name. */
export interface NamedCheck extends Check {
  readonly id: string;
  /** Whether it is one of the closure’s own. */
  readonly ofClosure: boolean;
}

/** What is looked at before the piece leaves the bench, one thing at a time. */
export function checksOf(piece: Piece, plan: Plan): NamedCheck[] {
  const { counters, parts } = plan;
  const kind = closureKind(piece.closure.type);
  const site = placedClosure(piece, plan);
  const own = kind.finish(piece.closure, site).checks;
  const beads = counters.left + counters.right + counters.middle;
  const rest: Check[] = [
    counters.symmetric && parts.length > 1
      ? {
          title: 'Both halves are alike',
          text:
            beads > 1
              ? say`Count ${several(counters.left, 'bead')} left of the middle, ${several(counters.right, 'bead')} right of it.`
              : '',
        }
      : {
          title: 'It looks as you meant it from one end to the other',
          text: 'Nothing is left out, and no cord shows where it should not.',
        },
    {
      title: 'Draw the inside over the back of your hand',
      text: 'No sharp or hard end anywhere.',
    },
    ...(beads > 0
      ? [
          {
            title: 'Turn every bead',
            text: 'None is cracked, and no edge rubs the cord.',
          },
        ]
      : []),
  ];
  return [...own, ...rest].map((check, i) => ({
    ...check,
    id: `check-${i + 1}`,
    ofClosure: i < own.length,
  }));
}

/** The last look. */
export const LAST_CHECK = 'inspect';
