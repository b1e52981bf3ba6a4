import { AT_START, type Action, type End, type Leg } from '../../base/action/action.js';
import { takesBothHands } from '../../base/action/knot.js';
import { closureKind } from '../../craft/closure/registry.js';
import { act, type Stop } from '../hands/follow.js';
import { isSlip } from '../hands/loose.js';
import { layKnots } from '../hands/laying.js';
import { endKey, layTable, type Table } from '../hands/table.js';
import { CAUTIONS } from '../../base/kind/cautions.js';
import { does, type Step } from '../../base/kind/step.js';
import { CORD_KIND_FACTS, type Cord } from '../../base/material/cord.js';
import { goesBluntly } from '../../base/material/ends.js';
import { passage, withFold } from '../../base/material/passage.js';
import { say, termsIn } from '../../base/measure/saying.js';
import type { Side } from '../../base/measure/side.js';
import type { TermId } from '../../base/measure/terms.js';
import { legsOf } from '../../craft/part/ends.js';
import type { Piece } from '../../piece/piece.js';
import { runsOf } from '../../piece/runs.js';
import type { Plan } from '../plan-types.js';
import { clipsBefore } from './clips.js';
import { finishSteps } from './finish.js';
import { firstSideFor, type Telling } from './habits.js';
import { tellMisfit } from './misfit.js';
import {
  anchorStep,
  cutSteps,
  foldSteps,
  onceStep,
  releaseStep,
  stiffenStep,
  type Pointed,
} from './set-up.js';
import { closingSteps, workSteps } from './work.js';

/** The work is laid round once more while the closure can still be moved. */
const tryOnClose = (piece: Piece, plan: Plan): Step =>
  onceStep(
    'tie',
    'try-on-close',
    'Try it on before it is closed',
    say`Lay it round the wearer, the ends held together. ${tellMisfit(piece, plan, piece.parts.length - 1)}`,
    { kind: 'worn' },
    [{ do: 'try-on', how: 'held' }],
  );

export const actionsIn = (steps: readonly Step[]): Action[] =>
  steps.flatMap(({ actions = [] }) => actions);

/** Whether both hands are full, so that something else has to hold the work. */
export function needsHold(action: Action): boolean {
  switch (action.do) {
    case 'string':
      return action.loose !== true;
    case 'plait':
    case 'wind':
      return true;
    case 'tie':
      return takesBothHands(action.knot);
    default:
      return false;
  }
}

/** Whether something at the start holds the work: a finding that it is tied to, or what is caught in it. */
const holds = (action: Action): boolean =>
  (action.do === 'tie' && action.place === AT_START && action.to !== undefined) ||
  (action.do === 'put-on' && action.place === AT_START && action.on.length > 0) ||
  (action.do === 'tie' && action.knot.form === 'catch');

/** Ends that get a point: by the way of their kind, or with wax where the fold in a needle’s eye does not go through. */
function endsToPoint(piece: Piece, plan: Plan, actions: readonly Action[]): Pointed[] {
  const holes = new Map<string, number>([
    ...piece.beads.map(({ id, hole }) => [`bead ${id}`, hole] as const),
    ...[...plan.parts.flatMap(({ layout }) => layout.passages), ...plan.closure.passages].flatMap(
      ({ finding, hole }) => (finding === undefined ? [] : [[`finding ${finding}`, hole] as const]),
    ),
  ]);
  const found = new Map<string, Pointed>();
  // What takes a share of one thing goes through it beside what is in it already.
  const within = new Map<string, readonly End[]>();
  for (const action of actions) {
    if (action.do !== 'string' && action.do !== 'put-on') continue;
    const hole = holes.get(
      action.do === 'string' ? `bead ${action.bead}` : `finding ${action.finding}`,
    );
    if (hole === undefined || action.help !== undefined) continue;
    const cords = action.on.map(({ cord }): Cord => piece.strands[Number(cord) - 1]!.cord);
    const earlier = action.do === 'put-on' ? (within.get(action.finding) ?? []) : [];
    if (action.do === 'put-on' && (action.share ?? 1) < 1) {
      within.set(action.finding, [...earlier, ...action.on]);
    }
    const there = earlier.map(({ cord }): Cord => piece.strands[Number(cord) - 1]!.cord);
    const { answer, loose } = passage(hole, [...there, ...cords]);
    action.on.forEach((end, i) => {
      const cord = cords[i]!;
      const blunt = answer === 'goes' && goesBluntly(cord.kind, loose, hole);
      if (answer === 'no' || blunt) return;
      const { point } = CORD_KIND_FACTS[cord.kind];
      const beside = [...there, ...cords.toSpliced(i, 1)];
      const tight = passage(hole, withFold(cord, beside)).answer === 'no';
      const key = endKey(end);
      const how = point === 'needle' && (tight || found.get(key)?.how === 'wax') ? 'wax' : point;
      found.set(key, { end, how });
    });
  }
  return [...found.values()];
}

/** Does some steps on a table, up to the first action that is refused. */
export function carryOut(table: Table, steps: readonly Step[]): Stop | null {
  let before = 0;
  for (const step of steps) {
    for (const [i, action] of (step.actions ?? []).entries()) {
      const unit = step.actionUnits?.[i] ?? 0;
      const refused = layKnots(table, step, action, unit) ?? act(table, action);
      if (refused) return { ...refused, action: before + i };
    }
    before += step.actions?.length ?? 0;
  }
  return null;
}

/** Carries steps out, with the clips that they need between them, up to the first action that is refused. */
export function withClips(
  table: Table,
  steps: readonly Step[],
): { readonly steps: Step[]; readonly stop: Stop | null } {
  const told: Step[] = [];
  let stop: Stop | null = null;
  let before = 0;
  for (const step of steps) {
    for (const own of stop ? [step] : [...clipsBefore(table, step, told.at(-1)), step]) {
      told.push(own);
      const refused: Stop | null = stop ? null : carryOut(table, [own]);
      if (refused) stop = { ...refused, action: before + refused.action! };
      before += own.actions?.length ?? 0;
    }
  }
  return { steps: told, stop };
}

/** Steps put behind the one in which it is tried on; first of all where there is none. */
function afterTryOn(steps: readonly Step[], more: readonly Step[]): Step[] {
  const at = steps.findIndex((step) => does(step, 'try-on'));
  return [...steps.slice(0, at + 1), ...more, ...steps.slice(at + 1)];
}

/** What is laid round while it is worked is taken off the board for that, and fixed to it again. */
const offAndOn = (step: Step, legs: readonly Leg[]): Step =>
  does(step, 'try-on')
    ? {
        ...step,
        text: say`Take it off the board. ${step.text} Fix it there again.`,
        actions: [{ do: 'release' }, ...(step.actions ?? []), { do: 'anchor', legs }],
      }
    : step;

/** What goes wrong is said with the first step of the closure, before the hands begin with it. */
function withMistakes(piece: Piece, start: Step[], end: Step[]): [Step[], Step[]] {
  const { mistakes } = closureKind(piece.closure.type);
  const add = (steps: Step[]): Step[] =>
    steps.map((step, i) => (i === 0 ? { ...step, mistakes } : step));
  return start.length > 0 ? [add(start), end] : [start, add(end)];
}

/** Every action of the make, in order, from the plan. */
export const makeSteps = (piece: Piece, plan: Plan, { hand }: { readonly hand: Side }): Step[] =>
  stepsFor(piece, plan, { first: firstSideFor(hand), words: true }).steps;

/** All steps, and the table with those done that come before the finishing. */
export interface Told {
  readonly steps: Step[];
  readonly finish: readonly Step[];
  readonly table: Table;
  /** The first action before the finishing that cannot be done. */
  readonly stop: Stop | null;
}

/** The same; without words for every unit where hands alone are to follow them. */
export function stepsFor(piece: Piece, plan: Plan, telling: Telling): Told {
  const closing = closingSteps(piece, plan, telling);
  const { steps: work, fromMiddle: inMiddle } = workSteps(piece, plan, telling);
  // A slip knot begins a chain in bare cord: what is beyond it is tied to the closure when the chain is done.
  const late = inMiddle || actionsIn(work).some(isSlip);
  const opening = late ? [] : closing.start;
  const ending = late
    ? afterTryOn(
        closing.end,
        closing.start.map((step) => ({ ...step, stage: 'tie' })),
      )
    : closing.end;
  const needed = [...actionsIn(opening), ...actionsIn(work)];
  const hold = needed.findIndex(needsHold);
  const held = needed.findIndex(holds);
  const onBoard = hold >= 0 && (held < 0 || held > hold);
  const legs = legsOf(runsOf(piece).filter((run) => !run.laidIn));
  const unique = legs.filter(
    (leg, i) => legs.findIndex((own) => own.cord === leg.cord && own.half === leg.half) === i,
  );
  const points = endsToPoint(piece, plan, [...needed, ...actionsIn(ending)]);
  const triesOn = ending.some((step) => does(step, 'try-on'));
  const [start, end] = withMistakes(piece, opening, ending);
  const cuts = cutSteps(piece, plan, points);
  const made = [
    ...(piece.wearer.child ? withChild(cuts) : cuts),
    ...foldSteps(plan),
    ...(points.length > 0 ? [stiffenStep(points)] : []),
    ...(onBoard ? [anchorStep(piece, plan, unique)] : []),
    ...start,
    ...(onBoard ? work.map((step) => offAndOn(step, unique)) : work),
    ...(onBoard ? [releaseStep()] : []),
    ...(end.length > 0 && !triesOn ? [tryOnClose(piece, plan)] : []),
    ...end,
  ];
  // How the ends lie then says what there is to finish.
  const table = layTable(piece, plan, telling.first);
  const { steps, stop } = withClips(table, made);
  const finish = finishSteps(table);
  const told = explainedOnce(warnedOnce([...steps, ...finish]));
  return { steps: told, finish, table, stop };
}

/** A caution stands where it bites first, and once more in each stage where it does: between them days may pass. */
function warnedOnce(steps: readonly Step[]): Step[] {
  const said = new Set<string>();
  return steps.map((step) => {
    const fresh = step.cautions.filter(({ text }) => !said.has(`${step.stage} ${text}`));
    for (const { text } of fresh) said.add(`${step.stage} ${text}`);
    return fresh.length === step.cautions.length ? step : { ...step, cautions: fresh };
  });
}

/** A word of the trade is explained where it stands first. */
function explainedOnce(steps: readonly Step[]): Step[] {
  const said = new Set<TermId>();
  return steps.map((step) => {
    const fresh = termsIn(step.title, step.text).filter((id) => !said.has(id));
    for (const id of fresh) said.add(id);
    return fresh.length === 0 ? step : { ...step, terms: fresh };
  });
}

/** What is said of children is said before anything is cut. */
const withChild = (steps: readonly Step[]): Step[] =>
  steps.map((step, i) =>
    i === 0 ? { ...step, cautions: [CAUTIONS.child, ...step.cautions] } : step,
  );
