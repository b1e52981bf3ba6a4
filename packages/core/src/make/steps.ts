import { closureKind } from '../closure/registry.js';
import type { PartStep } from '../kind/part-kind.js';
import type { Step } from '../kind/step.js';
import type { Piece } from '../piece/piece.js';
import { closureSiteOf, sitesOf } from '../piece/sites.js';
import type { Plan } from '../plan/plan-types.js';
import { finishSteps } from './finish.js';
import { told, type MakerHabits } from './habits.js';
import { anchorSteps, cutSteps, onceStep } from './set-up.js';
import { workSteps } from './work.js';

/** Closures that are tried on in a step of their own say so in its title. */
const triesOn = ({ title }: PartStep): boolean => title.startsWith('Try');

/** The work is laid round once more while the closure can still be moved. */
const TRY_ON_CLOSE = onceStep(
  'tie',
  'try-on-close',
  'Try it on before it is closed',
  'Lay it round the wearer and hold the ends together. Too long or too short can be mended now; once the closure is tied it cannot.',
  { kind: 'worn' },
);

/** Every action of the make, in order, from the plan. */
export function makeSteps(piece: Piece, plan: Plan, habits: MakerHabits): Step[] {
  const kind = closureKind(piece.closure.type);
  const site = closureSiteOf(piece, sitesOf(piece));
  const closing = kind.steps(piece.closure, site, plan.closure, plan.fit.length);
  return [
    ...cutSteps(plan, habits),
    ...anchorSteps(piece, plan, closing.start.length > 0, habits),
    ...closing.start.map((s, i): Step => ({
      ...told(s, 'prepare', `start-${i + 1}`, undefined, habits),
      look: { kind: 'start' },
    })),
    ...workSteps(piece, plan, habits),
    ...(closing.end.length > 0 && !closing.end.some(triesOn) ? [TRY_ON_CLOSE] : []),
    ...closing.end.map((s, i): Step => ({
      ...told(s, 'tie', `close-${i + 1}`, 'closure', habits),
      look: { kind: 'end' },
      ...(i === 0 ? { mistakes: kind.mistakes } : {}),
    })),
    ...finishSteps(piece, plan),
  ];
}
