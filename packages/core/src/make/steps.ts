import { closureKind } from '../closure/registry.js';
import type { Step } from '../kind/step.js';
import type { Piece } from '../piece/piece.js';
import { closureSiteOf, sitesOf } from '../piece/sites.js';
import type { Plan } from '../plan/plan-types.js';
import { finishSteps } from './finish.js';
import type { Side } from '../measure/side.js';
import { firstSideFor, told } from './habits.js';
import { anchorSteps, cutSteps, onceStep } from './set-up.js';
import { workSteps } from './work.js';

/** The work is laid round once more while the closure can still be moved. */
const TRY_ON_CLOSE = onceStep(
  'tie',
  'try-on-close',
  'Try it on before it is closed',
  'Lay it round the wearer and hold the ends together. Too long or too short can be put right now; once the closure is tied it cannot.',
  { kind: 'worn' },
);

/** Every action of the make, in order, from the plan. */
export function makeSteps(piece: Piece, plan: Plan, { hand }: { readonly hand: Side }): Step[] {
  const first = firstSideFor(hand);
  const kind = closureKind(piece.closure.type);
  const site = closureSiteOf(piece, sitesOf(piece));
  const closing = kind.steps(piece.closure, site, plan.closure, plan.fit.length);
  return [
    ...cutSteps(plan),
    ...anchorSteps(piece, plan, closing.start.length > 0),
    ...closing.start.map((s, i): Step => ({
      ...told(s, 'prepare', `start-${i + 1}`, undefined, first),
      look: { kind: 'start' },
    })),
    ...workSteps(piece, plan, first),
    ...(closing.end.length > 0 && !closing.end.some((step) => step.triesOn) ? [TRY_ON_CLOSE] : []),
    ...closing.end.map((s, i): Step => ({
      ...told(s, 'tie', `close-${i + 1}`, 'closure', first),
      look: { kind: 'end' },
      ...(i === 0 ? { mistakes: kind.mistakes } : {}),
    })),
    ...finishSteps(piece, plan),
  ];
}
