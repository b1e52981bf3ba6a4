import { does, type Step } from '../../base/kind/step.js';
import { ANY_HAND, type Hand } from '../../base/learn/hand.js';
import { pluralOf } from '../../base/measure/plural.js';
import { listed, say, type Saying } from '../../base/measure/saying.js';
import type { Part } from '../../craft/part/registry.js';
import type { Piece } from '../../piece/piece.js';
import { account } from '../hands/account.js';
import { alikeSoFar, letGoAs } from '../hands/alike-so-far.js';
import type { Refusal } from '../hands/refusal.js';
import { layTable } from '../hands/table.js';
import { placedParts, type PlacedPart } from '../placed-parts.js';
import { asCut } from '../as-cut.js';
import { draftPlan } from '../plan.js';
import type { Plan } from '../plan-types.js';
import type { Telling } from './habits.js';
import { openAt } from './misfit.js';
import { anchorAgainStep, onceStep, releaseStep } from './set-up.js';
import { split } from './split.js';
import { actionsIn, needsHold, stepsFor, withClips } from './steps.js';

/** What is done after a try-on that did not fit. */
export interface Refit {
  /** From the try-on up to the next one, or to the end: what is undone, and what is worked instead. */
  readonly steps: readonly Step[];
  /** Why hands cannot do it, or not from the cords as they were cut; null when the piece then fits. */
  readonly refused: Refusal | null;
}

interface Made {
  readonly piece: Piece;
  readonly plan: Plan;
}

/** Steps that are put between others where the work asks for them, and that are found anew. */
const isClip = (step: Step): boolean =>
  does(step, 'clip') || does(step, 'unclip') || does(step, 'tension');

/** The parts in the order in which they are worked. */
const workOrder = (steps: readonly Step[]): readonly string[] => [
  ...new Set(steps.flatMap(({ part }) => (part === undefined || part === 'closure' ? [] : [part]))),
];

/** How many units of each part some steps do. */
function unitsIn(steps: readonly Step[]): ReadonlyMap<string, number> {
  const units = new Map<string, number>();
  for (const { part, aside, from = 0, units: own } of steps) {
    if (part !== undefined && !aside) units.set(part, Math.max(units.get(part) ?? 0, from + own));
  }
  return units;
}

/** The piece so much shorter in mm, all of it in one part; null where others cannot be held as they are. */
function shortened({ piece, plan }: Made, open: PlacedPart, off: number): Piece | null {
  if (plan.fit.target <= 0) return null;
  const parts = placedParts(piece, plan).map(({ part, kind, layout, index }): unknown =>
    index === open.index || !kind.fills(part)
      ? part
      : (kind.withUnits?.(part, layout.units) ?? kind.withLength?.(part, layout.length) ?? null),
  );
  return parts.includes(null)
    ? null
    : {
        ...piece,
        parts: parts as readonly Part[],
        wear: { ...piece.wear, length: plan.fit.target - off },
      };
}

/** A step of a part before a unit of the part and from there on; null for what is nothing. */
function parted(step: Step, kept: number): readonly [Step | null, Step | null] {
  const from = step.from ?? 0;
  // What rounds off a part is done anew when any of it is.
  if (from >= kept) return [null, step];
  if (step.aside || from + step.units <= kept) return [step, null];
  return split(step, kept - from);
}

/** How many units of each part are done and stay. */
type Kept = (part: string) => number;

/** Steps as far as what is kept, and all from there on: from a step by its id at the latest. */
function partedAt(steps: readonly Step[], kept: Kept, end: string): readonly [Step[], Step[]] {
  const at = steps.findIndex(
    ({ id, part, units, from = 0, aside }) =>
      id === end ||
      (part !== undefined &&
        part !== 'closure' &&
        (aside ? kept(part) === 0 : from + units > kept(part))),
  );
  const step = steps[at];
  if (!step) return [[...steps], []];
  const [before, after] =
    step.id === end || step.part === undefined ? [null, step] : parted(step, kept(step.part));
  return [
    [...steps.slice(0, at), ...(before ? [before] : [])],
    [...(after ? [after] : []), ...steps.slice(at + 1)],
  ];
}

const countOf = (units: number, { kind }: PlacedPart): string =>
  `${units} ${units === 1 ? kind.entry.unitName : pluralOf(kind.entry.unitName)}`;

/** What comes off, the last first: whole parts, and units of the one that is changed. Cord that lies straight is none. */
function tellUndone(
  parts: readonly PlacedPart[],
  undone: readonly Step[],
  open: PlacedPart,
  units: number,
): Saying | null {
  const whole = workOrder(
    undone.filter((step) => !actionsIn([step]).every(({ do: verb }) => verb === 'lay')),
  )
    .filter((id) => id !== open.id)
    .map((id) => parts.find((own) => own.id === id)!.kind.entry.label.toLowerCase());
  const all = [
    ...whole.reverse(),
    ...(open.layout.units > 1 && units > 0 ? [countOf(units, open)] : []),
  ];
  return all.length === 0 ? null : say`${listed(all)}, the last first.`;
}

/** The steps up to a try-on. */
interface Tried {
  readonly at: string;
  readonly all: readonly Step[];
  readonly before: readonly Step[];
  /** Whether a core is set in the same step, which is then set anew. */
  readonly anew: boolean;
  /** Whether all parts are worked already. */
  readonly worked: boolean;
}

function triedAt({ piece, plan }: Made, at: string, telling: Telling): Tried | null {
  const all = stepsFor(piece, plan, telling).steps.filter((step) => !isClip(step));
  const tried = all[indexOf(all, at)];
  // Steps that were told before there were such tries have other names.
  if (!tried) return null;
  const anew = does(tried, 'set');
  const before = all.slice(0, indexOf(all, at) + (anew ? 0 : 1));
  const done = unitsIn(before);
  const worked = plan.parts.every(({ id, layout }) => (done.get(id) ?? 0) >= layout.units);
  return { at, all, before, anew, worked };
}

/** The part that takes it up, and the piece as it is then. */
interface Change extends Made {
  readonly open: PlacedPart;
  /** How many units of every part stay. */
  readonly stays: Kept;
  /** How many units of the part come off. */
  readonly off: number;
}

function changeFor(made: Made, tried: Tried, off: number, hand: Hand): Change | null {
  const { piece, plan } = made;
  const { all, before, anew, worked } = tried;
  const done = unitsIn(before);
  const next = plan.parts.findIndex(({ id, layout }) => (done.get(id) ?? 0) < layout.units);
  const open = openAt(piece, plan, worked ? piece.parts.length - 1 : next);
  const changed = open && shortened(made, open, off);
  const draft = changed && draftPlan(changed, hand);
  if (!open || !changed || !draft?.ok || draft.unmakeable) return null;
  const cut = asCut(draft, plan);
  const { units } = cut.parts[open.index]!.layout;
  if (units === open.layout.units && units > 1 && !anew) return null;
  const was = done.get(open.id) ?? 0;
  // Plain cord is laid anew; of what grows unit by unit those stay that it still has.
  const kept = units > 1 ? Math.min(was, units) : 0;
  const order = workOrder(all);
  const stays: Kept = (part) => {
    if (part === open.id) return kept;
    return order.indexOf(part) < order.indexOf(open.id) ? (done.get(part) ?? 0) : 0;
  };
  return { piece: changed, plan: cut, open, stays, off: was - kept };
}

/** What comes off, as a step of its own; none where nothing does. */
function undoStep({ piece, plan }: Made, { at, before }: Tried, change: Change): UndoStep {
  const worked = before.filter(({ part }) => part !== undefined && part !== 'closure');
  const [, undone] = partedAt(worked, change.stays, at);
  if (undone.length === 0) return { step: null, told: false };
  const text = tellUndone(placedParts(piece, plan), undone, change.open, change.off);
  const step = onceStep('tie', `undo:${at}`, 'Undo the last of it', text ?? '', { kind: 'worn' }, [
    { do: 'undo', actions: actionsIn(undone) },
  ]);
  return { step, told: text !== null };
}
interface UndoStep {
  readonly step: Step | null;
  /** Whether there is something to say: cord that only lies straight does not have to be undone. */
  readonly told: boolean;
}

/**
 * What is to be done when a try-on shows that it does not fit: steps that hands can carry out from that very state.
 * The state in which it was tried on, less what comes off, is the beginning of the changed piece, which is gone on with.
 *
 * @param at id of the step in which it is tried on
 * @param off how much too long it is in mm; too short when negative
 * @param hand what the plan knows of the hand that makes it
 * @returns null where no part can take it up, where a whole unit would be too much, or where nothing is tried there
 */
export function refit(
  piece: Piece,
  plan: Plan,
  at: string,
  off: number,
  telling: Telling,
  hand: Hand = ANY_HAND,
): Refit | null {
  const made: Made = { piece, plan };
  const tried = triedAt(made, at, telling);
  const change = tried && changeFor(made, tried, off, hand);
  if (!tried || !change) return null;
  const { before, anew } = tried;

  const undo = undoStep(made, tried, change);
  const lies = layTable(piece, plan, telling.first);
  const gone = withClips(lies, undo.step ? [...before, undo.step] : before);

  const told = stepsFor(change.piece, change.plan, telling).steps.filter((step) => !isClip(step));
  const [head, tail] = anew
    ? cutBefore(told, indexOf(told, at))
    : partedAt(told, change.stays, tried.worked ? at : '');
  const table = layTable(change.piece, change.plan, telling.first);
  const begun = withClips(table, head);
  const apart = alikeSoFar(lies, table);
  letGoAs(lies, table);

  const [work, rest] = cutBefore(tail, anew ? 1 : lastOfParts(tail) + 1);
  const offBoard = lies.held === null && !anew;
  const mended = withClips(table, offBoard ? onBoardAgain(before, work) : work);
  const ended = withClips(table, offBoard ? rest.filter((step) => !does(step, 'release')) : rest);

  const shown = [...gone.steps.slice(indexOf(gone.steps, at) + 1), ...mended.steps];
  return {
    steps: anew ? work : upToTryOn(undo.told ? shown : shown.filter((step) => step !== undo.step)),
    refused:
      gone.stop ?? begun.stop ?? apart ?? mended.stop ?? ended.stop ?? account(table)[0] ?? null,
  };
}

const cutBefore = (steps: readonly Step[], at: number): readonly [Step[], Step[]] => [
  steps.slice(0, at),
  steps.slice(at),
];

const lastOfParts = (steps: readonly Step[]): number =>
  steps.findLastIndex(({ part }) => part !== undefined && part !== 'closure');

const indexOf = (steps: readonly Step[], id: string): number =>
  steps.findIndex((step) => step.id === id);

/** Steps before the next in which it is tried on. */
function upToTryOn(steps: readonly Step[]): Step[] {
  const next = steps.findIndex((step) => does(step, 'try-on'));
  return next < 0 ? [...steps] : steps.slice(0, next);
}

/** Work that was taken off the board already goes back on to it where both hands are needed. */
function onBoardAgain(before: readonly Step[], work: readonly Step[]): Step[] {
  const anchor = actionsIn(before).find((action) => action.do === 'anchor');
  return anchor && actionsIn(work).some(needsHold)
    ? [anchorAgainStep(anchor.legs), ...work, releaseStep()]
    : [...work];
}
