import type { PartStep } from '../kind/part-kind.js';
import type { Step } from '../kind/step.js';
import type { Side } from '../measure/side.js';
import { partKind } from '../part/registry.js';
import type { Piece } from '../piece/piece.js';
import { tiedSpan } from '../piece/runs.js';
import { sitesOf } from '../piece/sites.js';
import type { PartPlan, Plan } from '../plan/plan-types.js';
import { layInSteps, onceStep } from './set-up.js';
import { told } from './habits.js';

/** Where it is tried on first: there is still enough to tie to mend the length with. */
const TRY_ON_AT = 2 / 3;
/** Fewer units of a part are not interrupted, nor is the work tried on this near to either end of it. */
const LEAST_UNITS = 12;
const MARGIN = 3;
/** With fewer parts than this, all of them short, there is nothing to try on half way. */
const LEAST_PARTS = 4;

/** A place in the work: before a unit of a part. */
interface WorkPlace {
  readonly part: number;
  readonly unit: number;
}

/** Where the work is tried on before its last third; null where it is too short to be interrupted. */
export function tryOnPlace({ parts }: Pick<Plan, 'parts'>): WorkPlace | null {
  const end = parts.at(-1);
  if (!end) return null;
  const at = TRY_ON_AT * (end.start + end.layout.length);
  const part = parts.findIndex((p) => p.start + p.layout.length > at + 1e-6);
  const own = parts[part];
  if (!own) return null;
  const { units, length } = own.layout;
  const unit = Math.round((units * (at - own.start)) / length);
  if (units >= LEAST_UNITS && unit >= MARGIN && unit <= units - MARGIN) return { part, unit };
  return part > 0 && parts.length >= LEAST_PARTS ? { part, unit: 0 } : null;
}

const TRY_ON = onceStep(
  'tie',
  'try-on-early',
  'Lay it round once',
  'Two thirds are done: lay it round the wearer or along the rule. What is left to tie can still be changed.',
  { kind: 'worn' },
);

/** One step in two, at a unit: its sides and its words go on where the first left off. */
function split(step: Step, at: number): [Step, Step] {
  const { sides, calls } = step;
  const from = step.from ?? 0;
  return [
    {
      ...step,
      units: at,
      ...(calls ? { calls: { ...calls, order: calls.order.slice(0, at) } } : {}),
    },
    {
      ...step,
      id: `${step.id}-on`,
      units: step.units - at,
      from: from + at,
      ...(sides ? { sides: sides.map((_, i) => sides[(i + at) % sides.length]!) } : {}),
      ...(calls ? { calls: { ...calls, order: calls.order.slice(at) } } : {}),
    },
  ];
}

function stepsOfPart(steps: readonly PartStep[], { id }: PartPlan, firstSide: Side): Step[] {
  let from = 0;
  return steps.map((step, n) => {
    const own: Step = {
      ...told(step, 'tie', n === 0 ? `tie-${id}` : `tie-${id}-${n + 1}`, id, firstSide),
      from,
      look: { kind: 'part' },
    };
    from += step.units;
    return own;
  });
}

/** Interrupts the steps of a part at a unit. */
function interrupt(steps: readonly Step[], unit: number): Step[] {
  if (unit <= 0) return [TRY_ON, ...steps];
  let done = false;
  return steps.flatMap((step): Step[] => {
    const from = step.from ?? 0;
    if (done || unit < from || unit >= from + step.units) return [step];
    done = true;
    if (unit === from) return [TRY_ON, step];
    const [first, rest] = split(step, unit - from);
    return [first, TRY_ON, rest];
  });
}

/** The parts one after the other, tried on once before the last third. */
export function workSteps(piece: Piece, plan: Plan, firstSide: Side): Step[] {
  const sites = sitesOf(piece);
  const first = tiedSpan(piece.parts)?.[0] ?? 0;
  const tryOn = tryOnPlace(plan);
  return plan.parts.flatMap((part, i): Step[] => {
    const own = stepsOfPart(
      partKind(part.kind).steps(piece.parts[i]!, sites[i]!, part.layout),
      part,
      firstSide,
    );
    return [
      ...(i === first ? layInSteps(piece, part.id) : []),
      ...(tryOn?.part === i ? interrupt(own, tryOn.unit) : own),
    ];
  });
}
